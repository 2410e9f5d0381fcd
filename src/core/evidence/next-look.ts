import { type Job, lookupOf, observationFigures } from '../job'
import { drawnMargins, type Findings, isGuard, type Look } from '../margins'
import { bandOf, drawSample, DRAWS, effectiveNumber, endsAt, type Sample, triangularQuantile } from '../reading'
import type { Quantity } from '../units'
import { askedOf } from './asked'
import { candidatesFor } from './candidates'
import { sigmaOf, type Watched } from './seen'
import { BINS, worthOf } from './worth'

/** every so many draws a candidate is predicted */
const EACH = 2
const MOST = 3
/** a time that is never come to stands this many times beyond what was run */
const NEVER = 1.5
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

/** What it would show with its own error in it, as draws: the same for the same job. */
function withNoise(values: readonly number[], seen: Watched): number[] {
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

interface Weighed {
  readonly look: Look
  /** doubt taken away in a minute; 0 where it is no more than chance */
  readonly worth: number
}

/** The doubt that a figure takes most of. */
function bestOf(
  doubts: readonly Doubt[],
  values: readonly number[],
  picked: readonly number[],
  minutes: number,
): Pick<Look, 'margin' | 'share' | 'settles'> & Pick<Weighed, 'worth'> {
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

/** What is the same of every reading that could be measured. */
const measured = { kind: 'reading', work: null, toC: null, fromC: null, forS: null } as const

function lookAt(job: Job, seen: Watched, doubts: readonly Doubt[], findings: Findings): Weighed {
  const { at, touched } = askedOf(job, seen)
  const { drawn, weights } = drawSample(lookupOf(job), touched, findings.evidence)
  const picked = Array.from({ length: DRAWS / EACH }, (_, i) => EACH * i)
  const values = picked.map((k) => {
    const { value, horizonS } = at(new Map([...drawn].map(([address, list]) => [address, list[k]!])))
    return Number.isFinite(value) ? value : NEVER * horizonS
  })
  const own = picked.map((k) => (weights.length ? weights[k]! : 1))
  const total = own.reduce((a, b) => a + b, 0)
  const predicted = bandOf(
    values,
    own.map((w) => w / total),
  )
  const watched = observationFigures[seen.kind] === 'afterS' ? predicted[1]! : (seen.forS ?? 0)
  const minutes = Math.round(watched / 60) + BESIDES
  const { kind, work, toC, fromC, forS } = seen
  const { worth, ...best } = bestOf(doubts, withNoise(values, seen), picked, minutes)
  return { look: { kind, address: null, work, toC, fromC, forS, predicted, minutes, ...best }, worth }
}

const every = Array.from({ length: DRAWS }, (_, i) => i)

function readingLooks(job: Job, doubts: readonly Doubt[]): Weighed[] {
  const lookup = lookupOf(job)
  const addresses = [...new Set(doubts.flatMap((d) => d.touched))].filter((a) => !lookup(a).seenOnly)
  return endsAt(lookup, addresses).flatMap(({ address }): Weighed[] => {
    const about = doubts.filter((d) => d.touched.includes(address))
    const [first] = about
    const drawn = first?.drawn.drawn.get(address)
    if (!first || !drawn) return []
    const minutes = minutesFor[lookup(address).quantity] ?? USUAL_MINUTES
    const values = [...drawn]
    const { worth, ...best } = bestOf(about, values, every, minutes)
    const predicted = bandOf(values, first.drawn.weights)
    return [{ look: { ...measured, address, predicted, minutes, ...best }, worth }]
  })
}

const byWorth = (looks: readonly Weighed[]): Weighed[] =>
  looks.filter((l) => l.worth > 0).sort((a, b) => b.worth - a.worth)

/**
 * What to look at next: of everything that can be seen or measured of the machine as it stands, the three that take
 * most doubt for the minutes they take; something to be seen among them where it takes any.
 * @param findings settled ones of this very job
 * @see engineering §0, evidence
 */
export function nextLooks(job: Job, findings: Findings): Look[] {
  const doubts = doubtsOf(job, findings)
  if (!doubts.length) return []
  const seen = byWorth(candidatesFor(job).map((s) => lookAt(job, s, doubts, findings)))
  const read = byWorth(readingLooks(job, doubts)).slice(0, seen.length ? MOST - 1 : MOST)
  return byWorth([...read, ...seen.slice(0, MOST - read.length)]).map(({ look }) => look)
}
