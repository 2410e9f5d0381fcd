import { expose } from 'comlink'
import { judgeSchemes, type SchemeJudged } from '../core/advice'
import { fanFirst } from '../core/fan-circuit'
import type { Job } from '../core/job'
import { type Findings, sample, type SampledMargin } from '../core/margins'
import type { Part } from '../core/parts'
import {
  type ChartedRuns,
  type Circumstances,
  findingsOf,
  simulate,
  stopsIn,
  type StopsIn,
  withPresentFan,
} from '../core/run'
import { runView, StiffError, type RunView } from '../core/transient'

/** What is asked: the chart's runs at once, and, where `settle`, the spreads as well. */
export interface RunQuestion {
  readonly job: Job
  /** which fan the chart is looked at from, 0 the first */
  readonly fan: number
  readonly at: string
  /** null: no chart is looked at */ readonly circumstances: Circumstances | null
  readonly quick: boolean
  readonly settle: boolean
}
/** What is told while a run is under way; once more when the spreads have been run through. */
export type RunNews =
  | {
      readonly runs: ChartedRuns | null
      /** not while something is dragged */ readonly stops: readonly StopsIn[] | null
      readonly findings: Findings
    }
  | { readonly findings: Findings; readonly settled: true }
  | { readonly done: number; readonly of: number }
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

async function runThrough(
  { job, fan, at, circumstances, quick, settle }: RunQuestion,
  say: (news: RunNews) => void,
  overtaken: () => boolean,
): Promise<void> {
  const steps = findingsOf(job, at)
  const first = steps.next()
  if (!first.done)
    say({
      runs: circumstances && charted(fanFirst(job, fan), circumstances, quick),
      stops: circumstances && !quick ? stopsIn(fanFirst(job, fan)) : null,
      findings: first.value.findings,
    })
  if (!settle) return
  let said = performance.now()
  for (const { findings, done, of } of steps) {
    if (findings.settled) return say({ findings, settled: true })
    if (performance.now() - said < SAY_MS) continue
    said = performance.now()
    say({ done, of })
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

  /** Runs a job through its day; a newer question ends what is under way for an older one. */
  async run(question: RunQuestion, say: (news: RunNews) => void): Promise<void> {
    const mine = ++newestRun
    const overtaken = (): boolean => mine !== newestRun
    await breath()
    if (overtaken()) return
    try {
      await runThrough(question, say, overtaken)
    } catch (trouble) {
      say({
        message:
          trouble instanceof StiffError
            ? trouble.message
            : 'This run could not be made: look again at the readings of coolant, core and engine.',
      })
    }
  },
}
export type Compute = typeof compute

expose(compute)
