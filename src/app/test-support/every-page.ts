import type { ReactNode } from 'react'
import { questions } from '@/core/library'
import DayPage from '../day/page'
import LibraryAnswer from '../library/[id]/page'
import NotFound from '../not-found'
import YardPage from '../page'
import FitsPage from '../fits/page'
import FaultPage from '../fault/page'
import LibraryPage from '../library/page'
import PracticePage from '../practice/page'
import ShelfPage from '../shelf/page'
import WorkshopPage from '../workshop/page'
import JobPage from '../jobs/[id]/page'
import BuiltPage from '../jobs/[id]/built/page'
import CardPage from '../jobs/[id]/card/page'
import HistoryPage from '../jobs/[id]/history/page'
import LifePage from '../jobs/[id]/life/page'
import MeasuringPage from '../jobs/[id]/measuring/page'
import SheetPage from '../jobs/[id]/sheet/page'
import ShoppingPage from '../jobs/[id]/shopping/page'

export type PageOfJob = (asked: {
  readonly params: Promise<{ id: string }>
  readonly searchParams: Promise<{ before?: string }>
}) => Promise<ReactNode>

export const pagesOfJob: Readonly<Record<string, PageOfJob>> = {
  '': JobPage,
  built: BuiltPage,
  card: CardPage,
  history: HistoryPage,
  life: LifePage,
  measuring: MeasuringPage,
  sheet: SheetPage,
  shopping: ShoppingPage,
}

/** Every question of the library, answered with a job. */
export const answersFor = (job: string): Readonly<Record<string, () => Promise<ReactNode>>> =>
  Object.fromEntries(
    questions.map(({ id }) => [
      `/library/${id}?job=${job}`,
      () => LibraryAnswer({ params: Promise.resolve({ id }), searchParams: Promise.resolve({ job }) }),
    ]),
  )

export const pagesOfYard: Readonly<Record<string, () => Promise<ReactNode> | ReactNode>> = {
  '/': () => YardPage({ searchParams: Promise.resolve({}) }),
  '/shelf': ShelfPage,
  '/fits': FitsPage,
  '/fault': FaultPage,
  '/workshop': WorkshopPage,
  '/library': () => LibraryPage({ searchParams: Promise.resolve({}) }),
  '/day': () => DayPage({ searchParams: Promise.resolve({}) }),
  '/nowhere': NotFound,
  '/practice': () => PracticePage({ searchParams: Promise.resolve({}) }),
}
