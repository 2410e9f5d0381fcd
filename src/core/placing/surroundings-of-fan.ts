import type { Box, Rectangle } from '../fit'
import type { Job, Obstacle, Seat } from '../job'
import type { Bench } from '../reading'
import { say } from '../words'

/** What must stay free, mm, and what stands there. @see engineering §7 */
export const neighbours = {
  fixed: { name: say`a fixed part`, requiredMm: 6 },
  moves: { name: say`something that moves or rocks`, requiredMm: 15 },
  exhaust: { name: say`an exhaust or a shield on it`, requiredMm: 50 },
} as const

/** what lies behind an obstacle's front is taken, as far as anything could reach, m */
const DEEP = 2

/** How much thicker the new core is; 0 where the core stays. */
export const thicker = (bench: Bench, job: Job): number =>
  job.newCore ? bench.value('newCore.thicknessM') - bench.value('cooling.coreThicknessM') : 0

/** Whether an obstacle stands on the side of the core where the fan is, and is left there. */
export const onFansSide = (job: Job, { side, dealt }: Pick<Obstacle, 'side' | 'dealt'>): boolean =>
  dealt !== 'comes off' && (side === 'behind') === (job.place.side === 'puller')

/**
 * What an obstacle takes up, in the position in which it comes closest; a thicker core grows towards what is behind it.
 * @see engineering §7
 */
export function obstacleBox(
  job: Job,
  { id, side, kind }: Obstacle,
): { readonly readings: readonly string[]; readonly at: (bench: Bench) => Box } {
  const [x, y, w, h, free, travel] = ['fromLeftM', 'fromTopM', 'wideM', 'highM', 'freeM', 'travelM'].map(
    (r) => `place.obstacles.${id}.${r}`,
  ) as [string, string, string, string, string, string]
  return {
    readings: [x, y, w, h, free, ...(kind === 'moves' ? [travel] : [])],
    at: (bench) => {
      const from =
        bench.value(free) - (kind === 'moves' ? bench.value(travel) : 0) - (side === 'behind' ? thicker(bench, job) : 0)
      return { x: bench.value(x), y: bench.value(y), w: bench.value(w), h: bench.value(h), from, to: from + DEEP }
    },
  }
}

/** A fan's frame with what holds it, from the core's face outwards. @see engineering §7 */
export function fanBox(seat: Pick<Seat, 'xM' | 'yM'>, housingM: number, depthM: number, standOffM: number): Box {
  return {
    x: seat.xM - housingM / 2,
    y: seat.yM - housingM / 2,
    w: housingM,
    h: housingM,
    from: 0,
    to: standOffM + depthM,
  }
}

export const coreFace = (bench: Bench): Rectangle => ({
  x: 0,
  y: 0,
  w: bench.value('cooling.coreWidthM'),
  h: bench.value('cooling.coreHeightM'),
})
