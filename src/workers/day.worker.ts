import { type Circumstances, runWaitsFor, simulate } from '../core/run'
import { StiffError } from '../core/transient'
import { readJob } from '../formats'
import { readDayCsv, readGpx, writeRunCsv, type DayFile } from '../formats/day'

export type DayQuestion =
  | {
      readonly ticket: number
      readonly kind: 'read'
      readonly name: string
      readonly text: string
      readonly slowMs: number
    }
  | { readonly ticket: number; readonly kind: 'export'; readonly job: unknown; readonly circumstances: Circumstances }
export type DayAnswer =
  | { readonly ticket: number; readonly file: DayFile }
  | { readonly ticket: number; readonly csv: string }
  | { readonly ticket: number; readonly message: string }

/** Reads a day from a track or a table, or writes a run as a table: `DayQuestion` in, `DayAnswer` out. */
self.onmessage = ({ data }: MessageEvent<DayQuestion>) => {
  const say = (answer: DayAnswer): void => self.postMessage(answer)
  const { ticket } = data
  if (data.kind === 'read')
    return say({
      ticket,
      file:
        /\.gpx$/i.test(data.name) || data.text.trimStart().startsWith('<')
          ? readGpx(data.text, data.slowMs)
          : readDayCsv(data.text, data.name.replace(/\.\w+$/, '')),
    })
  const read = readJob(data.job)
  const waits = read.ok ? runWaitsFor(read.job) : read.message
  if (!read.ok || waits !== null) return say({ ticket, message: `${waits}` })
  try {
    say({ ticket, csv: writeRunCsv(simulate(read.job, data.circumstances)!, read.job.bay !== null) })
  } catch (trouble) {
    say({ ticket, message: trouble instanceof StiffError ? trouble.message : 'This run could not be made.' })
  }
}
