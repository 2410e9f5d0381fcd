import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { daySchema } from '@/core/job'
import { now, readHead, saveJob, theStore } from '@/store'
import { answering, readBody } from '../../../answers'
import { say } from '@/core/words'

const body = z.strictObject({
  title: z.string().trim().min(1).max(80),
  machineName: z.string().trim().min(1).max(80),
  owner: z.string().trim().max(80),
  promisedOn: daySchema.nullable(),
})

/** Names a job, its machine, owner and day anew, as a revision of its own: `{ ok }`, or `{ ok: false, message }`. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  const refuse = (message: string, status: number): Response => Response.json({ ok: false, message }, { status })
  return answering(
    request,
    async () => {
      const read = await readBody(request, body)
      if (!read.ok) return refuse(read.message, 400)
      const store = await theStore()
      const head = await readHead(store, id)
      if (!head) return refuse(say`There is no such job.`, 404)
      if (head.job.signature)
        return refuse(say`It is signed under this name. Open it and reopen it there, if it is to have another.`, 409)
      const { title, machineName, owner, promisedOn } = read.value
      const job = { ...head.job, title, promisedOn, machine: { ...head.job.machine, name: machineName, owner } }
      const saved = await saveJob(store, id, { from: head.revision, key: randomUUID(), job, at: now().toISOString() })
      return saved.kind === 'saved'
        ? Response.json({ ok: true })
        : refuse(say`Somebody changed it at this moment. Look at it and try again.`, 409)
    },
    (message) => ({ ok: false, message }),
  )
}
