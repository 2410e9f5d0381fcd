import { asBuiltSheet } from '@/core/sheets'
import { circuitPlan } from '@/layout/circuit-plan'
import { SheetPage } from '@/screens/sheet/SheetPage'
import { jobPage } from '../../../trouble'
import { say } from '@/core/words'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async ({ id, job }) => (
    <SheetPage
      sheet={asBuiltSheet(job, await circuitPlan(job))}
      pdf={`/api/jobs/${id}/built.pdf`}
      pictures={`/api/jobs/${id}/photos`}
      back={`/jobs/${id}?station=after`}
      backName={say`Back to the job`}
      note={say`for whoever opens it next`}
    />
  ))
}
