import { ownersCard } from '@/core/sheets'
import { isDeleted, now, opened, readHead, theStore } from '@/store'
import { SheetPage } from '@/screens/sheet/SheetPage'
import { doorFile, onNetwork } from '../../network'
import { MessagePage, orTrouble } from '../../trouble'
import { calendarDay } from '@/core/units'
import { say } from '@/core/words'

export const dynamic = 'force-dynamic'

/** What an owner sees by a link: the card of one job, until the link ends; nothing else, and nothing to change. */
export default async function OwnerPage({ params }: { readonly params: Promise<{ pass: string }> }) {
  const { pass: text } = await params
  const pass = onNetwork() ? opened(doorFile(), text, now().getTime()) : null
  return orTrouble(async () => {
    const head = pass?.role === 'owner' ? await readHead(await theStore(), pass.job) : null
    if (!head || pass?.role !== 'owner' || (await isDeleted(await theStore(), pass.job)))
      return (
        <MessagePage
          title={say`This link has ended`}
          message={say`It was made for a while, or the workshop has closed it. Ask the workshop for another.`}
        />
      )
    return (
      <SheetPage
        sheet={ownersCard(head.job)}
        note={say`for the owner to look at, until ${calendarDay(new Date(pass.until).toISOString())}`}
      />
    )
  })
}
