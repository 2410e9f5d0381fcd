import { worded } from '../units'
import { type Hazard, hazards, type Job, type Passing } from '../job'
import { say } from '../words'

interface HazardRule {
  readonly name: string
  /** how far away, and what is done where it passes all the same */
  readonly keep: string
  readonly guard: string
  /** no guard makes it right */
  readonly never: boolean
  readonly when?: (job: Job) => boolean
}

const engined = (job: Job): boolean => job.engine !== null
const steered = (job: Job): boolean => /bike/.test(job.machine.kind)
const seated = (job: Job): boolean => /bike|side-by-side/.test(job.machine.kind)

/** What a wire's way must keep clear of; a new one is an entry here and in `hazards`. @see engineering §1.1, §7 */
export const hazardRules: Readonly<Record<Hazard, HazardRule>> = {
  exhaust: {
    name: say`the exhaust`,
    keep: say`100 mm and more`,
    guard: say`glass sleeve, and wires and fuse reckoned 30 K hotter: choose “by the exhaust” for what lies there`,
    never: false,
    when: engined,
  },
  pinch: {
    name: say`where panels, bucket or bodywork close on it`,
    keep: say`nothing closes on it, tried with the panel on`,
    guard: say`grommet or edge strip, and a tie on either side`,
    never: false,
  },
  blades: {
    name: say`the circle of the blades`,
    keep: say`20 mm outside it, tied`,
    guard: say`none: move it`,
    never: true,
  },
  'seat latch': {
    name: say`seat or its latch`,
    keep: say`clear of it, seat down and up`,
    guard: say`tied to the frame where the latch cannot reach`,
    never: false,
    when: seated,
  },
  'tank or fuel line': {
    name: say`tank or fuel line`,
    keep: say`50 mm, never tied to a fuel line`,
    guard: say`sleeved and tied to the frame, no joint and no fuse there`,
    never: false,
    when: engined,
  },
  'steering head': {
    name: say`the steering head`,
    keep: say`round it, not through it`,
    guard: say`a loop that neither pulls nor is caught from lock to lock`,
    never: false,
    when: steered,
  },
  'lighting wire': {
    name: say`wires of the road lights`,
    keep: say`beside them, not joined to them`,
    guard: say`own sleeve; nothing of the lights is tapped`,
    never: false,
  },
  'sharp edge': {
    name: say`sharp edges and holes in sheet`,
    keep: say`none on its way`,
    guard: say`grommet in every hole`,
    never: false,
  },
}

export interface RouteLine {
  readonly hazard: Hazard
  readonly rule: HazardRule
  /** null: nobody has looked */
  readonly how: Passing | null
  /** what stands in the way of it; null where it is right */
  readonly wrong: string | null
}

/**
 * What the loom's way passes, each looked at or not. A way that touches, or passes what no guard makes right, is wrong.
 */
export function routeOf(job: Job): RouteLine[] {
  return hazards
    .filter((h) => hazardRules[h].when?.(job) ?? true)
    .map((hazard) => {
      const rule = hazardRules[hazard]
      const how = job.wiring.passes.find((p) => p.hazard === hazard)?.how ?? null
      const bad = how === 'touches' || (how === 'passes, guarded' && rule.never)
      return {
        hazard,
        rule,
        how,
        wrong: bad ? say`The way touches ${rule.name}. Right is: ${worded(rule.keep, job.units)}.` : null,
      }
    })
}

/** Says how the way passes something, or that nobody has looked (null). */
export const setPassing = (job: Job, hazard: Hazard, how: Passing | null): Job => ({
  ...job,
  wiring: {
    ...job.wiring,
    passes: [...job.wiring.passes.filter((p) => p.hazard !== hazard), ...(how ? [{ hazard, how }] : [])],
  },
})

/** The way in a sentence for the bench: what it passes and how, and what nobody has looked at yet. */
export function routeInWords(job: Job): string {
  const lines = routeOf(job)
  const of = (how: Passing | null): RouteLine[] => lines.filter((l) => l.how === how)
  const names = (list: readonly RouteLine[]): string => list.map((l) => l.rule.name).join(', ')
  const guarded = of('passes, guarded').filter((l) => !l.rule.never)
  const open = of(null)
  return [
    ...lines.flatMap((l) => l.wrong ?? []),
    ...guarded.map((l) => say`Past ${l.rule.name}: ${worded(l.rule.guard, job.units)}.`),
    ...(open.length ? [say`Not looked at yet: ${names(open)}.`] : []),
    ...(of('keeps away').length ? [say`Keeps away from ${names(of('keeps away'))}.`] : []),
  ].join(' ')
}
