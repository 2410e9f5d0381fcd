import { circuitsOf } from '../fan-circuit'
import { type Job, lookupOf, observationFigures } from '../job'
import { atTheBench, drawnMargins, type Findings, isGuard, type Look, verdictFromDraws } from '../margins'
import {
  Bench,
  drawSample,
  DRAWS,
  effectiveNumber,
  endsAt,
  NotingBench,
  quantileOf,
  type Sample,
  triangularQuantile,
} from '../reading'
import type { Quantity } from '../units'
import { jobWhen, predict } from './predict'
import { type Seen, sigmaOf } from './seen'

const BINS = 8
/** every so many draws a candidate is predicted */
const EACH = 2
const MOST = 3
/** less than this share of the doubt taken away is not worth an errand */
const WORTH = 0.06
/** three times what eight bins of unconnected draws seem to take away: so many of these over the draws that count */
const CHANCE = 3 * Math.sqrt(2 * (BINS - 1))

/** minutes that a reading takes at the bench, by what it measures (estimates) */
const minutesFor: Readonly<Partial<Record<Quantity, number>>> = {
  length: 3,
  temperature: 6,
  current: 5,
  voltage: 2,
  engineSpeed: 3,
  volume: 15,
  pressure: 2,
  count: 3,
  speed: 8,
  mass: 12,
  opening: 5,
  flow: 10,
  power: 3,
}
const USUAL_MINUTES = 6
/** minutes besides the watch itself: starting, cooling back, noting down (estimate) */
const BESIDES = 4

/** How far the work on the machine has come, and so what can be looked at now. */
type Stand = 'as it came' | 'in pieces' | 'as fitted'
function standOf(job: Job): Stand {
  if (job.signature || job.proofs.length) return 'as fitted'
  return job.build.done.length ? 'in pieces' : 'as it came'
}

const template: Omit<Seen, 'id' | 'kind' | 'state' | 'work' | 'airC'> = {
  fromC: null,
  toC: null,
  forS: null,
  seen: null,
  how: 'by a watch',
  spread: null,
}

/** What can be seen of this machine as it stands, not seen yet. */
export function candidatesFor(job: Job): Seen[] {
  const state = standOf(job)
  if (state === 'in pieces') return []
  const airC = job.surroundings.usualC.value
  const common = { ...template, state, airC }
  const opens = job.engine?.thermostatOpensC?.value ?? null
  const thermometer = { how: 'by a thermometer' as const }
  const all: Omit<Seen, 'id'>[] = []
  if (job.trailer)
    all.push(
      { ...common, ...thermometer, kind: 'temperature', work: 'alone', forS: 3600 },
      { ...common, how: 'by a meter', kind: 'volts', work: 'alone', forS: 4 * 3600 },
    )
  else if (job.bay)
    all.push(
      { ...common, ...thermometer, kind: 'temperature', work: 'slow', forS: 2400 },
      { ...common, ...thermometer, kind: 'temperature', work: 'idle', forS: 1200 },
    )
  else if (job.engine) {
    const warm = opens ?? 80
    all.push(
      { ...common, kind: 'warm-up', work: 'idle', toC: warm },
      { ...common, kind: 'rise', work: 'idle', fromC: warm + 2, toC: warm + 12 },
      { ...common, kind: 'rise', work: 'slow', fromC: warm + 4, toC: warm + 16 },
      { ...common, how: 'by its gauge', kind: 'hottest', work: 'slow', forS: 1200 },
      { ...common, ...thermometer, kind: 'outlet', work: 'idle', forS: 900 },
    )
    if (state === 'as fitted' && circuitsOf(job).some((c) => c.fan))
      all.push(
        { ...common, kind: 'fall', work: 'idle', fromC: warm + 15, toC: warm + 5 },
        { ...common, kind: 'share', work: 'slow', forS: 1200 },
      )
  }
  return all
    .filter((c) => !job.observations.some((o) => o.kind === c.kind && o.work === c.work && o.state === c.state))
    .map((c) => ({ ...c, id: `${c.kind} ${c.work}` }))
}

/** A margin in doubt: whether each draw is short, by its weight. */
interface Doubt {
  readonly id: string
  readonly short: Uint8Array
  readonly weights: Float64Array
  readonly p: number
  readonly drawn: Sample
  readonly touched: readonly string[]
}

