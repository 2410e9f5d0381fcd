import { z } from 'zod'
import { copyForNext, jobSchema } from '@/core/job'
import { problemsInWords } from '@/formats'
import { addJob, now, readHead, theStore } from '@/store'
import { answering, readBody } from '../../../answers'
import { calendarDay } from '@/core/units'
import { say } from '@/core/words'

const body = z.strictObject({
  title: z.string().trim().min(1).max(80),
  machineName: z.string().trim().min(1).max(80),
  owner: z.string().trim().max(80),
  serial: z.string().trim().max(60),
})

/** Begins a job on the next machine alike, as this one is planned: `{ id }`, or `{ message }`. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params
  return answering(
    request,
    async () => {
      const read = await readBody(request, body)
      if (!read.ok) return Response.json({ message: read.message }, { status: 400 })
      const store = await theStore()
      const head = await readHead(store, id)
      if (!head) return Response.json({ message: say`There is no such job.` }, { status: 404 })
      const at = now().toISOString()
      const copy = jobSchema.safeParse(copyForNext(head.job, { ...read.value, startedOn: calendarDay(at) }))
      if (!copy.success) return Response.json({ message: problemsInWords(copy.error) }, { status: 400 })
      const added = await addJob(store, copy.data, at)
      return added.ok ? Response.json({ id: added.id }) : Response.json({ message: added.message }, { status: 400 })
    },
    (message) => ({ message }),
  )
}
