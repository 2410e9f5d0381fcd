import type { Job } from '../job'
import type { Bench } from '../reading'
import { loadsOf } from './loads'

/** What the controllers draw with everything off: only those that the circuit leaves live. @see engineering §1.9, §5 */
export const parkedDraw = (bench: Bench, job: Job): number =>
  job.controllers.reduce(
    (sum, c) => (loadsOf(job).liveWhenParked.has(c.id) ? sum + bench.value(`controllers.${c.id}.part.standbyA`) : sum),
    0,
  )
