import { costOf } from '@/core/schedule'
import { moneySheet } from '@/core/sheets'
import { now, readWorkshop } from '@/store'
import { ofJob } from '../../../of-job'
import { pdfAnswer } from '../../../pdf'
import { calendarDay } from '@/core/units'

/** What a job has cost, by the clock and what was bought, as PDF; `?paper=a4|letter`. */
export const GET = ofJob(async ({ job }, store, request) => {
  const cost = costOf(job, now().toISOString())
  const { name } = await readWorkshop(store)
  return pdfAnswer(request, moneySheet('Invoice', job, cost, name, calendarDay(now().toISOString())))
})
