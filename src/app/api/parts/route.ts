import { z } from 'zod'
import { partSchema } from '@/core/parts'
import { listShelf, putParts, theStore } from '@/store'
import { answering, readBody } from '../answers'
import { say } from '@/core/words'

const body = z.strictObject({ part: partSchema, isNew: z.boolean() })

/** Puts one part on the shelf, new or in place of the one with its id: `{ ok }`, or `{ ok: false, message }`. */
export async function POST(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const read = await readBody(request, body)
      if (!read.ok) return Response.json({ ok: false, message: read.message }, { status: 400 })
      const store = await theStore()
      const { part, isNew } = read.value
      const { entries, unreadable } = await listShelf(store)
      if (isNew && [...entries.map((e) => e.part), ...unreadable].some((e) => e.id === part.id))
        return Response.json(
          { ok: false, message: say`There is a part with the id "${part.id}" already.` },
          { status: 409 },
        )
      await putParts(store, [part])
      return Response.json({ ok: true })
    },
    (message) => ({ ok: false, message }),
  )
}
