import type { LayPlace } from '../job'
import type { Bench } from '../reading'

/** within 100 mm of an exhaust, on top of what was measured along the way, K (estimate) @see engineering §1.1 */
const EXHAUST_K = 30

/** Which reading says how hot it gets around a wire or fuse, and what comes on top. */
export interface Surroundings {
  readonly ambientC: string
  readonly moreK: number
}

/**
 * Whose heat a wire or fuse gets, by where it lies: the bay's, the day's, or its own reading.
 * @param own address of the wire or fuse
 * @see engineering §1.1
 */
export function surroundingsOf(own: string, lies: LayPlace): Surroundings {
  if (lies === 'bay') return { ambientC: 'bay.allowedC', moreK: 0 }
  if (lies === 'outside') return { ambientC: 'surroundings.hottestC', moreK: 0 }
  return { ambientC: `${own}.ambientC`, moreK: lies === 'exhaust' ? EXHAUST_K : 0 }
}

/** How hot it gets there, °C. */
export const ambientAt = (bench: Bench, { ambientC, moreK }: Surroundings): number => bench.value(ambientC) + moreK
