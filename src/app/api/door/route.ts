import { z } from 'zod'
import { isPassphrase, sealed, Tries } from '@/store'
import { COOKIE, DAY_MS, doorFile, onNetwork, SESSION_DAYS } from '../../network'
import { answering, readBody } from '../answers'
import { say } from '@/core/words'

const body = z.strictObject({ passphrase: z.string().max(200) })
const shared = globalThis as typeof globalThis & { pyraxisTries?: Tries }
const tries = (shared.pyraxisTries ??= new Tries())

const cookieOf = (text: string, seconds: number): string =>
  `${COOKIE}=${text}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${seconds}`

/** Lets somebody in who knows the pass-phrase: `{ ok }`, or `{ ok: false, message }`. */
export async function POST(request: Request): Promise<Response> {
  const refuse = (message: string, status: number, headers: Record<string, string> = {}): Response =>
    Response.json({ ok: false, message }, { status, headers })
  return answering(
    request,
    async () => {
      if (!onNetwork()) return refuse(say`Nobody is asked for a pass-phrase on this machine itself.`, 409)
      const read = await readBody(request, body)
      if (!read.ok) return refuse(read.message, 400)
      const wait = tries.waitS(Date.now())
      if (wait > 0)
        return refuse(say`Too many wrong ones. Wait ${wait} s, then try again.`, 429, { 'retry-after': String(wait) })
      if (!isPassphrase(doorFile(), read.value.passphrase)) {
        tries.failed(Date.now())
        return refuse(say`This is not the pass-phrase.`, 403)
      }
      tries.succeeded()
      const pass = sealed(doorFile(), { role: 'mechanic', until: Date.now() + SESSION_DAYS * DAY_MS })
      return Response.json({ ok: true }, { headers: { 'set-cookie': cookieOf(pass!, SESSION_DAYS * 86_400) } })
    },
    (message) => ({ ok: false, message }),
  )
}

/** Ends the session of this browser. */
export function DELETE(): Response {
  return Response.json({ ok: true }, { headers: { 'set-cookie': cookieOf('', 0) } })
}
