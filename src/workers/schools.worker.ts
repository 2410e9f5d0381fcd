import { judgeSchools, type SchoolJudged } from '../core/advice'
import type { Part } from '../core/parts'
import { readJob } from '../formats'

export type SchoolsAnswer =
  | { readonly ticket: number; readonly judged: readonly SchoolJudged[] }
  | { readonly ticket: number; readonly message: string }

/** Message in: `{ ticket, job, shelf }`; every way of wiring it, judged, goes back. */
self.onmessage = (event: MessageEvent<{ ticket: number; job: unknown; shelf: readonly Part[] }>) => {
  const { ticket, job, shelf } = event.data
  const read = readJob(job)
  self.postMessage(
    (read.ok
      ? { ticket, judged: judgeSchools(read.job, shelf) }
      : { ticket, message: read.message }) satisfies SchoolsAnswer,
  )
}
