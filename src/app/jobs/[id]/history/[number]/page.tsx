import { sheetOf } from '@/store'
import { jobPage, MessagePage } from '../../../../trouble'
import { SheetPage } from '@/screens/sheet/SheetPage'
import { say } from '@/core/words'

export const dynamic = 'force-dynamic'

export default async function Page({ params }: { readonly params: Promise<{ id: string; number: string }> }) {
  const revision = Number((await params).number)
  return jobPage(params, async ({ id }, store) => {
    const found = await sheetOf(store, id, revision)
    if (!found)
      return (
        <MessagePage
          title={say`There is no such revision`}
          message={say`The address names a revision that this job does not have.`}
          back={`/jobs/${id}/history`}
          backName={say`Back to its history`}
        />
      )
    return (
      <SheetPage
        sheet={found.sheet}
        pdf={`/api/jobs/${id}/sheet.pdf?revision=${revision}`}
        back={`/jobs/${id}/history`}
        backName={say`Back to its history`}
        note={
          found.sealed ? say`revision ${revision}, as it was signed` : say`revision ${revision}, as this core reads it`
        }
      />
    )
  })
}
