import { z } from 'zod'
import { now, readHead, signJob, theStore } from '@/store'
import { answering, readBody } from '../../../answers'
import { say } from '@/core/words'

const signature = z.strictObject({ from: z.int().min(0), by: z.string().trim().min(1).max(80) })

/** Signs a job: `{ ok: true, opened }`, or `{ ok: false, message }`. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const body = await readBody(request, signature)
      if (!body.ok) return Response.json({ ok: false, message: body.message }, { status: 400 })
      const store = await theStore()
      const done = await signJob(store, id, body.value.from, body.value.by, now().toISOString())
      if (done.kind === 'saved') return Response.json({ ok: true, opened: await readHead(store, id) })
      const others =
        done.kind === 'stale'
          ? say`The job was changed in another window. Look at it again, then sign.`
          : say`This job is not in this yard any more.`
      const message = done.kind === 'refused' ? done.message : others
      return Response.json({ ok: false, message }, { status: 409 })
    },
    (message) => ({ ok: false, message }),
  )
}
