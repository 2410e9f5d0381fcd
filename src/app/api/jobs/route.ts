import { z } from 'zod'
import { withLearnt } from '@/core/evidence'
import { daySchema, type JobKind, jobKinds, jobSchema, machineKinds, startJob, typicalMachines } from '@/core/job'
import { problemsInWords } from '@/formats'
import { addJob, lastOn, now, theStore } from '@/store'
import { answering, readBody } from '../answers'

const beginning = z
  .strictObject({
    title: z.string().trim().min(1).max(80),
    kind: z.enum(machineKinds),
    machineName: z.string().trim().min(1).max(80),
    owner: z.string().max(80),
    units: z.enum(['metric', 'imperial']),
    promisedOn: daySchema.nullable(),
    heightM: z.number().min(-430).max(5500).optional(),
    job: z.enum(Object.keys(jobKinds) as [JobKind, ...JobKind[]]),
  })
  .refine((b) => typicalMachines[b.kind].jobs.includes(b.job), 'this kind of job does not suit this machine')

/** Starts a job: `{ id }`, or `{ message }`. */
export async function POST(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const body = await readBody(request, beginning)
      if (!body.ok) return Response.json({ message: body.message }, { status: 400 })
      const at = now().toISOString()
      const store = await theStore()
      const { machineName, kind, owner } = body.value
      const last = await lastOn(store, { name: machineName, kind, owner })
      const begun = startJob({ ...body.value, startedOn: at.slice(0, 10) })
      const job = jobSchema.safeParse(last ? withLearnt(begun, last.job, last.findings?.evidence ?? null) : begun)
      if (!job.success) return Response.json({ message: problemsInWords(job.error) }, { status: 400 })
      const added = await addJob(store, job.data, at)
      return added.ok ? Response.json({ id: added.id }) : Response.json({ message: added.message }, { status: 400 })
    },
    (message) => ({ message }),
  )
}
