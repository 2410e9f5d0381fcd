import { cutList } from '@/core/wiring'
import { writeCutListCsv } from '@/formats/cut-list-csv'
import { listParts } from '@/store'
import { csvAnswer } from '../../../csv'
import { ofJob } from '../../../of-job'

/** Wires to cut and what to have in hand, as CSV that a spreadsheet opens. */
export const GET = ofJob(async ({ job }, store) =>
  csvAnswer(writeCutListCsv(cutList(job, await listParts(store))), 'cut-list'),
)
