import { z } from 'zod'
import { now, putAway, readHead, theStore } from '@/store'
import { answering, readBody } from '../../../answers'
import { say } from '@/core/words'

const body = z.strictObject({ where: z.enum(['yard', 'archived', 'deleted']) })

/** Archives a job, deletes it, or puts it back into the yard: `{ ok }`, or `{ ok: false, message }`. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const read = await readBody(request, body)
      if (!read.ok) return Response.json({ ok: false, message: read.message }, { status: 400 })
      const store = await theStore()
      if (await putAway(store, id, read.value.where, now().toISOString())) return Response.json({ ok: true })
      const there = await readHead(store, id)
      return Response.json(
        {
          ok: false,
          message: there
            ? say`It was signed once, and what is signed is a record: archive it instead.`
            : say`There is no such job.`,
        },
        { status: there ? 409 : 404 },
      )
    },
    (message) => ({ ok: false, message }),
  )
}
