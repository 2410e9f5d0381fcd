import { eachOnce, fannedCircuits } from '../fan-circuit'
import { fuseForms } from '../electrical'
import { type Job, mountOf } from '../job'
import { cutList } from '../wiring'
import type { Part } from '../parts'
import { format } from '../units'
import { coreOff, engined, mountsFan, opensCoolant, pinMovesM } from './asks'
import { tiesOf } from './fastening'
import { type Called, called, say, spokenWord } from '../words'

export const needGroups = ['parts', 'wire and small parts', 'consumables', 'tools'] as const
export type NeedGroup = (typeof needGroups)[number]

/** One thing that has to lie there before the first bolt. */
export interface Need {
  /** the same for the same thing, so that an answer finds it again */
  readonly id: string
  readonly group: NeedGroup
  readonly what: string
  readonly amount: string
  /** what the shelf says of it, where somebody counts; it is there only once somebody has said so */
  readonly shelf: string
}

const need = (group: NeedGroup, { id, words }: Called, amount = '1', shelf = ''): Need => ({
  id: `${group.slice(0, 1)}:${id}`.slice(0, 160),
  group,
  what: words,
  amount,
  shelf,
})

/** Fans, controllers and probes that were chosen, a new core. */
function partsNeeded(job: Job, shelf: readonly Part[]): Need[] {
  const counted = (id: string): string => (shelf.some((p) => p.id === id) ? say`on the shelf’s list, not counted` : '')
  const each = (name: string, id: string): Need => need('parts', { id: name, words: name }, '1', counted(id))
  const more = (list: readonly Need[]): Need[] =>
    [...new Map(list.map((n) => [n.id, n])).values()].map((n) => ({
      ...n,
      amount: String(list.filter((o) => o.id === n.id).length),
    }))
  const besides = (part: Part | null): Need[] =>
    (part?.separately ?? []).map((what) =>
      need(
        'parts',
        called(() => say`${what}, for ${part!.name}: sold separately`),
      ),
    )
  return more([
    ...fannedCircuits(job).flatMap(({ fan }) => [each(fan.part.name, fan.part.id), ...besides(fan.part)]),
    ...eachOnce(job, 'controller').flatMap(([c]) => [each(c.part.name, c.part.id), ...besides(c.part)]),
    ...eachOnce(job, 'probe').flatMap(([p]) => (p.part ? [each(p.part.name, p.part.id), ...besides(p.part)] : [])),
    ...(job.newCore
      ? [
          need(
            'parts',
            called(() => say`the new core, its rubbers and pins`),
          ),
        ]
      : []),
  ])
}

/** The circuit's wire, fuses, joints and sleeves, as the cut list has them. */
const wiringNeeded = (job: Job, shelf: readonly Part[]): Need[] =>
  cutList(job, shelf).shopping.map((s) =>
    need(
      'wire and small parts',
      { id: s.id, words: s.what },
      s.unit === 'm' ? format(s.count, 'run', job.units) : String(s.count),
      shelf.length === 0 ? '' : `${spokenWord(s.has)}${s.note ? `: ${s.note}` : ''}`,
    ),
  )

/** coolant is bought with so much to spare (estimate) */
const SPARE = 1.1

function consumablesNeeded(job: Job): Need[] {
  const { figures } = mountOf(job)
  const places = new Set(job.probes.map((p) => p.place))
  const tied = fannedCircuits(job).flatMap((c) => tiesOf(job, c) ?? [])
  const of = (what: () => string, amount?: string): Need => need('consumables', called(what), amount)
  return [
    ...(opensCoolant(job)
      ? [
          of(
            () => say`coolant, mixed as its maker says`,
            format(SPARE * job.cooling!.volumeM3.value, 'volume', job.units, 2),
          ),
          of(() => say`washer for the drain bolt`),
          of(() => say`clean rag and plugs for the openings`, '2'),
        ]
      : []),
    ...(places.has('fin-paste') ? [of(() => say`heat-conducting paste`)] : []),
    ...(places.has('threaded')
      ? [of(() => say`PTFE tape for a taper thread, or a new washer for a straight one`)]
      : []),
    ...(mountsFan(job) && tied.length
      ? [
          of(
            () => say`ties through fins, ${format(Math.max(...tied.map((t) => t.lengthM)), 'length', job.units, 3)} or
              longer`,
            say`${4 * tied.length} and ${4 * tied.length} to spare`,
          ),
          of(() => say`foam for the corners`, String(4 * tied.length)),
        ]
      : []),
    ...(mountsFan(job) && figures.includes('screw')
      ? [of(() => say`threadlocker, medium`), of(() => say`locking washers`, '4')]
      : []),
    ...(mountsFan(job) && figures.includes('stand-offs') ? [of(() => say`locking nuts and large washers`, '4')] : []),
    ...(mountsFan(job) && mountOf(job).onSheet ? [of(() => say`paint for bare metal`), of(() => say`edge trim`)] : []),
    ...(mountsFan(job) && mountOf(job).shrouded ? [of(() => say`edge trim, all round the shroud`)] : []),
    ...(job.newCore && pinMovesM(job) !== 0 ? [of(() => say`paint for the moved hole`)] : []),
    of(() => say`isopropyl alcohol and wipes`),
    of(() => say`labels, two a wire`),
    of(() => say`adhesive tape`),
  ]
}

