import { starterShelf } from '@/core/parts'
import { listShelf, putParts, theStore } from '@/store'
import { answering } from '../../answers'

/** Puts the generic parts on the shelf that are not on it yet: `{ taken }`, or `{ message }`. */
export async function POST(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const store = await theStore()
      const there = new Set((await listShelf(store)).entries.map((e) => e.part.id))
      const parts = starterShelf().filter((p) => !there.has(p.id))
      await putParts(store, parts)
      return Response.json({ taken: parts.length })
    },
    (message) => ({ message, problems: [] }),
  )
}
