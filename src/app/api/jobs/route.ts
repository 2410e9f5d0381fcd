import { z } from 'zod'
import { withLearnt } from '@/core/evidence'
import {
  addNote,
  daySchema,
  type Job,
  type JobKind,
  jobKinds,
  jobSchema,
  learntFromModel,
  machineKinds,
  startJob,
  typicalMachines,
} from '@/core/job'
import { problemsInWords } from '@/formats'
import { addJob, jobsOfModel, lastOn, now, readWorkshop, theStore } from '@/store'
import { answering, readBody } from '../answers'
import { calendarDay } from '@/core/units'
import { say } from '@/core/words'

const beginning = z
  .strictObject({
    title: z.string().trim().min(1).max(80),
    kind: z.enum(machineKinds),
    machineName: z.string().trim().min(1).max(80),
    owner: z.string().max(80),
    units: z.enum(['metric', 'imperial']),
    promisedOn: daySchema.nullable(),
    model: z.string().trim().max(60).default(''),
    serial: z.string().trim().max(60).default(''),
    heightM: z.number().min(-430).max(5500).optional(),
    job: z.enum(Object.keys(jobKinds) as [JobKind, ...JobKind[]]),
  })
  .refine((b) => typicalMachines[b.kind].jobs.includes(b.job), say`this kind of job does not suit this machine`)

const MOST_WORDS = 900

/** A new job that begins as other machines of its model are, with a note that says so. */
function asOnOthers(begun: Job, others: readonly Job[], at: string): Job {
  const { job, machines, labels } = learntFromModel(begun, others)
  if (!labels.length) return job
  const words = say`Begins as on ${machines} other ${machines === 1 ? say`machine` : say`machines`} of this model,
    still typical until it is read here: ${labels.join(', ')}.`
  const noted = addNote(job, { of: 'machine', words: words.slice(0, MOST_WORDS), by: '', at })
  return 'full' in noted ? job : noted
}

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
      const workshop = await readWorkshop(store)
      const begun = startJob({
        ...body.value,
        heightM: body.value.heightM ?? workshop.heightM ?? undefined,
        startedOn: calendarDay(at),
      })
      begun.money = { ...begun.money, currency: workshop.currency, perHour: workshop.perHour }
      const learnt = last
        ? withLearnt(begun, last.job, last.findings?.evidence ?? null)
        : asOnOthers(begun, await jobsOfModel(store, body.value.model), at)
      const job = jobSchema.safeParse(learnt)
      if (!job.success) return Response.json({ message: problemsInWords(job.error) }, { status: 400 })
      const added = await addJob(store, job.data, at)
      return added.ok ? Response.json({ id: added.id }) : Response.json({ message: added.message }, { status: 400 })
    },
    (message) => ({ message }),
  )
}
