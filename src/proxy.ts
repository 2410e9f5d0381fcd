import { NextResponse, type NextRequest } from 'next/server'
import { guardedHeaders, refusalOf } from './app/door'
import { say } from './core/words'
import { COOKIE, isAnswered, passOf } from './app/network'

/** What somebody is told who has not been let in: pages lead to the door, data says so. */
function notLetIn(request: NextRequest): NextResponse | null {
  const { pathname, search } = request.nextUrl
  if (isAnswered(pathname, passOf(request.cookies.get(COOKIE)?.value))) return null
  if (pathname.startsWith('/api/'))
    return NextResponse.json(
      {
        ok: false,
        kind: 'later',
        message: say`You are not let in any more: open the yard anew and write its pass-phrase.`,
      },
      { status: 401 },
    )
  const to = new URL('/door', request.url)
  to.searchParams.set('to', `${pathname}${search}`)
  return NextResponse.redirect(to)
}

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
    : (notLetIn(request) ?? NextResponse.next({ request: { headers } }))
  for (const [name, value] of Object.entries(guarded)) answer.headers.set(name, value)
  return answer
}

/** The application's own scripts and fonts are the same for everybody. */
export const config = { matcher: '/((?!_next/static/).*)' }
