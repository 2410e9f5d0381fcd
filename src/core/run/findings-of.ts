import { type Day, type Job, lookupOf } from '../job'
import { CORE_VERSION, type Effect, type Findings, type Look, type OutcomeName } from '../margins'
import { Bench, drawSample, DRAWS, type Ends, endsAt, informedLookup, NotingBench, type Weighing } from '../reading'
import { dayOf } from './days'
import { type Outcomes, outcomesOf } from './outcomes-of'
import { runKey } from './run-key'
import { runWaitsFor } from './circumstances'

/** changes below these are noise of the steps */
const TELLS: Readonly<Record<string, number>> = { peak: 0.02, starts: 0.05, share: 0.002, after: 0.5 }
const tells = (name: OutcomeName, delta: number): boolean => Math.abs(delta) > TELLS[name.split(/[, ]/)[0]!]!

/** how many draws are run before a worker listens again */
const AT_ONCE = 8

/** as many digits as anything is told with, and two to spare */
const brief = (x: number): number => Number(x.toPrecision(7))

/** What came of the runs so far. */
class Gathered {
  readonly names: readonly OutcomeName[]
  readonly effects: ReadonlyMap<OutcomeName, Effect[]>
  readonly draws: ReadonlyMap<OutcomeName, number[]>
  private readonly least: Outcomes
  private readonly most: Outcomes

  constructor(readonly nominal: Outcomes) {
    this.names = Object.keys(nominal) as OutcomeName[]
    this.effects = new Map(this.names.map((n) => [n, []]))
    this.draws = new Map(this.names.map((n) => [n, []]))
    this.least = { ...nominal }
    this.most = { ...nominal }
  }

  /** notes what a run at moved readings came to, as ends of what can be */
  pass(found: Outcomes): Outcomes {
    for (const n of this.names) {
      this.least[n] = Math.min(this.least[n]!, found[n] ?? this.nominal[n]!)
      this.most[n] = Math.max(this.most[n]!, found[n] ?? this.nominal[n]!)
    }
    return found
  }

  /** notes what a reading's two ends do to each outcome */
  moves({ address, low, value, high }: Ends, atLow: Outcomes, atHigh: Outcomes): void {
    for (const n of this.names) {
      const [down, up] = [atLow[n]! - this.nominal[n]!, atHigh[n]! - this.nominal[n]!]
      if (tells(n, down) || tells(n, up))
        this.effects.get(n)!.push({ address, low, value, high, atLow: down, atHigh: up })
    }
  }

  /** all readings together, to the ends that raise (or lower) an outcome more */
  corner(name: OutcomeName, sign: 1 | -1): Map<string, number> {
    return new Map(
      this.effects.get(name)!.flatMap((e): [string, number][] => {
        const [down, up] = [sign * e.atLow, sign * e.atHigh]
        if (down > up && down > 0) return [[e.address, e.low]]
        return up > 0 ? [[e.address, e.high]] : []
      }),
    )
  }

  draw(found: Outcomes | null): void {
    for (const n of this.names) this.draws.get(n)!.push(found?.[n] ?? this.nominal[n]!)
  }

  outcomes(settled: boolean): Findings['outcomes'] {
    return Object.fromEntries(
      this.names.map((n) => [
        n,
        {
          value: this.nominal[n]!,
          least: this.least[n]!,
          most: this.most[n]!,
          effects: this.effects.get(n)!,
          draws: settled ? this.draws.get(n)!.map(brief) : [],
        },
      ]),
    )
  }
}

/** Findings of a job that say nothing of a run. */
export const withoutRun = (job: Job, at: string, evidence: Weighing | null): Findings => ({
  key: runKey(job),
  coreVersion: CORE_VERSION,
  at,
  day: '',
  settled: true,
  outcomes: {},
  evidence,
  next: [],
})

export interface FindingsStep {
  readonly findings: Findings
  readonly done: number
  readonly of: number
}

/** draws that count for less than this say nothing of any chance that is told */
const NOTHING = 1e-6

/** What some of the draws come to; null for those that what was seen leaves no weight. */
function outcomesOfDraws(
  job: Job,
  day: Day,
  addresses: readonly string[],
  weighing: Weighing | null,
  [from, to]: readonly [number, number],
): (Outcomes | null)[] {
  const lookup = lookupOf(job)
  const { drawn, weights } = drawSample(lookup, addresses, weighing)
  return Array.from({ length: to - from }, (_, i) => {
    const k = from + i
    if (weights.length && weights[k]! < NOTHING) return null
    return outcomesOf(new Bench(lookup, new Map([...drawn].map(([a, values]) => [a, values[k]!]))), job, day)
  })
}

/**
 * What a job's runs come to: first with the readings as they stand and as what was seen has them, then with each
 * reading at both ends of its spread, then at draws of all of them. Between the yields a worker may listen; the last
 * value is settled.
 * @param at when, ISO
 * @param evidence what was seen, weighed
 * @throws StiffError, TypeError as simulate
 * @see engineering §0, margins.md
 */
export function* findingsOf(job: Job, at: string, evidence: Weighing | null = null): Generator<FindingsStep> {
  const plain = lookupOf(job)
  const lookup = informedLookup(plain, evidence)
  const day = dayOf(job)
  const noting = new NotingBench(lookup)
  const got = new Gathered(outcomesOf(noting, job, day))
  const { names, nominal } = got
  const pass = (moved: ReadonlyMap<string, number>): Outcomes =>
    got.pass(outcomesOf(new Bench(lookup, moved), job, day))
  const findings = (settled: boolean, next: readonly Look[] = []): Findings => ({
    ...withoutRun(job, at, evidence),
    day: day.name,
    settled,
    outcomes: got.outcomes(settled),
    next: [...next],
  })
  const ends = endsAt(lookup, noting.touched)
  const of = 1 + 2 * ends.length + 2 * names.length + DRAWS
  let done = 1
  yield { findings: findings(false), done, of }
  for (const e of ends) {
    const atEnd = (x: number): Outcomes => (x === e.value ? nominal : pass(new Map([[e.address, x]])))
    got.moves(e, atEnd(e.low), atEnd(e.high))
    yield { findings: findings(false), done: (done += 2), of }
  }
  for (const n of names) {
    for (const sign of [1, -1] as const) {
      const moved: ReadonlyMap<string, number> = got.corner(n, sign)
      if (moved.size > 1) pass(moved)
    }
    yield { findings: findings(false), done: (done += 2), of }
  }
  const addresses = ends.map((e) => e.address)
  for (let k = 0; k < DRAWS; k += AT_ONCE) {
    for (const found of outcomesOfDraws(job, day, addresses, evidence, [k, k + AT_ONCE])) got.draw(found)
    yield { findings: findings(k + AT_ONCE === DRAWS), done: (done += AT_ONCE), of }
  }
}

/** All of {@link findingsOf} at once; null where no run can be made. */
export function settledFindings(job: Job, at: string, evidence: Weighing | null = null): Findings | null {
  if (runWaitsFor(job)) return null
  let last: Findings | null = null
  for (const { findings } of findingsOf(job, at, evidence)) last = findings
  return last
}
