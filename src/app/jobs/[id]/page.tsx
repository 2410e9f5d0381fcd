import { clockIsFixed, listParts, now, readHead, theStore } from '@/store'
import { MessagePage, orTrouble } from '../../trouble'
import { JobPage } from './JobPage'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params
  return orTrouble(async () => {
    const store = await theStore()
    const opened = await readHead(store, id)
    if (!opened) return <MessagePage title="There is no such job" message="The address names a job that is not in this yard. It may be in another database, or the address was cut short." back="/" />
    return <JobPage opened={opened} shelf={await listParts(store)} fixedNow={clockIsFixed() ? now().toISOString() : null} />
  })
}
