import { keepPhoto, LARGEST_PHOTO, now, theStore } from '@/store'
import { answering, readLimited } from '../../../answers'
import { say } from '@/core/words'

/** Keeps a picture, its bytes as the body: `{ ok: true, id }`, or `{ ok: false, message }`. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const refuse = (message: string, status: number): Response => Response.json({ ok: false, message }, { status })
      if (!(request.headers.get('content-type') ?? '').startsWith('image/'))
        return refuse(say`This is no picture: take a JPEG, PNG or WebP file.`, 415)
      const bytes = await readLimited(request, LARGEST_PHOTO)
      if (!bytes) return refuse(say`This picture is larger than 25 MB.`, 413)
      const kept = await keepPhoto(await theStore(), id, bytes, now().toISOString())
      return kept.ok ? Response.json(kept) : refuse(kept.message, 422)
    },
    (message) => ({ ok: false, message }),
  )
}
