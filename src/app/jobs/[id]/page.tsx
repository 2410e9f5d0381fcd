import { clockIsFixed, findingsFor, listParts, now } from '@/store'
import { firstJudged } from '@/stations/job-screen/judge'
import { jobPage } from '../../trouble'
import { JobPage } from './JobPage'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async (opened, store) => {
    const findings = await findingsFor(store, opened.id, opened.job)
    return (
      <JobPage
        opened={{ ...opened, findings }}
        first={firstJudged(opened.job, findings)}
        shelf={await listParts(store)}
        fixedNow={clockIsFixed() ? now().toISOString() : null}
      />
    )
  })
}
