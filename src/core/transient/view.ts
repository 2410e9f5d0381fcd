import type { Trace } from './columns'
import type { Run } from './run'
import { thinned } from './thin'

/** A run as a chart and sentences need it: its figures, and rows thinned so that no peak is lost. */
export interface RunView extends Omit<Run, 'trace'> {
  readonly rows: Trace
}

const picked = (column: Float64Array, kept: readonly number[]): Float64Array =>
  Float64Array.from(kept, (i) => column[i]!)

/** @param most about how many rows are kept */
export function runView({ trace, ...run }: Run, most = 700): RunView {
  const kept = thinned([trace.hot, trace.probe, ...trace.share], trace.rows, most)
  const p = (c: Float64Array): Float64Array => picked(c, kept)
  return {
    ...run,
    rows: {
      rows: kept.length,
      t: p(trace.t),
      hot: p(trace.hot),
      metal: p(trace.metal),
      outlet: p(trace.outlet),
      probe: p(trace.probe),
      share: trace.share.map(p),
      speed: trace.speed.map(p),
      volts: p(trace.volts),
      charge: p(trace.charge),
      opening: p(trace.opening),
      boiling: Uint8Array.from(kept, (i) => trace.boiling[i]!),
    },
  }
}

/** The row that stands at a time, or just before it. */
export function rowAt({ rows }: RunView, seconds: number): number {
  let low = 0
  let high = rows.rows - 1
  while (low < high) {
    const mid = (low + high + 1) >> 1
    if (rows.t[mid]! <= seconds) low = mid
    else high = mid - 1
  }
  return low
}
