import { z } from 'zod'
import { fittedElsewhere, foundCallers, foundFeeds } from '@/core/diagnose'
import { beginSearch, jobSchema, machineKinds, startJob } from '@/core/job'
import { problemsInWords } from '@/formats'
import { addJob, now, theStore } from '@/store'
import { answering, readBody } from '../answers'
import { calendarDay } from '@/core/units'

const seen = z.strictObject({
  title: z.string().trim().min(1).max(80),
  kind: z.enum(machineKinds),
  units: z.enum(['metric', 'imperial']),
  amps: z.number().min(0.05).max(60).nullable(),
  caller: z.enum(foundCallers),
  relay: z.boolean(),
  feed: z.enum(foundFeeds),
  fuseA: z.number().min(0.5).max(100).nullable(),
})

/** Takes in a machine that was fitted elsewhere, with a search begun: `{ id }`, or `{ message }`. */
export async function POST(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const body = await readBody(request, seen)
      if (!body.ok) return Response.json({ message: body.message }, { status: 400 })
      const { title, kind, units, ...found } = body.value
      const at = now().toISOString()
      const bare = startJob({
        title,
        kind,
        job: 'wiring',
        machineName: title,
        owner: '',
        units,
        startedOn: calendarDay(at),
        promisedOn: null,
      })
      const begun = beginSearch(fittedElsewhere(bare, found), [], at)
      const job = jobSchema.safeParse(begun)
      if (!job.success) return Response.json({ message: problemsInWords(job.error) }, { status: 400 })
      const added = await addJob(await theStore(), job.data, at)
      return added.ok ? Response.json({ id: added.id }) : Response.json({ message: added.message }, { status: 400 })
    },
    (message) => ({ message }),
  )
}
