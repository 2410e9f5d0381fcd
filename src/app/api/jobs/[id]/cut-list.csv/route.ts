import { cutList } from '@/core/wiring'
import { writeCutListCsv } from '@/formats/cut-list-csv'
import { listParts, readHead, theStore } from '@/store'
import { answering } from '../../../answers'

/** Wires to cut and what to have in hand, as CSV that a spreadsheet opens. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const store = await theStore()
      const head = await readHead(store, id)
      if (!head) return Response.json({ message: 'There is no such job.' }, { status: 404 })
      return new Response(writeCutListCsv(cutList(head.job, await listParts(store))), {
        headers: {
          'content-type': 'text/csv; charset=utf-8',
          'content-disposition': 'attachment; filename="cut-list.csv"',
        },
      })
    },
    (message) => ({ message }),
  )
}
