import { shoppingSheet } from '@/core/sheets'
import { writeShoppingCsv } from '@/formats/shopping-csv'
import { listParts } from '@/store'
import { ofJob } from '../../../of-job'

/** The shopping list as CSV that a spreadsheet opens. */
export const GET = ofJob(
  async ({ job }, store) =>
    new Response(writeShoppingCsv(shoppingSheet(job, await listParts(store))), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="shopping-list.csv"',
      },
    }),
)
