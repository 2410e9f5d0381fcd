import { mapWaitsFor, settingMap, type SettingMap } from '../core/advice'
import { findingsSchema } from '../core/margins'
import { holdsUpTo, leftAt, runWaitsFor, type Standing } from '../core/run'
import { StiffError } from '../core/transient'
import { readJob } from '../formats'

export type SweepQuestion =
  | { readonly ticket: number; readonly kind: 'map'; readonly job: unknown; readonly findings: unknown }
  | {
      readonly ticket: number
      readonly kind: 'weather'
      readonly job: unknown
      readonly airC: number
      readonly standing: Standing
      readonly others: readonly Standing[]
    }
/** What is left in one air, up to where it holds, and up to where it would otherwise. */
export interface Weather {
  readonly leftK: number
  readonly upToC: number | null
  readonly others: readonly (number | null)[]
}
export type SweepAnswer =
  | { readonly ticket: number; readonly done: number; readonly of: number }
  | { readonly ticket: number; readonly map: SettingMap }
  | { readonly ticket: number; readonly weather: Weather }
  | { readonly ticket: number; readonly message: string }

const SAY_MS = 80

/**
 * A map of settings, or how warm it may get: `SweepQuestion` in, progress and `SweepAnswer` out. To give one up, end
 * the worker.
 */
self.onmessage = ({ data }: MessageEvent<SweepQuestion>) => {
  const { ticket } = data
  const say = (answer: SweepAnswer): void => self.postMessage(answer)
  const read = readJob(data.job)
  const waits = !read.ok ? read.message : data.kind === 'map' ? mapWaitsFor(read.job) : runWaitsFor(read.job)
  if (!read.ok || waits !== null) return say({ ticket, message: `${waits}` })
  try {
    if (data.kind === 'weather') {
      const { airC, standing, others } = data
      return say({
        ticket,
        weather: {
          leftK: leftAt(read.job, airC, standing),
          upToC: holdsUpTo(read.job, standing),
          others: others.map((o) => holdsUpTo(read.job, o)),
        },
      })
    }
    const findings = findingsSchema.nullable().safeParse(data.findings)
    const steps = settingMap(read.job, findings.success ? findings.data : null)
    let said = performance.now()
    for (;;) {
      const step = steps.next()
      if (step.done) return say({ ticket, map: step.value })
      if (performance.now() - said < SAY_MS) continue
      said = performance.now()
      say({ ticket, ...step.value })
    }
  } catch (trouble) {
    say({ ticket, message: trouble instanceof StiffError ? trouble.message : 'This could not be run through.' })
  }
}
