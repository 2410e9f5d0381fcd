import { readJobFile } from '@/formats'
import { addJob, now, theStore } from '@/store'
import { answering } from '../answers'

/** Takes one job file in: `{ id }`, or `{ message }` that says what is wrong with it. */
export async function POST(request: Request): Promise<Response> {
  return answering(async () => {
    const read = readJobFile(await request.text())
    if (!read.ok) return Response.json({ message: read.message }, { status: 400 })
    const added = await addJob(await theStore(), read.job, now().toISOString())
    return added.ok ? Response.json({ id: added.id }) : Response.json({ message: added.message }, { status: 400 })
  }, (message) => ({ message }))
}
