import { z } from 'zod'
import { now, retirePart, theStore } from '@/store'
import { answering, readBody } from '../../answers'
import { say } from '@/core/words'

const body = z.strictObject({ retired: z.boolean() })

/** Retires a part, or puts it back on the shelf. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const read = await readBody(request, body)
      if (!read.ok) return Response.json({ ok: false, message: read.message }, { status: 400 })
      const done = await retirePart(await theStore(), id, read.value.retired ? now().toISOString() : null)
      return done
        ? Response.json({ ok: true })
        : Response.json({ ok: false, message: say`This part is not on the shelf any more.` }, { status: 404 })
    },
    (message) => ({ ok: false, message }),
  )
}
