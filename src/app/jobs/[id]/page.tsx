import { clockIsFixed, findingsFor, listParts, now } from '@/store'
import { jobPage } from '../../trouble'
import { JobPage } from './JobPage'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async (opened, store) => (
    <JobPage
      opened={{ ...opened, findings: await findingsFor(store, opened.id, opened.job) }}
      shelf={await listParts(store)}
      fixedNow={clockIsFixed() ? now().toISOString() : null}
    />
  ))
}
