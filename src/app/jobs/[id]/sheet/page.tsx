import { now, sheetOf } from '@/store'
import { jobPage } from '../../../trouble'
import { RunFirst } from '../RunFirst'
import { SheetPage } from '@/screens/sheet/SheetPage'
import { say } from '@/core/words'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  return jobPage(params, async ({ id, job }, store) => {
    // a signed job shows what was signed, not what this core would say today
    const { sheet, sealed, unsettled } = (await sheetOf(store, id))!
    return (
      <SheetPage
        sheet={sheet}
        pdf={`/api/jobs/${id}/sheet.pdf`}
        file={`/api/jobs/${id}/file`}
        back={`/jobs/${id}`}
        backName={say`Back to the job`}
        note={sealed ? say`as it was signed` : ''}
      >
        {unsettled && <RunFirst id={id} job={job} at={now().toISOString()} />}
      </SheetPage>
    )
  })
}
