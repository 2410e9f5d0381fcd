import { listShelf, theStore } from '@/store'
import { orTrouble } from '../trouble'
import { Shelf } from '@/screens/shelf/Shelf'

export const dynamic = 'force-dynamic'

export default async function ShelfPage() {
  return orTrouble(async () => <Shelf {...await listShelf(await theStore())} />)
}
