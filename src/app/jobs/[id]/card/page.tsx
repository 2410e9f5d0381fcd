import { ownersCard } from '@/core/sheets'
import { SheetPage } from '@/screens/sheet/SheetPage'
import { jobPage } from '../../../trouble'
import { say } from '@/core/words'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async ({ id, job }) => (
    <SheetPage
      sheet={ownersCard(job)}
      pdf={`/api/jobs/${id}/card.pdf`}
      back={`/jobs/${id}?station=after`}
      backName={say`Back to the job`}
      note={say`one page, to be kept with the machine`}
    />
  ))
}
