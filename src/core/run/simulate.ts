import { type Day, type Job, lookupOf, type Work } from '../job'
import { CORE_VERSION, type Effect, type Findings, type OutcomeName, RUN_DRAWS } from '../margins'
import { Bench, drawSample, endsAt, NotingBench } from '../reading'
import { integrate, type Run, type RunOptions } from '../transient'
import { COARSE } from './compared'
import { dayOf } from './days'
import { runKey } from './run-key'
import { type Circumstances, runSpecOf, runWaitsFor, usualCircumstances, withPresentFan } from './run-spec'

/**
 * A job run through a day.
 * @returns null where `progress` gave it up
 * @throws StiffError where its readings cannot belong to one machine; TypeError where {@link runWaitsFor} says why not
 * @see engineering §4
 */
export function simulate(
  job: Job,
  circumstances: Circumstances = usualCircumstances,
  { day, ...options }: RunOptions & { readonly day?: Day | undefined } = {},
): Run | null {
  const meant = circumstances.fan === 'present' ? (withPresentFan(job) ?? job) : job
  return integrate(runSpecOf(new Bench(lookupOf(meant)), meant, circumstances, day ?? dayOf(job)), options)
}

/** which state of Power a kind of work belongs to */
const stateOf: Readonly<Partial<Record<Work, OutcomeName>>> = {
  idle: 'share, idle',
  slow: 'share, slow work',
  heavy: 'share, slow work',
  speed: 'share, cruise',
  towed: 'share, towed',
  charger: 'share, on its charger',
  alone: 'share, standing alone',
}

/** a fan that still runs at the end of the day is followed so much longer, s: a weekend */
const LONGEST_AFTER_S = 172_800

/** legs shorter than this say nothing about how often a fan starts, s */
const LEAST_S = 300
type Outcomes = Partial<Record<OutcomeName, number>>

/** The outcomes of one pass: the day on the hottest and on the coldest day. */
function outcomesOf(bench: Bench, job: Job, day: Day): Outcomes {
  const run = (season: 'hottest' | 'coldest'): Run =>
    integrate(runSpecOf(bench, job, { season, fan: 'proposed', whatIf: 'as it is' }, day), {
      ...COARSE,
      goOnS: LONGEST_AFTER_S,
    })!
  const [hot, cold] = [run('hottest'), run('coldest')]
  const found: Outcomes = { 'peak, hottest': hot.peakC, 'peak, coldest': cold.peakC }
  const perHour = [...hot.legs, ...cold.legs]
    .filter((l) => l.leg.running && l.leg.seconds >= LEAST_S)
    .map((l) => (3600 * l.starts) / l.leg.seconds)
  found.starts = perHour.length ? Math.max(...perHour) : 0
  const time = new Map<OutcomeName, { fan: number; all: number }>()
  hot.legs.forEach((l, i) => {
    const name = stateOf[day.legs[i]!.work]
    if (!name) return
    const t = time.get(name) ?? { fan: 0, all: 0 }
    time.set(name, { fan: t.fan + l.dutyS, all: t.all + l.leg.seconds })
  })
  for (const [name, { fan, all }] of time) if (all > 0) found[name] = fan / all
  if (hot.after && job.use.live !== 'key only') found['after switch-off'] = hot.after.seconds
  return found
}

/** changes below these are noise of the steps */
const TELLS: Readonly<Record<string, number>> = { peak: 0.02, starts: 0.05, share: 0.002, after: 0.5 }
const tells = (name: OutcomeName, delta: number): boolean => Math.abs(delta) > TELLS[name.split(/[, ]/)[0]!]!

/**
 * What a job's runs come to: first with the readings as they stand, then with each reading at both ends of its spread.
 * Between the yields a worker may listen; the last value is settled.
 * @param at when, ISO
 * @throws StiffError, TypeError as {@link simulate}
 * @see engineering §0, margins.md
 */
export function* findingsOf(
  job: Job,
  at: string,
): Generator<{ readonly findings: Findings; readonly done: number; readonly of: number }> {
  const lookup = lookupOf(job)
  const day = dayOf(job)
  const noting = new NotingBench(lookup)
  const nominal = outcomesOf(noting, job, day)
  const names = Object.keys(nominal) as OutcomeName[]
  const effects = new Map<OutcomeName, Effect[]>(names.map((n) => [n, []]))
  const draws = new Map<OutcomeName, number[]>(names.map((n) => [n, []]))
  const least: Outcomes = { ...nominal }
  const most: Outcomes = { ...nominal }
  const pass = (moved: ReadonlyMap<string, number>): Outcomes => {
    const found = outcomesOf(new Bench(lookup, moved), job, day)
    for (const n of names) {
      least[n] = Math.min(least[n]!, found[n] ?? nominal[n]!)
      most[n] = Math.max(most[n]!, found[n] ?? nominal[n]!)
    }
    return found
  }
  const findings = (settled: boolean): Findings => ({
    key: runKey(job),
    coreVersion: CORE_VERSION,
    at,
    day: day.name,
    settled,
    outcomes: Object.fromEntries(
      names.map((n) => [
        n,
        {
          value: nominal[n]!,
          least: least[n]!,
          most: most[n]!,
          effects: effects.get(n)!,
          draws: settled ? draws.get(n)! : [],
        },
      ]),
    ),
  })
  const ends = endsAt(lookup, noting.touched)
  const of = 1 + 2 * ends.length + 2 * names.length + RUN_DRAWS
  yield { findings: findings(false), done: 1, of }
  for (const [i, { address, low, value, high }] of ends.entries()) {
    const at1 = (x: number): Outcomes => (x === value ? nominal : pass(new Map([[address, x]])))
    const [atLow, atHigh] = [at1(low), at1(high)]
    for (const n of names) {
      const [down, up] = [atLow[n]! - nominal[n]!, atHigh[n]! - nominal[n]!]
      if (tells(n, down) || tells(n, up)) effects.get(n)!.push({ address, low, value, high, atLow: down, atHigh: up })
    }
    yield { findings: findings(false), done: 3 + 2 * i, of }
  }
  // all together, to the ends that raise or lower each outcome more
  for (const [i, n] of names.entries()) {
    for (const sign of [1, -1]) {
      const moved = new Map(
        effects.get(n)!.flatMap((e): [string, number][] => {
          const [down, up] = [sign * e.atLow, sign * e.atHigh]
          return down > up && down > 0 ? [[e.address, e.low]] : up > 0 ? [[e.address, e.high]] : []
        }),
      )
      if (moved.size > 1) pass(moved)
    }
    yield { findings: findings(false), done: 1 + 2 * ends.length + 2 * (i + 1), of }
  }
  const { drawn } = drawSample(
    lookup,
    ends.map((e) => e.address),
    RUN_DRAWS,
  )
  for (let k = 0; k < RUN_DRAWS; k++) {
    const found = outcomesOf(
      new Bench(lookup, new Map([...drawn].map(([address, values]) => [address, values[k]!]))),
      job,
      day,
    )
    for (const n of names) draws.get(n)!.push(found[n] ?? nominal[n]!)
    yield { findings: findings(k === RUN_DRAWS - 1), done: of - RUN_DRAWS + k + 1, of }
  }
}

/** All of {@link findingsOf} at once; null where no run can be made. */
export function settledFindings(job: Job, at: string): Findings | null {
  if (runWaitsFor(job)) return null
  let last: Findings | null = null
  for (const { findings } of findingsOf(job, at)) last = findings
  return last
}
