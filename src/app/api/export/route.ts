import { JOBS_FILE_BEGIN, jobsFileEnd } from '@/formats'
import { withDigest } from '@/formats/signed-file'
import { everyJob, theStore, type UnreadableJob } from '@/store'
import { asked, log } from '../../log'
import { answering } from '../answers'

/**
 * Every job of the yard in one file, or those of `?ids=a,b`; written as it is read, so that a large yard does not
 * stall. A job that cannot be read is named at its end, and the rest is there.
 */
export async function GET(request: Request): Promise<Response> {
  const ids = new URL(request.url).searchParams.get('ids')?.split(',').filter(Boolean)
  return answering(
    request,
    async () => {
      const jobs = everyJob(await theStore(), ids)
      const encoder = new TextEncoder()
      const skipped: UnreadableJob[] = []
      let first = true
      const stream = new ReadableStream<Uint8Array>({
        start: (c) => c.enqueue(encoder.encode(JOBS_FILE_BEGIN)),
        pull: async (c) => {
          const { value, done } = await jobs.next()
          if (done) {
            c.enqueue(encoder.encode(jobsFileEnd(skipped)))
            c.close()
          } else if ('skipped' in value) {
            skipped.push(value.skipped)
            log.warn({ ...asked(request), job: value.skipped.id }, 'a job cannot be read and was left out of a file')
            // a pull that brings nothing is asked again only if something was put in
            c.enqueue(encoder.encode('\n'))
          } else {
            c.enqueue(encoder.encode(`${first ? '' : ',\n'}${JSON.stringify(withDigest(value.job))}`))
            first = false
          }
        },
      })
      return new Response(stream, {
        headers: { 'content-type': 'application/json', 'content-disposition': 'attachment; filename="yard.jobs.json"' },
      })
    },
    (message) => ({ message }),
  )
}
