import type { Job } from '../job'
import { cureChecks } from '../plan'
import type { HeatCause } from './heat-causes'
import type { Move } from './table'
import { say } from '../words'

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

const DRY = say`Paper below stays dry for a night, hot and cold.`

const sketches: readonly Sketch[] = [
  {
    id: 'blade_touches',
    area: 'noise',
    weight: 2,
    words: say`The blades touch shroud, core or a tie`,
    why: say`a mount that gives, a tie’s tail, a shroud pulled oval`,
    step: say`Find the bright mark, shim the mount or cut the tail`,
    proof: say`By hand and running: nothing touches; 6 mm to what is fixed.`,
    shows: { noise: 'rubs', spin: 'touches at one place' },
  },
  {
    id: 'lead_in_blades',
    area: 'noise',
    weight: 1.2,
    words: say`A lead or a tie’s tail reaches the blades`,
    why: say`tied when the machine stood straight, or not at all`,
    step: say`Tie it back; change it where its skin is cut`,
    parts: ['ties', 'sleeve'],
    proof: say`Steering from lock to lock, suspension down: it stays away.`,
    shows: { noise: 'rubs', spin: 'touches at one place', shake: 'a lead or tie reaches the blades' },
  },
  {
    id: 'shroud_loose',
    area: 'noise',
    weight: 2,
    words: say`Shroud or mount is loose`,
    why: say`no lock on a thread, rubber that settled after the first heat`,
    step: say`Tighten to its torque with threadlocker or a new lock nut`,
    parts: [say`threadlocker or lock nuts`],
    proof: say`Shaken by hand nothing moves; again after a week.`,
    shows: { noise: 'rattles', shake: 'shroud or mount moves' },
  },
  {
    id: 'bearing',
    area: 'noise',
    weight: 1.2,
    words: say`Its bearing is worn or rusty`,
    why: say`water stood in it, or it is old`,
    step: say`Another fan of the same size and current`,
    parts: ['fan'],
    proof: say`It turns by hand without a sound, and takes its running current.`,
    shows: { noise: 'grinds', spin: 'rough all round' },
  },
  {
    id: 'air_settled',
    area: 'coolant',
    weight: 2,
    words: say`Only the air that was left in has come out`,
    why: say`after every refill some air finds its way up in the first heat cycles`,
    step: say`Fill to the mark, cold`,
    parts: ['coolant'],
    proof: say`Over the next three colds it stays.`,
    shows: { falls: 'fell once', level: 'low', bubbles: 'some, then none' },
    when: cooled,
  },
  {
    id: 'clip_loose',
    area: 'coolant',
    weight: 2,
    words: say`A hose clip is loose or sits on the bead`,
    why: say`rubber settles after the first heat; clips are turned and forgotten`,
    step: say`Behind the bead, tightened, looked at again hot`,
    parts: [say`worm-drive clip`],
    proof: DRY,
    shows: { falls: 'falls', level: 'low', drips: 'at a hose' },
    when: cooled,
  },
  {
    id: 'port_drips',
    area: 'coolant',
    weight: 1.2,
    words: say`The thread of the probe or switch drips`,
    why: say`a straight thread without its washer, a tapered one without tape`,
    step: say`Out, cleaned, sealed anew in the way of its thread`,
    parts: [say`copper washer or PTFE tape`, 'coolant'],
    proof: DRY,
    shows: { falls: 'falls', level: 'low', drips: 'at the probe or switch' },
    when: cooled,
  },
  {
    id: 'drain_drips',
    area: 'coolant',
    weight: 1,
    words: say`The drain’s washer was used twice`,
    why: say`a crushed washer seals once`,
    step: say`A new washer`,
    parts: ['washer', 'coolant'],
    proof: DRY,
    shows: { falls: 'falls', level: 'low', drips: 'at the drain' },
    when: cooled,
  },
  {
    id: 'core_holed',
    area: 'coolant',
    weight: 0.6,
    words: say`The core leaks: a tie or a screw went into a tube`,
    why: say`the gap between two tubes is narrow`,
    step: say`Have it soldered or change it`,
    parts: ['core'],
    proof: DRY,
    shows: { falls: 'falls', level: 'low', drips: 'at the core’s seam' },
    when: cooled,
  },
  {
    id: 'head_gasket',
    area: 'machine',
    weight: 0.5,
    words: say`The head gasket lets gas into the coolant`,
    why: say`it was boiled once`,
    step: say`No fan cures this: to an engine shop, with a test of the gas`,
    proof: say`No bubbles from cold, and no gas in the coolant.`,
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
        words: say`Not the fan: ${c.name.charAt(0).toLowerCase()}${c.name.slice(1)}`,
        why: say`it makes it hot whatever the fan does`,
        repair: {
          step: say`${c.name}: put it right first`,
          parts: [],
          proof: say`The same work at the same air, without the fan’s help.`,
        },
      },
      when: always,
      edit: null,
      shows: { cooling: 'too hot', [mine(c.id)]: 'looks like it' },
    })),
    moves: checks.map((c) => ({
      id: mine(c.id),
      title: c.name,
      how: say`It would look like this: ${c.looksLike}`,
      caution: '',
      minutes: 3,
      risk: 0,
      tier: 'look' as const,
      answers: [
        { id: 'ruled out', words: say`ruled out` },
        { id: 'looks like it', words: say`looks like it` },
      ],
      figure: null,
    })),
  }
}
