import type { Job } from '../job'
import { cureChecks } from '../plan'
import type { HeatCause } from './heat-causes'
import type { Move } from './table'

const always = (): boolean => true
const cooled = (job: Job): boolean => job.cooling !== null
const faultless = { edit: null, faults: [] } as const

interface Sketch {
  readonly id: string
  readonly area: 'noise' | 'coolant' | 'machine'
  readonly weight: number
  readonly words: string
  readonly why: string
  readonly step: string
  readonly parts?: readonly string[]
  readonly proof: string
  readonly shows: Readonly<Record<string, string>>
  readonly when?: (job: Job) => boolean
}

const DRY = 'Paper below stays dry for a night, hot and cold.'

const sketches: readonly Sketch[] = [
  {
    id: 'blade_touches',
    area: 'noise',
    weight: 2,
    words: 'The blades touch shroud, core or a tie',
    why: 'a mount that gives, a tie’s tail, a shroud pulled oval',
    step: 'Find the bright mark, shim the mount or cut the tail',
    proof: 'By hand and running: nothing touches; 6 mm to what is fixed.',
    shows: { noise: 'rubs', spin: 'touches at one place' },
  },
  {
    id: 'lead_in_blades',
    area: 'noise',
    weight: 1.2,
    words: 'A lead or a tie’s tail reaches the blades',
    why: 'tied when the machine stood straight, or not at all',
    step: 'Tie it back; change it where its skin is cut',
    parts: ['ties', 'sleeve'],
    proof: 'Steering from lock to lock, suspension down: it stays away.',
    shows: { noise: 'rubs', spin: 'touches at one place', shake: 'a lead or tie reaches the blades' },
  },
  {
    id: 'shroud_loose',
    area: 'noise',
    weight: 2,
    words: 'Shroud or mount is loose',
    why: 'no lock on a thread, rubber that settled after the first heat',
    step: 'Tighten to its torque with threadlocker or a new lock nut',
    parts: ['threadlocker or lock nuts'],
    proof: 'Shaken by hand nothing moves; again after a week.',
    shows: { noise: 'rattles', shake: 'shroud or mount moves' },
  },
  {
    id: 'bearing',
    area: 'noise',
    weight: 1.2,
    words: 'Its bearing is worn or rusty',
    why: 'water stood in it, or it is old',
    step: 'Another fan of the same size and current',
    parts: ['fan'],
    proof: 'It turns by hand without a sound, and takes its running current.',
    shows: { noise: 'grinds', spin: 'rough all round' },
  },
  {
    id: 'air_settled',
    area: 'coolant',
    weight: 2,
    words: 'Only the air that was left in has come out',
    why: 'after every refill some air finds its way up in the first heat cycles',
    step: 'Fill to the mark, cold',
    parts: ['coolant'],
    proof: 'Over the next three colds it stays.',
    shows: { falls: 'fell once', level: 'low', bubbles: 'some, then none' },
    when: cooled,
  },
  {
    id: 'clip_loose',
    area: 'coolant',
    weight: 2,
    words: 'A hose clip is loose or sits on the bead',
    why: 'rubber settles after the first heat; clips are turned and forgotten',
    step: 'Behind the bead, tightened, looked at again hot',
    parts: ['worm-drive clip'],
    proof: DRY,
    shows: { falls: 'falls', level: 'low', drips: 'at a hose' },
    when: cooled,
  },
  {
    id: 'port_drips',
    area: 'coolant',
    weight: 1.2,
    words: 'The thread of the probe or switch drips',
    why: 'a straight thread without its washer, a tapered one without tape',
    step: 'Out, cleaned, sealed anew in the way of its thread',
    parts: ['copper washer or PTFE tape', 'coolant'],
    proof: DRY,
    shows: { falls: 'falls', level: 'low', drips: 'at the probe or switch' },
    when: cooled,
  },
  {
    id: 'drain_drips',
    area: 'coolant',
    weight: 1,
    words: 'The drain’s washer was used twice',
    why: 'a crushed washer seals once',
    step: 'A new washer',
    parts: ['washer', 'coolant'],
    proof: DRY,
    shows: { falls: 'falls', level: 'low', drips: 'at the drain' },
    when: cooled,
  },
  {
    id: 'core_holed',
    area: 'coolant',
    weight: 0.6,
    words: 'The core leaks: a tie or a screw went into a tube',
    why: 'the gap between two tubes is narrow',
    step: 'Have it soldered or change it',
    parts: ['core'],
    proof: DRY,
    shows: { falls: 'falls', level: 'low', drips: 'at the core’s seam' },
    when: cooled,
  },
  {
    id: 'head_gasket',
    area: 'machine',
    weight: 0.5,
    words: 'The head gasket lets gas into the coolant',
    why: 'it was boiled once',
    step: 'No fan cures this: to an engine shop, with a test of the gas',
    proof: 'No bubbles from cold, and no gas in the coolant.',
    shows: { falls: 'falls', level: 'low', bubbles: 'yes, without end', cooling: 'too hot' },
    when: cooled,
  },
]

const ofSketch = ({
  id,
  area,
  weight,
  words,
  why,
  step,
  parts = [],
  proof,
  shows,
  when = always,
}: Sketch): HeatCause => ({
  cause: { ...faultless, id, area, weight, words, why, repair: { step, parts, proof } },
  when,
  edit: null,
  shows,
})

/** Causes of noise and of coolant that goes: a new one is a new entry. */
export const noiseAndCoolant: readonly HeatCause[] = sketches.map(ofSketch)

/** own causes of heat stand for these already */
const KNOWN = ['own-fan', 'blocked-core', 'shut-vents', 'low-coolant', 'leak']

const mine = (id: string): string => `cure_${id.replaceAll('-', '_')}`

/** What no fan cures, each with its own look: of the kind of machine that it is. */
export function notTheFan(job: Job): { readonly causes: HeatCause[]; readonly moves: Move[] } {
  const checks = cureChecks(job).filter((c) => !KNOWN.includes(c.id))
  return {
    causes: checks.map((c) => ({
      cause: {
        ...faultless,
        id: mine(c.id),
        area: 'machine',
        weight: 0.8,
        words: `Not the fan: ${c.name.charAt(0).toLowerCase()}${c.name.slice(1)}`,
        why: 'it makes it hot whatever the fan does',
        repair: {
          step: `${c.name}: put it right first`,
          parts: [],
          proof: 'The same work at the same air, without the fan’s help.',
        },
      },
      when: always,
      edit: null,
      shows: { cooling: 'too hot', [mine(c.id)]: 'looks like it' },
    })),
    moves: checks.map((c) => ({
      id: mine(c.id),
      title: c.name,
      how: `It would look like this: ${c.looksLike}`,
      caution: '',
      minutes: 3,
      risk: 0,
      tier: 'look' as const,
      answers: [
        { id: 'ruled out', words: 'ruled out' },
        { id: 'looks like it', words: 'looks like it' },
      ],
      figure: null,
    })),
  }
}
