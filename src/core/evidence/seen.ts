import { type Job, observationFigures, type Observation, type ObservationKind, type SeenHow } from '../job'
import { type BenchFigure, benchFigures } from '../wiring'
import { calendarDay } from '../units'
import { say } from '../words'

/** What was seen, as it is predicted and weighed. */
export type Seen = Watched | Proved

/** A figure that was measured once it was built: one of the job's proofs. */
export interface Proved {
  readonly id: string
  readonly kind: 'proved'
  readonly state: 'as fitted'
  readonly figure: BenchFigure & { readonly at: NonNullable<BenchFigure['at']> }
  readonly seen: number
}

/** Kinds that a run can predict: what a hand felt is compared, not weighed. */
export type WatchedKind = Exclude<ObservationKind, 'felt'>

export type Felt = Observation & { readonly kind: 'felt' }
export const isFelt = (o: { readonly kind: string }): o is Felt => o.kind === 'felt'

/** What was watched of the whole machine: an observation of the job, or its complaint. */
export interface Watched extends Pick<
  Observation,
  'id' | 'state' | 'work' | 'airC' | 'fromC' | 'toC' | 'forS' | 'seen' | 'how' | 'spread'
> {
  readonly kind: WatchedKind
  /** it came to it, and nobody said when */
  readonly sometime?: true
  /** what was waited for lies so much below boiling, K */
  readonly underK?: number
  /** it was worked first, and watched from the key's going off */
  readonly afterOff?: true
}

export const COMPLAINT = 'complaint'

/** so much below boiling a gauge stands in its red field, K (estimate) */
const RED_K = 10

const complained = {
  'slow climbs': 'slow',
  'slow work': 'slow',
  'any work': 'slow',
  idling: 'idle',
  'after switch-off': 'slow',
} as const

/**
 * The complaint as something that was seen: of the machine as it came, begun as warm as it gets at rest. Null until
 * somebody has said when it shows, or above what: the sentence that a new job begins with is nobody's.
 */
export function complaintSeen(job: Job): Watched | null {
  const { what, on, after, aboveC } = job.complaint
  if ((after === null && aboveC === null) || complaintSilent(job) !== null) return null
  return {
    id: COMPLAINT,
    kind: 'boiled',
    state: 'as it came',
    // a trailer gets hot where it stands by itself, whatever the owner calls it
    work: job.trailer ? 'alone' : complained[on],
    airC: (aboveC ?? job.surroundings.usualC).value,
    fromC: null,
    toC: null,
    forS: after?.value ?? null,
    seen: after?.value ?? null,
    how: 'remembered',
    spread: after?.spread !== undefined && after.value > 0 ? after.spread / after.value : null,
    ...(after === null ? { sometime: true as const } : {}),
    ...(what === 'runs hot' && job.cooling ? { underK: RED_K } : {}),
    ...(on === 'after switch-off' && !job.trailer ? { afterOff: true as const } : {}),
  }
}

/** Why a complaint of this kind is no temperature that a run could foretell; null where it is one. */
export function complaintSilent(job: Job): string | null {
  const { what } = job.complaint
  if (what === 'stumbles when hot')
    return say`that it stumbles has causes besides heat: note how hot it got, or after how long`
  if (what === 'boils' && !job.cooling) return say`there is no coolant that boils`
  return job.engine || (job.trailer && job.bay) ? null : say`nothing here gives off heat that a run knows of`
}

/** so many of what was observed count, the newest: more would be weighed for minutes and tell nothing else */
const MOST_COUNTED = 12

/** Why an observation tells nothing of this job; null where it does. */
export function apartBecause(job: Job, o: Observation): string | null {
  const own = tellsNothing(job, o)
  if (own !== null) return own
  const newer = job.observations.filter((n) => tellsNothing(job, n) === null && n.at > o.at).length
  return newer >= MOST_COUNTED ? say`${MOST_COUNTED} newer ones count` : null
}

/** With a fan that the engine turned nothing is predicted: how it was then says nothing of the heat. */
const MECHANICAL = say`its mechanical fan was on then, and what that moved is not known`

