import { callsOf } from '@/core/plan'
import { writeCalendar } from '@/formats/calendar'
import { now } from '@/store'
import { ofJob } from '../../../of-job'

/** What is due of a job, as a calendar that any program of the kind takes. */
export const GET = ofJob(
  async ({ id, job }) =>
    new Response(writeCalendar([{ id, title: job.title, calls: callsOf(job) }], now()), {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': 'attachment; filename="days-to-come.ics"',
      },
    }),
)
