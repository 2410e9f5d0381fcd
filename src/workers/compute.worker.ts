import './words-first'
import { expose } from 'comlink'
import { judgeSchemes, type SchemeJudged } from '../core/advice'
import { areasOf, type Found, fits, pairsOf, standingOf, type Table, tableOf, within, withMore } from '../core/diagnose'
import { informedJob, knownOf } from '../core/evidence'
import { fanFirst } from '../core/fan-circuit'
import type { Job } from '../core/job'
import { type Findings, ranOf, sample, type SampledMargin } from '../core/margins'
import type { Part } from '../core/parts'
import type { Weighing } from '../core/reading'
import {
  type ChartedRuns,
  type Circumstances,
  findingsOf,
  runWaitsFor,
  simulate,
  stopsIn,
  type StopsIn,
  withPresentFan,
} from '../core/run'
import { runView, StiffError, type RunView } from '../core/transient'
import { say } from '../core/words'

/** What is asked: the chart's runs at once, and, where `settle`, the spreads as well. */
export interface RunQuestion {
  readonly job: Job
  /** which fan the chart is looked at from, 0 the first */
  readonly fan: number
  readonly at: string
  /** null: no chart is looked at */ readonly circumstances: Circumstances | null
  readonly quick: boolean
  readonly settle: boolean
  /** what was seen, as it was weighed last */
  readonly evidence: Weighing | null
}
/** What is told while a run is under way; once more when the spreads have been run through. */
export type RunNews =
  | {
      readonly runs: ChartedRuns | null
      /** not while something is dragged */ readonly stops: readonly StopsIn[] | null
      readonly findings: Findings
    }
  | { readonly findings: Findings; readonly settled: true }
  | { readonly share: number }
  | { readonly message: string }

const SAY_MS = 100

/** lets newer questions in */
const breath = (): Promise<void> =>
  new Promise((go) => {
    setTimeout(go)
  })

function charted(job: Job, circumstances: Circumstances, quick: boolean): ChartedRuns {
  const run = (fan: Circumstances['fan']): RunView =>
    runView(simulate(job, { ...circumstances, fan }, quick ? { stepS: 1, everyS: 2 } : { everyS: 1 })!)
  return { proposed: run('proposed'), none: run('none'), present: withPresentFan(job) ? run('present') : null }
}

let newestRun = 0
let newestSearch = 0

/** Drains a generator of shares, letting newer questions in; null where one overtook it. */
async function drained<T>(steps: Generator<number, T>, tell: (share: number) => void, mine: number): Promise<T | null> {
  let said = performance.now()
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    if (performance.now() - said < SAY_MS) continue
    said = performance.now()
    tell(step.value)
    await breath()
    if (mine !== newestSearch) return null
  }
}

/** The runs with the readings as they stand: quick, so that chart and margins follow what is moved. */
function runOnce({ job, fan, at, circumstances, quick, evidence }: RunQuestion, tell: (news: RunNews) => void): void {
  if (runWaitsFor(job)) return
  const first = findingsOf(job, at, evidence).next()
  const drawn = fanFirst(informedJob(job, evidence), fan)
  if (!first.done)
    tell({
      runs: circumstances && charted(drawn, circumstances, quick),
      stops: circumstances && !quick ? stopsIn(drawn) : null,
      findings: first.value.findings,
    })
}

/** What was seen weighed, the spreads run through, what to look at next. */
async function settleAll(question: RunQuestion, tell: (news: RunNews) => void, overtaken: () => boolean) {
  const { job, at } = question
  let said = performance.now()
  let told: Weighing | null = null
  for (const { findings, share } of knownOf(job, at)) {
    if (findings?.settled) return tell({ findings, settled: true })
    // as soon as what was seen is weighed the margins follow it
    if (findings?.evidence && findings.evidence !== told) {
      told = findings.evidence
      const { circumstances, fan, quick } = question
      const drawn = fanFirst(informedJob(job, told), fan)
      tell({ runs: ranOf(findings) && circumstances && charted(drawn, circumstances, quick), stops: null, findings })
    }
    if (performance.now() - said < SAY_MS) continue
    said = performance.now()
    tell({ share })
    await breath()
    if (overtaken()) return
  }
}

/** What a job page has computed beside it, in one worker. Its jobs were read where they came in. */
const compute = {
  /** Chances, and what to measure next. */
  sample: (job: Job, run: Findings | null): SampledMargin[] => sample(job, run),

  /** Every way of wiring it, judged. */
  judge: (job: Job, shelf: readonly Part[]): readonly SchemeJudged[] => judgeSchemes(job, shelf),

  /** What may be wrong with a job's machine, and what each thing that can be looked at would show. */
  seek: (job: Job, tell: (share: number) => void): Promise<Table | null> => drained(tableOf(job), tell, ++newestSearch),

  /** The same with two causes at once, for what no single one makes. */
  async pairs(job: Job, table: Table, found: readonly Found[], tell: (share: number) => void): Promise<Table | null> {
    const likeliest = standingOf(within(table, areasOf(table, found)), found).ranked.map((r) => r.cause)
    const makesAll = (row: Table['cells'][number]): boolean =>
      found.every((f) => {
        const column = table.moves.findIndex((m) => m.id === f.move)
        return column < 0 || fits(table.moves[column]!, row[column]!, f.found)
      })
    const pairs = await drained(pairsOf(job, likeliest, makesAll), tell, ++newestSearch)
    return pairs && withMore(table, pairs.causes, pairs.cells)
  },

  /** Runs a job through its day; a newer question ends what is under way for an older one. */
  async run(question: RunQuestion, tell: (news: RunNews) => void): Promise<void> {
    const mine = ++newestRun
    const overtaken = (): boolean => mine !== newestRun
    await breath()
    if (overtaken()) return
    try {
      runOnce(question, tell)
      if (question.settle) await settleAll(question, tell, overtaken)
    } catch (trouble) {
      tell({
        message:
          trouble instanceof StiffError
            ? trouble.message
            : say`This run could not be made: look again at the readings of coolant, core and engine.`,
      })
    }
  },
}
export type Compute = typeof compute

expose(compute)
