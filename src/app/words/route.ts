import { pageScript } from '../language'

/** The wording of a language other than English, which a page takes before its own scripts. Its address has its version. */
export function GET(): Response {
  return new Response(pageScript()?.text ?? '', {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': 'private, max-age=31536000, immutable',
    },
  })
}
