import { z } from 'zod'
import { isDeleted, now, readHead, sealed, theStore } from '@/store'
import { DAY_MS, doorFile, onNetwork } from '../../../../network'
import { answering, readBody } from '../../../answers'
import { say } from '@/core/words'

const body = z.strictObject({ days: z.int().min(1).max(90) })

/** A link by which an owner looks at the card of one job, for so many days: `{ ok, path, until }`. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  const refuse = (message: string, status: number): Response => Response.json({ ok: false, message }, { status })
  return answering(
    request,
    async () => {
      if (!onNetwork()) return refuse(say`Nobody else is let in: Pyraxis was not started for the network.`, 409)
      const read = await readBody(request, body)
      if (!read.ok) return refuse(read.message, 400)
      const store = await theStore()
      if (!(await readHead(store, id)) || (await isDeleted(store, id))) return refuse(say`There is no such job.`, 404)
      const until = now().getTime() + read.value.days * DAY_MS
      const pass = sealed(doorFile(), { role: 'owner', job: id, until })
      return pass
        ? Response.json({ ok: true, path: `/owner/${pass}`, until: new Date(until).toISOString() })
        : refuse(say`No pass-phrase is set.`, 409)
    },
    (message) => ({ ok: false, message }),
  )
}
