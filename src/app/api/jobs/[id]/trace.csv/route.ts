import { samplesOf } from '@/core/build'
import { writeTraceCsv } from '@/formats/trace-csv'
import { csvAnswer } from '../../../csv'
import { ofJob } from '../../../of-job'
import { say } from '@/core/words'

/** A kept trace as CSV: `?trace=trace1`. */
export const GET = ofJob(async ({ job }, _, request) => {
  const id = new URL(request.url).searchParams.get('trace')
  const trace = job.traces.find((t) => t.id === id)
  return trace
    ? csvAnswer(writeTraceCsv(samplesOf(trace)), trace.id)
    : Response.json({ message: say`There is no such trace.` }, { status: 404 })
})
