import { bringBack, now, readHead, readRevision, theStore } from '@/store'
import { answering } from '../../../../answers'
import { say } from '@/core/words'

type Where = { params: Promise<{ id: string; number: string }> }

/** One revision as it was: `{ job, madeAt }`. */
export async function GET(request: Request, { params }: Where): Promise<Response> {
  const { id, number } = await params
  return answering(
    request,
    async () => {
      const found = await readRevision(await theStore(), id, Number(number))
      return found ? Response.json(found) : Response.json({ message: say`There is no such revision.` }, { status: 404 })
    },
    (message) => ({ message }),
  )
}

/** Brings it back as a new revision: `{ ok, opened }`. */
export async function POST(request: Request, { params }: Where): Promise<Response> {
  const { id, number } = await params
  return answering(
    request,
    async () => {
      const store = await theStore()
      const done = await bringBack(store, id, Number(number), now().toISOString())
      return done.kind === 'saved'
        ? Response.json({ ok: true, opened: await readHead(store, id) })
        : Response.json({ ok: false, message: say`There is no such revision.` }, { status: 404 })
    },
    (message) => ({ ok: false, message }),
  )
}
