import type { FanPart } from '../core/parts'
import { type Placement, placementCount, ranked, searchPlacements } from '../core/placing'
import { readJob } from '../formats'

/** What goes back while the search runs and when it is done. */
export type PlacementAnswer =
  | { readonly ticket: number; readonly done: number; readonly of: number }
  | { readonly ticket: number; readonly found: readonly Placement[] }
  | { readonly ticket: number; readonly message: string }

const SAY_MS = 60

/**
 * Message in: `{ ticket, job, fans }`; progress now and then, then what was found. To give a search up, end the worker.
 */
self.onmessage = (event: MessageEvent<{ ticket: number; job: unknown; fans: readonly FanPart[] }>) => {
  const { ticket, job, fans } = event.data
  const say = (answer: PlacementAnswer): void => self.postMessage(answer)
  const read = readJob(job)
  if (!read.ok) return say({ ticket, message: read.message })
  const of = placementCount(read.job, fans.length)
  const found: Placement[] = []
  let said = performance.now()
  for (const placement of searchPlacements(read.job, fans)) {
    found.push(placement)
    if (performance.now() - said > SAY_MS) {
      said = performance.now()
      say({ ticket, done: found.length, of })
    }
  }
  say({ ticket, found: ranked(found) })
}
