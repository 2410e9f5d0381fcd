import { findingsSchema } from '@/core/margins'
import { keepFindings, theStore } from '@/store'
import { answering, readBody } from '../../../answers'

/** Keeps what a job's runs came to: `{ ok: true, kept }`, or `{ ok: false, message }`. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const body = await readBody(request, findingsSchema)
      if (!body.ok) return Response.json({ ok: false, message: body.message }, { status: 400 })
      return Response.json({ ok: true, kept: await keepFindings(await theStore(), id, body.value) })
    },
    (message) => ({ ok: false, message }),
  )
}
