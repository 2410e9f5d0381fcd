import { type Drawing } from './drawing-schema'
import { circuitsOf } from '../fan-circuit'
import type { Job } from '../job'
import { drawnCore, frontView } from './front'
import { sectionView } from './section'

/** Every view that tells where the fans go: each core or panel once, a section through each fan. @see engineering §7 */
export function placeViews(job: Job): Drawing[] {
  const circuits = circuitsOf(job)
  const fronts = circuits.filter((c, i) => circuits.findIndex((o) => drawnCore(job, o) === drawnCore(job, c)) === i)
  return [...fronts.map((c) => frontView(job, c)), ...circuits.map((c) => sectionView(job, c))].filter(
    (d) => d !== null,
  )
}