/** surer than that, one way or the other, a margin is in no doubt */
const SURE = 0.05

/** Every judgement that is in doubt: unsure, or short and perhaps not. */
function doubtsOf(job: Job, findings: Findings): Doubt[] {
  return drawnMargins(job, findings).flatMap(({ margin, drawn, parts, x }): Doubt[] => {
    if (!x || isGuard(margin.id)) return []
    const weights = Float64Array.from(x, (_, i) => (drawn.weights.length ? drawn.weights[i]! : 1 / x.length))
    const short = Uint8Array.from(x, (v) => (v < 0 || Number.isNaN(v) ? 1 : 0))
    const p = short.reduce((s, v, i) => s + v * weights[i]!, 0)
    const touched = [...new Set(parts.filter((q) => q.part.warns === undefined).flatMap((q) => q.touched))]
    return p > SURE && p < 1 - SURE ? [{ id: margin.id, short, weights, p, drawn, touched }] : []
  })
}

interface Worth {
  /** share of the doubt that it takes away */
  readonly share: number
  /** of a hundred cases, in how many the margin is settled then */
  readonly settles: number
}

/**
 * What knowing a figure would take of a margin's doubt: its draws in eight bins of equal weight, the chance short in
 * each.
 * @see engineering §0, evidence
 */
export function worthOf(values: ArrayLike<number>, short: ArrayLike<number>, weights: ArrayLike<number>): Worth {
  const order = Array.from({ length: values.length }, (_, i) => i).sort((a, b) => values[a]! - values[b]!)
  const total = order.reduce((s, i) => s + weights[i]!, 0)
  const bins = Array.from({ length: BINS }, () => ({ weight: 0, short: 0, squares: 0 }))
  let sum = 0
  for (const i of order) {
    const bin = bins[Math.min(BINS - 1, Math.floor((BINS * (sum + weights[i]! / 2)) / total))]!
    sum += weights[i]!
    bin.weight += weights[i]! / total
    bin.short += (short[i]! * weights[i]!) / total
    bin.squares += (weights[i]! / total) ** 2
  }
  const p = bins.reduce((s, b) => s + b.short, 0)
  const now = p * (1 - p)
  // few draws in a bin agree by chance alone: so much of what they seem to tell is taken off again
  const then = bins.reduce((s, b) => {
    if (b.weight <= 0) return s
    const q = b.short / b.weight
    const many = b.weight ** 2 / b.squares
    return s + b.weight * q * (1 - q) * (many > 1 ? many / (many - 1) : 1)
  }, 0)
  const settled = bins.reduce((s, b) => {
    const q = b.weight > 0 ? b.short / b.weight : 0
    return s + (b.weight > 0 && verdictFromDraws(q) !== 'unsure' ? b.weight : 0)
  }, 0)
  return { share: now > 0 ? Math.max(0, 1 - then / now) : 0, settles: Math.round(100 * settled) }
}

const finite = (x: number): number | null => (Number.isFinite(x) ? x : null)
const bandOf = (values: readonly number[], weights: readonly number[]): Look['predicted'] => [
  finite(quantileOf(values, weights, 0.05)),
  finite(quantileOf(values, weights, 0.5)),
  finite(quantileOf(values, weights, 0.95)),
]

/** What it would show with its own error in it, as draws: the same for the same job. */
function withNoise(values: readonly number[], seen: Seen): number[] {
  const sigma = sigmaOf(seen)
  const relative = observationFigures[seen.kind] === 'afterS' || observationFigures[seen.kind] === 'share'
  return values.map((v, i) => {
    const e = triangularQuantile(((i * 89) % values.length) / values.length, -2.45 * sigma, 0, 2.45 * sigma)
    return relative ? v * Math.exp(e) : v + e
  })
}

/** Whether a share of the doubt is more than so few draws show by chance. */
const isWorth = (share: number, weights: ArrayLike<number>): boolean =>
  share > Math.max(WORTH, CHANCE / effectiveNumber(weights))

type Weighed = Look & {
  /** doubt taken away in a minute; 0 where it is no more than chance */
  readonly worth: number
}

