import {
  type Job,
  type Observation,
  type ObservationKind,
  observationKinds,
  observationTrouble,
  seenHow,
  seenStates,
  type Work,
  works,
} from '@/core/job'
import type { Look } from '@/core/margins'
import { say } from '@/core/words'

/** What is being noted: not a whole observation yet. */
export type Noting = Pick<
  Observation,
  'kind' | 'state' | 'place' | 'work' | 'fromC' | 'toC' | 'forS' | 'seen' | 'how' | 'typed'
> & {
  readonly airC: number | null
  /** it did not come to it */
  readonly missed: boolean
}

const kindsOf: Readonly<Record<'trailer' | 'core' | 'bay', readonly ObservationKind[]>> = {
  trailer: ['temperature', 'volts', 'hottest', 'felt'],
  core: observationKinds.filter((k) => k !== 'volts'),
  bay: ['temperature', 'hottest', 'rise', 'fall', 'share', 'after-run', 'felt'],
}

/** The kinds that can be seen of such a machine. */
export function kindsFor(job: Job): readonly ObservationKind[] {
  if (job.trailer) return kindsOf.trailer
  return kindsOf[job.cooling ? 'core' : 'bay']
}

export const worksFor = (job: Job): Work[] =>
  job.trailer ? ['alone', 'towed', 'charger'] : ['idle', 'slow', 'heavy', 'speed', 'off']

const usualHow: Readonly<Record<ObservationKind, Observation['how']>> = {
  'warm-up': 'by a watch',
  rise: 'by a watch',
  fall: 'by a watch',
  boiled: 'remembered',
  hottest: 'by its gauge',
  temperature: 'by a thermometer',
  outlet: 'by a thermometer',
  share: 'by a watch',
  'after-run': 'by a watch',
  volts: 'by a meter',
  felt: 'by hand',
}

/** A note begun: of a kind, or from what the tool proposes to look at. */
export function begun(job: Job, from: Look | null): Noting {
  const kind = from && from.kind !== 'reading' ? from.kind : kindsFor(job)[0]!
  return {
    kind,
    state: job.signature || job.proofs.length ? 'as fitted' : 'as it came',
    place: '',
    work: from?.work ?? worksFor(job)[0]!,
    airC: job.surroundings.usualC.value,
    fromC: from?.fromC ?? null,
    toC: from?.toC ?? null,
    forS: from?.forS ?? null,
    seen: null,
    how: usualHow[kind],
    typed: '',
    missed: false,
  }
}

/** The same of another kind: circumstances stay, what was seen goes. */
export const ofKind = (note: Noting, kind: ObservationKind): Noting => ({
  ...note,
  kind,
  how: usualHow[kind],
  seen: null,
  missed: false,
})

/** as much of what was typed as an observation keeps */
const MOST_TYPED = 80

/** The observation that a note comes to; or what is still wrong with it, in words. */
export function observationFrom(
  { missed, airC, ...rest }: Noting,
  at: Date,
): Omit<Observation, 'id'> | { readonly trouble: string } {
  const seen = missed ? null : rest.seen
  // what boiled was watched until it did, where nobody says for how long
  const forS = rest.forS ?? (rest.kind === 'boiled' ? seen : null)
  const wrong = observationTrouble({ ...rest, seen, forS, airC })
  if (wrong || airC === null) return { trouble: wrong?.words ?? say`say how warm the air was` }
  return {
    ...rest,
    typed: rest.typed.slice(0, MOST_TYPED),
    seen,
    forS,
    airC,
    at: at.toISOString(),
    by: '',
    spread: null,
    doubted: false,
  }
}

const isNoting = (value: unknown): value is Noting => {
  const v = value as Partial<Noting> | null
  const number = (x: unknown): boolean => x === null || typeof x === 'number'
  return (
    typeof v === 'object' &&
    v !== null &&
    observationKinds.some((k) => k === v.kind) &&
    works.some((w) => w === v.work) &&
    seenStates.some((s) => s === v.state) &&
    seenHow.some((h) => h === v.how) &&
    [v.airC, v.fromC, v.toC, v.forS, v.seen].every(number) &&
    typeof v.missed === 'boolean' &&
    typeof v.typed === 'string' &&
    typeof v.place === 'string'
  )
}

/** A note as it was kept; null where there is none, or none that can be read. */
export function readNoting(text: string | null): Noting | null {
  try {
    const value: unknown = text === null ? null : JSON.parse(text)
    return isNoting(value) ? value : null
  } catch {
    return null
  }
}
