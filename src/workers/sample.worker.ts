import { findingsSchema, sample } from '../core/margins'
import { readJob } from '../formats'

/**
 * Message in: `{ ticket, job, run }`; message out: `{ ticket, sampled }`, or `{ ticket, message }` for what is not a
 * job.
 */
self.onmessage = (event: MessageEvent<{ ticket: number; job: unknown; run: unknown }>) => {
  const { ticket, job, run } = event.data
  const findings = findingsSchema.nullable().safeParse(run)
  const read = readJob(job)
  self.postMessage(
    read.ok
      ? { ticket, sampled: sample(read.job, findings.success ? findings.data : null) }
      : { ticket, message: read.message },
  )
}
