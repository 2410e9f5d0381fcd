import { pageScript } from '../language'

/** The wording of another language than English, taken by a page before its own scripts; versioned by its address. */
export function GET(): Response {
  return new Response(pageScript()?.text ?? '', {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': 'private, max-age=31536000, immutable',
    },
  })
}
