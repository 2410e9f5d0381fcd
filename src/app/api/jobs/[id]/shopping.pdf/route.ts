import { shoppingSheet } from '@/core/sheets'
import { listParts } from '@/store'
import { ofJob } from '../../../of-job'
import { pdfAnswer } from '../../../pdf'

/** The shopping list as PDF; `?paper=a4|letter`. */
export const GET = ofJob(async ({ job }, store, request) =>
  pdfAnswer(request, shoppingSheet(job, await listParts(store))),
)
