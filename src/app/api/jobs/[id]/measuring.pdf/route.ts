import { measuringSheet } from '@/core/sheets'
import { readHead, theStore } from '@/store'
import { answering } from '../../../answers'
import { pdfAnswer } from '../../../pdf'

/** The measuring sheet as PDF; `?paper=a4|letter`. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const opened = await readHead(await theStore(), id)
      return opened
        ? pdfAnswer(request, measuringSheet(opened.job))
        : Response.json({ message: 'There is no such job.' }, { status: 404 })
    },
    (message) => ({ message }),
  )
}
