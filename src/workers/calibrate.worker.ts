import { works } from '../core/job'
import {
  type Calibration,
  dayOf,
  factorsFor,
  type FitFactor,
  fitFactors,
  type LoggedRun,
  simulatedLog,
} from '../core/run'
import { calibrate } from '../core/run/calibrate'
import { StiffError } from '../core/transient'
import { readJob } from '../formats'
import { readLogCsv, writeLogCsv } from '../formats/day'
import { z } from 'zod'

const factorsSchema = z.array(z.enum(fitFactors)).max(4)

export type CalibrateQuestion =
  | {
      readonly ticket: number
      readonly kind: 'read'
      readonly text: string
      readonly systemV: number
      readonly job: unknown
    }
  | {
      readonly ticket: number
      readonly kind: 'fit'
      readonly job: unknown
      readonly log: LoggedRun
      readonly factors: readonly FitFactor[]
      readonly work: string
    }
  | { readonly ticket: number; readonly kind: 'simulate'; readonly job: unknown }
export type CalibrateAnswer =
  | {
      readonly ticket: number
      readonly log: LoggedRun
      readonly notes: readonly string[]
      readonly can: readonly FitFactor[]
      readonly csv: string | null
    }
  | { readonly ticket: number; readonly calibration: Calibration }
  | { readonly ticket: number; readonly message: string }

/** the made-up machine whose log is simulated: a little more heat than thought, a core that gives off a little less */
const MADE_UP = { heat: 1.1, transfer: 0.9 } as const

/** Reads a log, makes one up, or fits the model of a job to one: `CalibrateQuestion` in, `CalibrateAnswer` out. */
self.onmessage = ({ data }: MessageEvent<CalibrateQuestion>) => {
  const { ticket } = data
  const say = (answer: CalibrateAnswer): void => self.postMessage(answer)
  const read = readJob(data.job)
  if (!read.ok) return say({ ticket, message: read.message })
  try {
    if (data.kind === 'fit') {
      const factors = factorsSchema.safeParse(data.factors)
      const work = z.enum(works).safeParse(data.work)
      return say({
        ticket,
        calibration: calibrate(
          read.job,
          data.log,
          factors.success ? factors.data : [],
          work.success ? work.data : 'slow',
        ),
      })
    }
    const text =
      data.kind === 'read'
        ? data.text
        : writeLogCsv(simulatedLog(read.job, dayOf(read.job), read.job.cooling ? MADE_UP : { heat: MADE_UP.heat }))
    const file = readLogCsv(text, read.job.machine.systemV)
    if (!file.ok) return say({ ticket, message: file.message })
    say({
      ticket,
      log: file.log,
      notes: file.notes,
      can: factorsFor(read.job, file.log),
      csv: data.kind === 'simulate' ? text : null,
    })
  } catch (trouble) {
    say({ ticket, message: trouble instanceof StiffError ? trouble.message : 'This log could not be run through.' })
  }
}
