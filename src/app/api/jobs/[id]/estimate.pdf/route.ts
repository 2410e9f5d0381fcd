import { estimateOf } from '@/core/schedule'
import { moneySheet } from '@/core/sheets'
import { listParts, now, readWorkshop } from '@/store'
import { ofJob } from '../../../of-job'
import { pdfAnswer } from '../../../pdf'
import { calendarDay } from '@/core/units'

/** What a job will cost by its plan, as PDF; `?paper=a4|letter`. */
export const GET = ofJob(async ({ job }, store, request) => {
  const cost = estimateOf(job, await listParts(store))
  const { name } = await readWorkshop(store)
  return pdfAnswer(request, moneySheet('Estimate', job, cost, name, calendarDay(now().toISOString())))
})
