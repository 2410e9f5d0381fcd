import { ownersCard } from '@/core/sheets'
import { ofJob } from '../../../of-job'
import { pdfAnswer } from '../../../pdf'

/** The owner's card as PDF; `?paper=a4|letter`. */
export const GET = ofJob(async ({ job }, _, request) => pdfAnswer(request, ownersCard(job)))
