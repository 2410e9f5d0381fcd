import { shoppingSheet } from '@/core/sheets'
import { SheetPage } from '@/screens/sheet/SheetPage'
import { listParts } from '@/store'
import { jobPage } from '../../../trouble'
import { say } from '@/core/words'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async ({ id, job }, store) => (
    <SheetPage
      sheet={shoppingSheet(job, await listParts(store))}
      pdf={`/api/jobs/${id}/shopping.pdf`}
      file={`/api/jobs/${id}/shopping.csv`}
      fileName="CSV"
      back={`/jobs/${id}?station=build`}
      backName={say`Back to the job`}
      note={say`what somebody said is not there`}
    />
  ))
}
