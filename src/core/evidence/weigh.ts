import { type Job, lookupOf } from '../job'
import {
  bandOf,
  DRAWS,
  drawSample,
  effectiveNumber,
  type Ends,
  endsAt,
  type Lookup,
  triangularDensity,
  type WeighedReading,
  type Weighing,
} from '../reading'
import { type Asked, askedOf } from './asked'
import { contradictionIn } from './contradiction'
import { connectedIn, informedOf, movesWith, proposalOf } from './readings'
import { farOff, outOfReach, type Round, TOO_FAR, TOO_FEW, weightsOf } from './round'
import { heatsOf } from './heat'
import type { Prediction } from './predict'
import { apartBecause, COMPLAINT, complaintApart, complaintSeen, countingIn, type Seen } from './seen'

/** below so many draws that count, draws are made anew about where they must lie, so many times at most */
const ENOUGH = 60
const ROUNDS = 3

/** Readings that move what was predicted by themselves: not the length of a lead, whatever its draws happen to be. */
const movingIn = (asked: readonly Asked[], ends: readonly Ends[]): ReadonlySet<string> =>
  new Set(
    asked.flatMap((a) => {
      const nominal = a.at(new Map())
      return ends.filter((e) => a.touched.includes(e.address) && movesWith(e, a, nominal)).map((e) => e.address)
    }),
  )

const all = (): boolean => true

/** The power below 1 at which enough draws count to tell where new ones must lie. */
function softened(round: Round, seen: readonly Seen[]): number[] {
  let [low, high] = [0, 1]
  for (let n = 0; n < 20; n++) {
    const mid = (low + high) / 2
    if (effectiveNumber(weightsOf(round, seen, all, mid)) > ENOUGH / 2) low = mid
    else high = mid
  }
  return weightsOf(round, seen, all, low)
}

export interface WeighStep {
  /** null until it is done, and where there is nothing to weigh; before that perhaps once what the first draws tell */
  readonly weighing: Weighing | null
  readonly done: number
  readonly of: number
}

/** how many draws are predicted before a worker listens again */
const AT_ONCE = 16

/** Draws machines and predicts what each would have shown; the yields are draws that are done. */
function* roundOf(
  lookup: Lookup,
  asked: readonly Asked[],
  addresses: readonly string[],
  anew: readonly WeighedReading[],
  priors: ReadonlyMap<string, Ends>,
): Generator<number, Round> {
  const { drawn } = drawSample(lookup, addresses, { ...NOTHING, drawnFrom: [...anew] })
  const predicted: Prediction[][] = asked.map(() => [])
  const logPrior = new Float64Array(DRAWS)
  for (let k = 0; k < DRAWS; k++) {
    const moved = new Map([...drawn].map(([address, values]) => [address, values[k]!]))
    asked.forEach((a, j) => predicted[j]!.push(a.at(moved)))
    for (const { address, low, value, high } of anew) {
      const x = moved.get(address)!
      const prior = priors.get(address)!
      logPrior[k]! +=
        Math.log(Math.max(1e-12, triangularDensity(x, prior.low, prior.value, prior.high))) -
        Math.log(Math.max(1e-12, triangularDensity(x, low, value, high)))
    }
    if (k % AT_ONCE === AT_ONCE - 1) yield AT_ONCE
  }
  return { drawn, predicted, logPrior }
}

const NOTHING: Weighing = {
  weights: [],
  effective: DRAWS,
  drawnFrom: [],
  informed: [],
  seen: [],
  heat: [],
  contradiction: null,
}

/** What lies apart, each with the reason. */
function apartIn(job: Job): Weighing['seen'] {
  const none = { predicted: null, after: null, agrees: true } as const
  const why = complaintApart(job)
  const complaint = why === null ? null : complaintSeen(job)
  return [
    ...(complaint ? [{ ...none, id: COMPLAINT, seen: complaint.seen, apart: why }] : []),
    ...job.observations.flatMap((o) => {
      const apart = apartBecause(job, o)
      return apart === null ? [] : [{ ...none, id: o.id, seen: o.seen, apart }]
    }),
  ]
}

/** What one attempt starts from: readings that are asked, and how far each may lie. */
interface Ground {
  readonly job: Job
  readonly lookup: Lookup
  readonly seen: readonly Seen[]
  readonly apart: Weighing['seen']
  readonly asked: readonly Asked[]
  readonly ends: ReadonlyMap<string, Ends>
  /** as the ends, but for guesses that what was seen overrules */
  readonly priors: ReadonlyMap<string, Ends>
}

/** a guess may lie so many times further out than its spread where nothing else agrees with what was seen */
const GUESS_BEYOND = 3

/** The same with guesses let lie further out; null where there is no guess that matters. */
function overruled(ground: Ground, connected: ReadonlySet<string>): Ground | null {
  const { lookup, ends } = ground
  const wider = [...ends.values()]
    .filter((e) => connected.has(e.address) && lookup(e.address).reading.source === 'typical')
    .map((e) => {
      const { limits } = lookup(e.address)
      return {
        ...e,
        low: Math.max(limits.min, e.value - GUESS_BEYOND * (e.value - e.low)),
        high: Math.min(limits.max, e.value + GUESS_BEYOND * (e.high - e.value)),
      }
    })
  return wider.length ? { ...ground, priors: new Map([...ends, ...wider.map((e) => [e.address, e] as const)]) } : null
}

