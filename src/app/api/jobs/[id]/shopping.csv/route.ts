import { shoppingSheet } from '@/core/sheets'
import { writeShoppingCsv } from '@/formats/shopping-csv'
import { listParts } from '@/store'
import { csvAnswer } from '../../../csv'
import { ofJob } from '../../../of-job'

/** The shopping list as CSV that a spreadsheet opens. */
export const GET = ofJob(async ({ job }, store) =>
  csvAnswer(writeShoppingCsv(shoppingSheet(job, await listParts(store))), 'shopping-list'),
)
