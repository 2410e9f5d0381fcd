import { placeViews } from '@/core/drawing'
import { drawingsSvg } from '@/formats/svg/drawing-svg'
import { readHead, theStore } from '@/store'
import { answering } from '../../../answers'

/** The place to scale, front and section, as SVG with true millimetres. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const head = await readHead(await theStore(), id)
      if (!head) return Response.json({ message: 'There is no such job.' }, { status: 404 })
      const drawings = placeViews(head.job)
      if (!drawings.length) return Response.json({ message: 'This job has nothing to draw.' }, { status: 404 })
      return new Response(drawingsSvg(head.job.title, drawings), {
        headers: { 'content-type': 'image/svg+xml; charset=utf-8' },
      })
    },
    (message) => ({ message }),
  )
}
