import { keepWorkshop, theStore, workshopSchema } from '@/store'
import { answering, readBody } from '../answers'

/** Keeps what the workshop says of itself: `{ ok }`, or `{ ok: false, message }`. */
export async function PUT(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const body = await readBody(request, workshopSchema)
      if (!body.ok) return Response.json({ ok: false, message: body.message }, { status: 400 })
      await keepWorkshop(await theStore(), body.value)
      return Response.json({ ok: true })
    },
    (message) => ({ ok: false, message }),
  )
}
