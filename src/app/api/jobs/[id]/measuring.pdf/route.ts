import { measuringSheet } from '@/core/sheets'
import { ofJob } from '../../../of-job'
import { pdfAnswer } from '../../../pdf'

/** The measuring sheet as PDF; `?paper=a4|letter`. */
export const GET = ofJob(async ({ job }, _, request) => pdfAnswer(request, measuringSheet(job)))
