import { say } from '@/core/words'

const LOOPBACK = /^(localhost|127\.0\.0\.1|\[::1\])$/
/** what a body may be: none of these can a plain form of any page in the world send without being asked first */
const TAKEN_TYPES = /^(application\/(json|octet-stream)|text\/csv|image\/[\w.+-]+)(?![\w.+-])/i
const ASKS_ONLY = new Set(['GET', 'HEAD', 'OPTIONS'])

const isData = (url: string): boolean => new URL(url, 'http://here').pathname.startsWith('/api/')

/** The name in "name:port" or "[::1]:port", lower case. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '')

/** Names that this server answers to besides this machine's own: PYRAXIS_HOSTS, with commas. */
const namesAllowed = (listed: string | undefined): readonly string[] =>
  (listed ?? '')
    .split(',')
    .map((name) => nameOf(name.trim()))
    .filter(Boolean)

/**
 * Why a request is not let in, or null. A page elsewhere in the world can make a browser on this machine post here, and
 * a name of its own that is pointed at this machine reads answers as if they were its own: so the name asked for is
 * one that this server knows, and what changes data comes from a page of ours or from no page at all.
 * @param asked   method, headers and address of the request
 * @param listed  further names of this server, with commas
 */
export function refusalOf(
  asked: { readonly method: string; readonly headers: { get(name: string): string | null }; readonly url: string },
  listed: string | undefined,
): { status: number; message: string } | null {
  const host = asked.headers.get('host') ?? ''
  if (!LOOPBACK.test(nameOf(host)) && !namesAllowed(listed).includes(nameOf(host)))
    return {
      status: 421,
      message: say`Pyraxis does not answer to this name. Open it as 127.0.0.1, or list the name in PYRAXIS_HOSTS.`,
    }
  const from = asked.headers.get('sec-fetch-site')
  const origin = asked.headers.get('origin')
  const elsewhere =
    (from !== null && from !== 'same-origin' && from !== 'none') ||
    (origin !== null && origin.replace(/^https?:\/\//, '').toLowerCase() !== host.toLowerCase())
  if (ASKS_ONLY.has(asked.method))
    // a link from elsewhere may open a page or a file; a page from elsewhere reads nothing of ours into itself
    return elsewhere && asked.headers.get('sec-fetch-mode') !== 'navigate' && isData(asked.url)
      ? { status: 403, message: say`A page from elsewhere asked for this. It gets nothing.` }
      : null
  if (elsewhere) return { status: 403, message: say`A page from elsewhere asked for this. Nothing was changed.` }
  const type = asked.headers.get('content-type')
  const empty = type === null && ['0', null].includes(asked.headers.get('content-length'))
  if (!empty && !TAKEN_TYPES.test(type ?? ''))
    return {
      status: 415,
      message: say`A body must say what it is: JSON, CSV, or a picture. Nothing was changed.`,
    }
  return null
}

/** What every answer carries: read as what it says it is, in no frame, with no address told to others. */
export const guardedHeaders = (nonce: string): Readonly<Record<string, string>> => ({
  'content-security-policy': [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; '),
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'cross-origin-resource-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
})
