import { evaluate, worstInWords } from '@/core/job'
import { complaintInWords, filled, nextThing } from '@/core/plan'
import { stations } from '@/core/job'
import { listJobs, listMachines, now, theStore } from '@/store'
import { orTrouble } from './trouble'
import { Yard, type YardLine } from './Yard'

export const dynamic = 'force-dynamic'

export default async function YardPage() {
  return orTrouble(async () => {
    const store = await theStore()
    const today = now().toISOString().slice(0, 10)
    const lines = (await listJobs(store)).map(({ id, job }): YardLine => {
      const evaluation = evaluate(job)
      return {
        id, title: job.title, kind: job.machine.kind, complaint: complaintInWords(job), promisedOn: job.promisedOn, signedOn: job.signature?.at.slice(0, 10) ?? null,
        margins: evaluation.margins.map(({ id: margin, name, verdict, x, xWorst, xBest }) => ({ id: margin, name, verdict, x, xWorst, xBest })),
        worst: worstInWords(evaluation, job.units), next: nextThing(job, evaluation, today).text,
        ticks: stations.map((s) => {
          const { done, total } = filled(job, s)
          return total > 0 && done === total ? 'full' : done > 0 ? 'begun' : 'empty'
        }),
        due: job.after.filter((a) => a.dueOn !== null && a.doneOn === null && a.dueOn <= today).map((a) => a.what),
      }
    })
    const byPromise = lines.sort((a, b) => Number(a.signedOn !== null) - Number(b.signedOn !== null) || (a.promisedOn ?? '9').localeCompare(b.promisedOn ?? '9'))
    return <Yard lines={byPromise} today={today} machines={(await listMachines(store)).map((m) => m.name)} />
  })
}