/** Tools, those besides that are usually forgotten. */
function toolsNeeded(job: Job): Need[] {
  const of = (what: () => string): Need => need('tools', called(what))
  const drills = (mountsFan(job) && mountOf(job).onSheet) || pinMovesM(job) !== 0 || mountOf(job).alters !== null
  const forms = [...new Set(job.fuses.map((f) => fuseForms[f.kind].name))]
  return [
    of(() => say`sockets and spanners, odd sizes too; a long extension`),
    of(() => say`short screwdriver, and one for worm-drive clips`),
    of(() => say`hex and six-lobe keys`),
    of(() => say`side cutter`),
    of(() => say`pick, or a blunt needle`),
    of(() => say`wire stripper`),
    of(() => say`crimping pliers for these terminals`),
    ...(job.wiring.joints === 'sealed crimp' || job.wiring.joints === 'solder and sleeve'
      ? [of(() => say`heat gun`)]
      : []),
    of(() => say`multimeter with sharp leads`),
    of(() => say`clamp meter for direct current that holds the highest`),
    of(() => say`torque wrench from 2 N·m`),
    of(() => say`tape measure, caliper`),
    ...(forms.length ? [of(() => say`fuse puller (${forms.map(spokenWord).join(', ')})`)] : []),
    ...(engined(job) ? [of(() => say`thermometer, or a gauge that can be trusted`)] : []),
    ...(opensCoolant(job) ? [of(() => say`catch pan, measuring jug and funnel`)] : []),
    ...(coreOff(job) ? [of(() => say`pliers for hose clips`)] : []),
    ...(drills
      ? [of(() => say`drill, bits from pilot to size, deburrer, magnet for the chips`), of(() => say`eye protection`)]
      : []),
    of(() => say`lidded tins for small parts`),
  ]
}

/**
 * Everything that a job's choices ask for, each thing once. What a harness or kit brings is that kit, one thing.
 * @param shelf what the workshop has; it is told beside a thing, and never taken for an answer
 */
export function needsOfJob(job: Job, shelf: readonly Part[] = []): Need[] {
  const all = [...partsNeeded(job, shelf), ...wiringNeeded(job, shelf), ...consumablesNeeded(job), ...toolsNeeded(job)]
  return [...new Map(all.map((n) => [n.id, n])).values()]
}

export type HaveState = 'not answered' | 'here' | 'to get' | 'without'

/** How a thing stands: here, still to get, or gone without by somebody's name and reason. */
export function haveOf(job: Job, { id }: Pick<Need, 'id'>): HaveState {
  const answer = job.build.have.find((h) => h.need === id)
  if (!answer) return 'not answered'
  if (answer.here) return 'here'
  return answer.why.trim() && answer.by.trim() ? 'without' : 'to get'
}

const settled: ReadonlySet<HaveState> = new Set(['here', 'without'])

/** What holds the start: neither here nor gone without. */
export const missingNeeds = (job: Job): Need[] => needsOfJob(job).filter((n) => !settled.has(haveOf(job, n)))

/** What is to be bought: everything that somebody said is not there, and is not gone without. */
export const shoppingList = (job: Job, shelf: readonly Part[]): Need[] =>
  needsOfJob(job, shelf).filter((n) => haveOf(job, n) === 'to get')
