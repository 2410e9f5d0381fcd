import './words-first'
import { expose } from 'comlink'
import type { Job, Work } from '../core/job'
import { type Calibration, dayOf, factorsFor, type FitFactor, type LoggedRun, simulatedLog } from '../core/run'
import { calibrate } from '../core/run/calibrate'
import { StiffError } from '../core/transient'
import { notDone } from '../core/units'
import { type ColumnsChosen, type LogFile, readLogCsv, writeLogCsv } from '../formats/day'
import { say } from '../core/words'

/** A log as it was read, and what it can fix of the job. */
export type LogRead =
  (Extract<LogFile, { ok: true }> & { readonly can: readonly FitFactor[] }) | Extract<LogFile, { ok: false }>

/** the made-up machine whose log is simulated: a little more heat than thought, a core that gives off a little less */
const MADE_UP = { heat: 1.1, transfer: 0.9 } as const

function told<T>(work: () => T): T | { readonly ok: false; readonly message: string } {
  try {
    return work()
  } catch (trouble) {
    return notDone(trouble instanceof StiffError ? trouble.message : say`This log could not be run through.`)
  }
}

function readLog(job: Job, text: string, chosen: ColumnsChosen): LogRead {
  const file = readLogCsv(text, job.machine.systemV, chosen)
  return file.ok ? { ...file, can: factorsFor(job, file.log) } : file
}

/** Reads a log, makes one up, or fits the model of a job to one. */
const logs = {
  read: (job: Job, text: string, chosen: ColumnsChosen): LogRead => told(() => readLog(job, text, chosen)),
  simulate: (job: Job): LogRead =>
    told(() => {
      const text = writeLogCsv(simulatedLog(job, dayOf(job), job.cooling ? MADE_UP : { heat: MADE_UP.heat }))
      return readLog(job, text, {})
    }),
  fit: (job: Job, log: LoggedRun, factors: readonly FitFactor[], work: Work): Calibration =>
    told(() => calibrate(job, log, factors, work)),
}
export type Logs = typeof logs

expose(logs)