/** Readings whose prior is not their own spread are drawn from it from the start. */
const drawnAtFirst = ({ ends, priors }: Ground): WeighedReading[] =>
  [...ends.values()].flatMap(({ address, ...was }) => {
    const prior = priors.get(address)!
    const { low, value, high } = prior
    return low === was.low && high === was.high ? [] : [{ address, was, low, value, high }]
  })

interface Attempted {
  readonly weighing: Weighing
  readonly connected: ReadonlySet<string>
}

function* attempt(ground: Ground, known: ReadonlySet<string> | null): Generator<WeighStep, Attempted> {
  const { lookup, seen, asked, ends, priors } = ground
  let done = 0
  const of = DRAWS * (1 + ROUNDS)
  let anew: readonly WeighedReading[] = drawnAtFirst(ground)
  let first: Round | null = null
  let connected = known
  for (let n = 0; ; n++) {
    const steps = roundOf(lookup, asked, [...ends.keys()], anew, priors)
    let step = steps.next()
    for (; !step.done; step = steps.next()) yield { weighing: null, done: (done += step.value), of }
    const round = step.value
    first ??= round
    connected ??= connectedIn(round, movingIn(asked, [...ends.values()]))
    const weights = weightsOf(round, seen, all)
    const effective = effectiveNumber(weights)
    const weighing = (): Weighing =>
      told({ ...ground, round, first: first!, weights, effective, anew, connected: connected! })
    if (effective >= ENOUGH || n === ROUNDS || outOfReach(round, seen)) return { weighing: weighing(), connected }
    // what the first draws tell is told at once, where it is enough to be told at all
    if (n === 0 && effective >= TOO_FEW && known === null) {
      const soFar = weighing()
      if (!soFar.contradiction) yield { weighing: soFar, done, of }
    }
    const soft = effective >= ENOUGH / 2 ? weights : softened(round, seen)
    anew = [...ends.values()].flatMap((e) => {
      if (!connected!.has(e.address)) return []
      const values = round.drawn.get(e.address)!
      const tells = informedOf(e, values, soft) !== null || anew.some((a) => a.address === e.address)
      return tells ? [proposalOf(e, priors.get(e.address)!, values, soft)] : []
    })
  }
}

/**
 * Weighs what was seen against the readings: 256 machines drawn from their spreads, each with what it would have shown,
 * weighted by how likely it makes what was seen. Where too few count, draws are made anew about where they must lie;
 * what was seen wins over a guess, not over what was measured or printed.
 * @throws StiffError where its readings cannot belong to one machine
 * @see engineering §0, evidence
 */
export function* weigh(job: Job): Generator<WeighStep> {
  const lookup = lookupOf(job)
  const seen = countingIn(job)
  const apart = apartIn(job)
  if (!seen.length) {
    yield { weighing: apart.length ? { ...NOTHING, seen: apart } : null, done: 1, of: 1 }
    return
  }
  const asked = seen.map((s) => askedOf(job, s))
  const ends = new Map(endsAt(lookup, [...new Set(asked.flatMap((a) => a.touched))]).map((e) => [e.address, e]))
  const ground: Ground = { job, lookup, seen, apart, asked, ends, priors: ends }
  const { weighing, connected } = yield* attempt(ground, null)
  const further = weighing.contradiction ? overruled(ground, connected) : null
  const second = further ? (yield* attempt(further, connected)).weighing : null
  yield { weighing: second && !second.contradiction ? second : weighing, done: 1, of: 1 }
}

/** What the last round of an attempt comes to. */
interface Told extends Ground {
  readonly round: Round
  readonly first: Round
  readonly weights: readonly number[]
  readonly effective: number
  readonly anew: readonly WeighedReading[]
  readonly connected: ReadonlySet<string>
}

function told({
  job,
  lookup,
  seen,
  asked,
  apart,
  round,
  first,
  weights,
  effective,
  anew,
  ends,
  connected,
}: Told): Weighing {
  const before = weightsOf({ ...first, logPrior: new Float64Array(DRAWS) }, seen, () => false)
  const far = seen.map((s, j) => farOff(round.predicted[j]!, s, weights))
  // few draws that all agree with it are a narrow truth; few that do not are none
  const most = effective < TOO_FEW ? TOO_FAR / 2 : TOO_FAR
  // what is no figure is not near
  const broken = far.some((f) => !(f <= most))
  const results = seen.map((s, j) => ({
    id: s.id,
    predicted: bandOf(
      first.predicted[j]!.map((p) => p.value),
      before,
    ),
    after: broken
      ? null
      : bandOf(
          round.predicted[j]!.map((p) => p.value),
          weights,
        ),
    seen: s.seen,
    agrees: far[j]! <= TOO_FAR,
    apart: null,
  }))
  if (broken)
    return {
      ...NOTHING,
      effective,
      seen: [...results, ...apart],
      contradiction: contradictionIn(
        lookup,
        asked,
        first,
        [...ends.values()].filter((e) => connected.has(e.address)),
      ),
    }
  return {
    weights: weights.map((w) => Number(w.toPrecision(6))),
    effective,
    drawnFrom: [...anew],
    informed: [...ends.values()].flatMap((e) =>
      connected.has(e.address) ? (informedOf(e, round.drawn.get(e.address)!, weights) ?? []) : [],
    ),
    seen: [...results, ...apart],
    heat: heatsOf(job, seen, [first, before], [round, weights]),
    contradiction: null,
  }
}

/** All of {@link weigh} at once; null where nothing was seen. */
export function weighed(job: Job): Weighing | null {
  let last: Weighing | null = null
  for (const { weighing } of weigh(job)) last = weighing ?? last
  return last
}
