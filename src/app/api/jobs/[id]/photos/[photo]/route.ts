import { readPhoto, theStore } from '@/store'
import { answering } from '../../../../answers'
import { say } from '@/core/words'

/** A picture of a job; it never changes. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string; photo: string }> },
): Promise<Response> {
  const { id, photo } = await params
  return answering(
    request,
    async () => {
      const bytes = await readPhoto(await theStore(), id, photo)
      return bytes
        ? new Response(new Uint8Array(bytes), {
            headers: {
              'content-type': 'image/jpeg',
              'x-content-type-options': 'nosniff',
              'cache-control': 'private, max-age=31536000, immutable',
            },
          })
        : Response.json({ message: say`There is no such picture.` }, { status: 404 })
    },
    (message) => ({ message }),
  )
}
