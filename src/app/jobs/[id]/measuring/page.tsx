import { measuringSheet } from '@/core/sheets'
import { jobPage } from '../../../trouble'
import { SheetPage } from '@/screens/sheet/SheetPage'
import { say } from '@/core/words'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async ({ id, job }) => (
    <SheetPage
      sheet={measuringSheet(job)}
      pdf={`/api/jobs/${id}/measuring.pdf`}
      back={`/jobs/${id}?station=measure`}
      backName={say`Back to the job`}
      note={say`type it back in Measure: Enter goes from line to line`}
    />
  ))
}
