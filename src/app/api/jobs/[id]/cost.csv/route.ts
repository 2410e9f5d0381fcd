import { costOf } from '@/core/schedule'
import { writeCostCsv } from '@/formats/cost-csv'
import { now } from '@/store'
import { csvAnswer } from '../../../csv'
import { ofJob } from '../../../of-job'

/** What a job costs, as CSV that a spreadsheet opens. */
export const GET = ofJob(async ({ job }) => csvAnswer(writeCostCsv(costOf(job, now().toISOString())), 'cost'))
