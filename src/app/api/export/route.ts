import { JOBS_FILE_BEGIN, JOBS_FILE_END } from '@/formats'
import { everyJob, theStore } from '@/store'
import { answering } from '../answers'

/**
 * Every job of the yard in one file, or those of `?ids=a,b`; written as it is read, so that a large yard does not
 * stall.
 */
export async function GET(request: Request): Promise<Response> {
  const ids = new URL(request.url).searchParams.get('ids')?.split(',').filter(Boolean)
  return answering(
    async () => {
      const jobs = everyJob(await theStore(), ids)
      const encoder = new TextEncoder()
      let first = true
      const stream = new ReadableStream<Uint8Array>({
        start: (c) => c.enqueue(encoder.encode(JOBS_FILE_BEGIN)),
        pull: async (c) => {
          const { value, done } = await jobs.next()
          c.enqueue(encoder.encode(done ? JOBS_FILE_END : `${first ? '' : ',\n'}${JSON.stringify(value.job)}`))
          first = false
          if (done) c.close()
        },
      })
      return new Response(stream, {
        headers: { 'content-type': 'application/json', 'content-disposition': 'attachment; filename="yard.jobs.json"' },
      })
    },
    (message) => ({ message }),
  )
}
