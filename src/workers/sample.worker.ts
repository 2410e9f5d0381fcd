import { sample } from '../core/job'
import { readJob } from '../formats'

/** Message in: `{ ticket, job }`; message out: `{ ticket, sampled }`, or `{ ticket, message }` for what is not a job. */
self.onmessage = (event: MessageEvent<{ ticket: number; job: unknown }>) => {
  const { ticket, job } = event.data
  const read = readJob(job)
  self.postMessage(read.ok ? { ticket, sampled: sample(read.job) } : { ticket, message: read.message })
}
