import type { Job } from '../core/job'
import type { Findings } from '../core/margins'
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
import { readJob } from '../formats'

/** What is asked: the chart's runs at once, and, where `settle`, the spreads as well. */
export interface RunQuestion {
  readonly ticket: number
  readonly job: unknown
  readonly at: string
  /** null: no chart is looked at */ readonly circumstances: Circumstances | null
  readonly quick: boolean
  readonly settle: boolean
}
export type RunAnswer =
  | {
      readonly ticket: number
      readonly runs: ChartedRuns | null
      /** not while something is dragged */ readonly stops: readonly StopsIn[] | null
      readonly findings: Findings
    }
  | { readonly ticket: number; readonly findings: Findings; readonly settled: true }
  | { readonly ticket: number; readonly done: number; readonly of: number }
  | { readonly ticket: number; readonly message: string }

const SAY_MS = 100
let newest: RunQuestion | null = null
let busy = false

/** lets a newer question in */
const breath = (): Promise<void> =>
  new Promise((go) => {
    setTimeout(go)
  })
const say = (answer: RunAnswer): void => self.postMessage(answer)

function charted(job: Job, circumstances: Circumstances, quick: boolean): ChartedRuns {
  const run = (fan: Circumstances['fan']): RunView =>
    runView(simulate(job, { ...circumstances, fan }, quick ? { stepS: 1, everyS: 2 } : { everyS: 1 })!)
  return { proposed: run('proposed'), none: run('none'), present: withPresentFan(job) ? run('present') : null }
}

async function answer({ ticket, job: raw, at, circumstances, quick, settle }: RunQuestion): Promise<void> {
  const read = readJob(raw)
  const waits = read.ok ? runWaitsFor(read.job) : read.message
  if (!read.ok || waits !== null) return say({ ticket, message: `${waits}` })
  try {
    const steps = findingsOf(read.job, at)
    const first = steps.next()
    if (!first.done)
      say({
        ticket,
        runs: circumstances && charted(read.job, circumstances, quick),
        stops: circumstances && !quick ? stopsIn(read.job) : null,
        findings: first.value.findings,
      })
    if (!settle) return
    let said = performance.now()
    for (const { findings, done, of } of steps) {
      if (findings.settled) return say({ ticket, findings, settled: true })
      if (performance.now() - said < SAY_MS) continue
      said = performance.now()
      say({ ticket, done, of })
      await breath()
      if (newest !== null) return
    }
  } catch (trouble) {
    say({
      ticket,
      message:
        trouble instanceof StiffError
          ? trouble.message
          : 'This run could not be made: look again at the readings of coolant, core and engine.',
    })
  }
}

/** Message in: a {@link RunQuestion}; a newer one ends what is under way for an older one. */
self.onmessage = async (event: MessageEvent<RunQuestion>) => {
  newest = event.data
  if (busy) return
  busy = true
  while (newest !== null) {
    const question: RunQuestion = newest
    newest = null
    await answer(question)
    await breath()
  }
  busy = false
}
