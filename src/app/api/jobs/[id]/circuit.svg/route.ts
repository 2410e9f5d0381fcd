import { drawingsSvg } from '@/formats/svg/drawing-svg'
import { circuitPlan } from '@/layout/circuit-plan'
import { readHead, theStore } from '@/store'
import { answering } from '../../../answers'

/** The circuit, running hot, as SVG. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const head = await readHead(await theStore(), id)
      if (!head) return Response.json({ message: 'There is no such job.' }, { status: 404 })
      return new Response(drawingsSvg(head.job.title, [await circuitPlan(head.job)]), {
        headers: { 'content-type': 'image/svg+xml; charset=utf-8' },
      })
    },
    (message) => ({ message }),
  )
}
