import { writeJobFile } from '@/formats'
import { readHead, theStore } from '@/store'
import { answering } from '../../../answers'

/** The newest revision as a job file. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const opened = await readHead(await theStore(), id)
      if (!opened) return Response.json({ message: 'This job is not in this yard.' }, { status: 404 })
      const name =
        opened.job.title
          .toLowerCase()
          .replace(/[^a-z0-9]+/g, '-')
          .replace(/^-|-$/g, '') || 'job'
      return new Response(writeJobFile(opened.job), {
        headers: {
          'content-type': 'application/json; charset=utf-8',
          'content-disposition': `attachment; filename="${name}.job.json"`,
        },
      })
    },
    (message) => ({ message }),
  )
}