/** Why the complaint tells nothing of this job; null where it does, as far as anybody said when it shows. */
export function complaintApart(job: Job): string | null {
  if (job.complaint.doubted) return say`it is doubted`
  return job.mechanicalFan ? MECHANICAL : null
}

function tellsNothing(job: Job, o: Observation): string | null {
  if (o.doubted) return say`it is doubted`
  if (isFelt(o)) return say`it is compared with what is felt at the same place, not weighed`
  if (o.state === 'as it came' && job.mechanicalFan) return MECHANICAL
  const day = calendarDay(o.at)
  if (o.state === 'as fitted' && day < job.startedOn) return say`it was seen before this job fitted anything`
  if (o.state === 'as it came' && job.signature && o.at > job.signature.at)
    return say`it was seen after what this job fits was in`
  if (!job.cooling && (o.kind === 'boiled' || o.kind === 'outlet')) return say`a bay has no coolant`
  if (o.state === 'as fitted' && !job.fans.length) return say`no fan is chosen yet`
  if ((o.kind === 'share' || o.kind === 'after-run' || o.kind === 'fall') && o.state === 'as it came' && !job.oldFan)
    return say`it had no electric fan as it came`
  if ((o.work === 'towed' || o.work === 'charger' || o.work === 'alone') !== (job.trailer !== null) && o.work !== 'off')
    return say`this machine does no such work`
  return null
}

/** Figures of the job's proofs that its readings predict; none while its fans are not all chosen. */
export const provedIn = (job: Job): Proved[] =>
  job.proofs.some((p) => p.measured)
    ? benchFigures(job).flatMap((figure): Proved[] => {
        const measured = job.proofs.find((p) => p.id === figure.id)?.measured
        const { at } = figure
        return measured && at
          ? [
              {
                id: `proof ${figure.id}`,
                kind: 'proved',
                state: 'as fitted',
                figure: { ...figure, at },
                seen: measured.value,
              },
            ]
          : []
      })
    : []

/** Everything that counts: the complaint, what was observed and what was proved, as long as nobody doubts it. */
export const countingIn = (job: Job): readonly Seen[] => [
  ...provedIn(job),
  ...(complaintApart(job) === null ? [complaintSeen(job) ?? []].flat() : []),
  ...job.observations.filter(
    (o): o is Observation & { kind: WatchedKind } => !isFelt(o) && apartBecause(job, o) === null,
  ),
]

/** Shares of times, kelvins, shares and volts that each way of taking it may be out. @see engineering §0 */
const own: Readonly<Record<SeenHow, { readonly time: number; readonly kelvin: number; readonly volts: number }>> = {
  'by a watch': { time: 0.05, kelvin: 4, volts: 0.3 },
  remembered: { time: 0.35, kelvin: 8, volts: 0.5 },
  'by its gauge': { time: 0.1, kelvin: 4, volts: 0.3 },
  'by a thermometer': { time: 0.05, kelvin: 1.5, volts: 0.3 },
  'by hand': { time: 0.35, kelvin: 8, volts: 0.5 },
  'by a meter': { time: 0.05, kelvin: 1.5, volts: 0.12 },
}
/** no model is nearer than that: a share of a time, K, V */
const MODEL = { time: 0.1, kelvin: 2, volts: 0.1 }

/** no current is foretold nearer than that: what a motor takes hangs on how warm it is */
const CURRENT = 0.05

/** How far what was seen may be out: a share of a time or share, K, V or A by its kind. */
export function sigmaOf(seen: Seen): number {
  if (seen.kind === 'proved') {
    const { quantity, slack } = seen.figure
    return quantity === 'current' ? Math.max(slack, CURRENT * Math.abs(seen.seen)) : slack
  }
  const what = observationFigures[seen.kind]
  const which = ({ afterS: 'time', share: 'time', toC: 'kelvin', volts: 'volts' } as const)[what]
  return Math.max(seen.spread ?? own[seen.how][which], MODEL[which])
}
/** K by which a bound may be missed */
export const MODEL_K = MODEL.kelvin
