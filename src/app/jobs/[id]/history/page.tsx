import { listRevisions } from '@/store'
import { jobPage } from '../../../trouble'
import { History } from '@/screens/history/History'

export const dynamic = 'force-dynamic'

export default async function Page({
  params,
  searchParams,
}: {
  readonly params: Promise<{ id: string }>
  readonly searchParams: Promise<{ before?: string }>
}) {
  return jobPage(params, async ({ id, job, revision }, store) => {
    const before = Number((await searchParams).before) || null
    return <History id={id} title={job.title} newest={revision} revisions={await listRevisions(store, id, before)} />
  })
}