/** The doubt that a figure takes most of. */
function bestOf(
  doubts: readonly Doubt[],
  values: readonly number[],
  picked: readonly number[],
  minutes: number,
): Pick<Weighed, 'margin' | 'share' | 'settles' | 'worth'> {
  const all = doubts.map((d) => {
    const weights = picked.map((k) => d.weights[k]!)
    const { share, settles } = worthOf(
      values,
      picked.map((k) => d.short[k]!),
      weights,
    )
    const taken = isWorth(share, weights) ? share * d.p * (1 - d.p) : 0
    return { margin: d.id, share, settles, worth: taken / minutes }
  })
  return all.reduce((a, b) => (b.worth > a.worth ? b : a))
}

function lookAt(job: Job, seen: Seen, doubts: readonly Doubt[], findings: Findings): Weighed {
  const then = jobWhen(job, seen)
  const lookup = lookupOf(then)
  const noting = new NotingBench(lookup)
  predict(noting, then, seen)
  const shared = noting.touched.filter((a) => !a.startsWith('fans.'))
  const { drawn, weights } = drawSample(lookupOf(job), shared, findings.evidence)
  const picked = Array.from({ length: DRAWS / EACH }, (_, i) => EACH * i)
  const values = picked.map((k) => {
    const moved = new Map([...drawn].map(([address, list]) => [address, list[k]!]))
    const p = predict(new Bench(lookup, moved), then, seen)
    return Number.isFinite(p.value) ? p.value : 1.5 * p.horizonS
  })
  const own = picked.map((k) => (weights.length ? weights[k]! : 1))
  const total = own.reduce((a, b) => a + b, 0)
  const predicted = bandOf(
    values,
    own.map((w) => w / total),
  )
  const watch = observationFigures[seen.kind] === 'afterS' ? (predicted[1] ?? 2700) : (seen.forS ?? 0)
  const minutes = Math.round(watch / 60) + BESIDES
  const { kind, work, toC, fromC } = seen
  return {
    kind,
    address: null,
    work,
    toC,
    fromC,
    predicted,
    minutes,
    ...bestOf(doubts, withNoise(values, seen), picked, minutes),
  }
}

const every = Array.from({ length: DRAWS }, (_, i) => i)

function readingLooks(job: Job, doubts: readonly Doubt[]): Weighed[] {
  const lookup = lookupOf(job)
  const addresses = [...new Set(doubts.flatMap((d) => d.touched))].filter(atTheBench)
  return endsAt(lookup, addresses).flatMap(({ address }): Weighed[] => {
    const about = doubts.filter((d) => d.touched.includes(address))
    const [first] = about
    const drawn = first?.drawn.drawn.get(address)
    if (!first || !drawn) return []
    const minutes = minutesFor[lookup(address).quantity] ?? USUAL_MINUTES
    const values = [...drawn]
    return [
      {
        kind: 'reading',
        address,
        work: null,
        toC: null,
        fromC: null,
        predicted: bandOf(values, first.drawn.weights),
        minutes,
        ...bestOf(about, values, every, minutes),
      },
    ]
  })
}

const byWorth = (looks: readonly Weighed[]): Weighed[] =>
  looks.filter((l) => l.worth > 0).sort((a, b) => b.worth - a.worth)

/**
 * What to look at next: of everything that can be seen or measured of the machine as it stands, the three that take most
 * doubt for the minutes they take; something to be seen among them where it takes any.
 * @param findings settled ones of this very job
 * @see engineering §0, evidence
 */
export function nextLooks(job: Job, findings: Findings): Look[] {
  const doubts = doubtsOf(job, findings)
  if (!doubts.length) return []
  const seen = byWorth(candidatesFor(job).map((s) => lookAt(job, s, doubts, findings)))
  const read = byWorth(readingLooks(job, doubts)).slice(0, seen.length ? MOST - 1 : MOST)
  return byWorth([...read, ...seen.slice(0, MOST - read.length)]).map((l) => ({
    kind: l.kind,
    address: l.address,
    work: l.work,
    toC: l.toC,
    fromC: l.fromC,
    predicted: l.predicted,
    minutes: l.minutes,
    margin: l.margin,
    share: l.share,
    settles: l.settles,
  }))
}
