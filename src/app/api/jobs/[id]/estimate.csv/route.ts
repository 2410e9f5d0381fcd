import { estimateOf } from '@/core/schedule'
import { writeCostCsv } from '@/formats/cost-csv'
import { listParts } from '@/store'
import { csvAnswer } from '../../../csv'
import { ofJob } from '../../../of-job'

/** What a job will cost by its plan, as CSV that a spreadsheet opens. */
export const GET = ofJob(async ({ job }, store) =>
  csvAnswer(writeCostCsv(estimateOf(job, await listParts(store))), 'estimate'),
)
