import { z } from 'zod'
import { backupFolder, backupNamed } from '@/store'
import { tend } from '../../tending'
import { answering, readBody } from '../answers'
import { say } from '@/core/words'

const body = z.union([
  z.strictObject({ do: z.literal('copy') }),
  z.strictObject({ do: z.literal('restore'), name: z.string().max(40) }),
])

/** Makes a copy of the yard now, or puts one in its place: `{ ok, message }`, what it came to in words. */
export async function POST(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const read = await readBody(request, body)
      if (!read.ok) return Response.json({ ok: false, message: read.message }, { status: 400 })
      if (read.value.do === 'restore' && !backupNamed(backupFolder(), read.value.name))
        return Response.json({ ok: false, message: say`There is no such copy any more.` }, { status: 404 })
      const { ok, said } = read.value.do === 'copy' ? await tend('backup') : await tend('restore', read.value.name)
      return Response.json({ ok, message: said }, { status: ok ? 200 : 503 })
    },
    (message) => ({ ok: false, message }),
  )
}
