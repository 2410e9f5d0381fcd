import { evaluate } from '@/core/job'
import { benchSheet } from '@/core/plan'
import { newestSeal, readHead, theStore } from '@/store'
import { MessagePage, orTrouble } from '../../../trouble'
import { SheetPage } from './SheetPage'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params
  return orTrouble(async () => {
    const store = await theStore()
    const opened = await readHead(store, id)
    if (!opened) return <MessagePage title="There is no such job" message="The address names a job that is not in this yard." back="/" />
    // a signed job shows what was signed, not what this core would say today
    const seal = opened.job.signature ? await newestSeal(store, id) : null
    return <SheetPage id={id} sheet={seal?.sheet ?? benchSheet(opened.job, evaluate(opened.job))} sealed={seal !== null} />
  })
}
