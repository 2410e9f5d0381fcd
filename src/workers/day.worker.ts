import './words-first'
import { expose } from 'comlink'
import type { Job } from '../core/job'
import { type Circumstances, runWaitsFor, simulate } from '../core/run'
import { StiffError } from '../core/transient'
import { notDone, type Result } from '../core/units'
import { readDayCsv, readGpx, writeRunCsv, type DayFile } from '../formats/day'
import { say } from '../core/words'

/** Days in and runs out, as files. */
const days = {
  /** Reads a day from a track or a table. @param slowMs speed up to which it works slowly, m/s */
  read: (name: string, text: string, slowMs: number): DayFile =>
    /\.gpx$/i.test(name) || text.trimStart().startsWith('<')
      ? readGpx(text, slowMs)
      : readDayCsv(text, name.replace(/\.\w+$/, '')),

  /** Writes a run as a table. */
  write(job: Job, circumstances: Circumstances): Result<{ csv: string }> {
    const waits = runWaitsFor(job)
    if (waits !== null) return notDone(waits)
    try {
      return { ok: true, csv: writeRunCsv(simulate(job, circumstances)!, job.bay !== null) }
    } catch (trouble) {
      return notDone(trouble instanceof StiffError ? trouble.message : say`This run could not be made.`)
    }
  },
}
export type Days = typeof days

expose(days)
