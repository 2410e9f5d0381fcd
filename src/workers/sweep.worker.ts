import './words-first'
import { expose } from 'comlink'
import { mapWaitsFor, settingMap, type SettingMap } from '../core/advice'
import { informedJob } from '../core/evidence'
import type { Job } from '../core/job'
import type { Findings } from '../core/margins'
import type { Weighing } from '../core/reading'
import { holdsUpTo, leftAt, runWaitsFor, type Standing } from '../core/run'
import { StiffError } from '../core/transient'
import { notDone, type Result } from '../core/units'
import { say } from '../core/words'

/** What is left in one air, up to where it holds, and up to where it would otherwise. */
export interface Weather {
  readonly leftK: number
  readonly upToC: number | null
  readonly others: readonly (number | null)[]
}

const SAY_MS = 80

function told<T extends object>(waits: string | null, work: () => T): Result<T> {
  if (waits !== null) return notDone(waits)
  try {
    return { ok: true, ...work() }
  } catch (trouble) {
    return notDone(trouble instanceof StiffError ? trouble.message : say`This could not be run through.`)
  }
}

/** What needs many runs. To give one up, end the worker. */
const sweep = {
  map: (job: Job, findings: Findings | null, tell: (done: number, of: number) => void): Result<{ map: SettingMap }> =>
    told(mapWaitsFor(job), () => {
      const steps = settingMap(informedJob(job, findings?.evidence), findings)
      let said = performance.now()
      for (;;) {
        const step = steps.next()
        if (step.done) return { map: step.value }
        if (performance.now() - said < SAY_MS) continue
        said = performance.now()
        tell(step.value.done, step.value.of)
      }
    }),

  weather: (
    job: Job,
    evidence: Weighing | null,
    airC: number,
    standing: Standing,
    others: readonly Standing[],
  ): Result<{ weather: Weather }> =>
    told(runWaitsFor(job), () => {
      const machine = informedJob(job, evidence)
      return {
        weather: {
          leftK: leftAt(machine, airC, standing),
          upToC: holdsUpTo(machine, standing),
          others: others.map((o) => holdsUpTo(machine, o)),
        },
      }
    }),
}
export type Sweep = typeof sweep

expose(sweep)
