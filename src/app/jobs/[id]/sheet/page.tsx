import { evaluate } from '@/core/job'
import { benchSheet } from '@/core/plan'
import { newestSeal } from '@/store'
import { jobPage } from '../../../trouble'
import { SheetPage } from './SheetPage'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async ({ id, job }, store) => {
    // a signed job shows what was signed, not what this core would say today
    const seal = job.signature ? await newestSeal(store, id) : null
    return <SheetPage id={id} sheet={seal?.sheet ?? benchSheet(job, evaluate(job))} sealed={seal !== null} />
  })
}
