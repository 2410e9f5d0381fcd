import { z } from 'zod'
import { readJob } from '@/formats'
import { now, saveJob, theStore } from '@/store'
import { answering, readBody } from '../../../answers'
import { say } from '@/core/words'

const save = z.strictObject({ from: z.int().min(0), key: z.string().min(8).max(80), job: z.unknown() })

/** One settled change: `{ kind: 'saved' | 'stale' | 'refused' | 'later', … }`. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const body = await readBody(request, save)
      if (!body.ok) return Response.json({ kind: 'refused', message: body.message }, { status: 400 })
      const read = readJob(body.value.job)
      if (!read.ok) return Response.json({ kind: 'refused', message: read.message }, { status: 400 })
      const saved = await saveJob(await theStore(), id, {
        from: body.value.from,
        key: body.value.key,
        job: read.job,
        at: now().toISOString(),
      })
      if (saved.kind === 'unknown')
        return Response.json({ kind: 'refused', message: say`This job is not in this yard any more.` }, { status: 404 })
      return Response.json(saved, { status: saved.kind === 'saved' ? 200 : 409 })
    },
    (message) => ({ kind: 'later', message }),
  )
}
