import { NextResponse, type NextRequest } from 'next/server'
import { guardedHeaders, refusalOf } from './app/door'

/** Before every answer: who may ask, and what the browser may do with what it gets. */
export function proxy(request: NextRequest): NextResponse {
  const refused = refusalOf(request, process.env.PYRAXIS_HOSTS)
  const nonce = crypto.randomUUID().replaceAll('-', '')
  const guarded = guardedHeaders(nonce)
  const headers = new Headers(request.headers)
  headers.set('content-security-policy', guarded['content-security-policy']!)
  headers.set('x-nonce', nonce)
  const answer = refused
    ? NextResponse.json({ ok: false, message: refused.message }, { status: refused.status })
    : NextResponse.next({ request: { headers } })
  for (const [name, value] of Object.entries(guarded)) answer.headers.set(name, value)
  return answer
}

/** The application's own scripts and fonts are the same for everybody. */
export const config = { matcher: '/((?!_next/static/).*)' }
