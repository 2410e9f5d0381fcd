import { sheetOf, theStore } from '@/store'
import { answering } from '../../../answers'
import { pdfAnswer } from '../../../pdf'
import { say } from '@/core/words'

/** The bench sheet as PDF, as it was signed if it is; `?paper=a4|letter`, `?revision=3` for an older one. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const revision = Number(new URL(request.url).searchParams.get('revision')) || undefined
      const found = await sheetOf(await theStore(), id, revision)
      return found
        ? pdfAnswer(request, found.sheet)
        : Response.json({ message: say`There is no such job.` }, { status: 404 })
    },
    (message) => ({ message }),
  )
}
