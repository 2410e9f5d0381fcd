import type { Run } from '../../core/transient'

const HEAD = 't_s,coolant_c,metal_c,outlet_c,probe_c,fan_share,fan_speed,battery_v,battery_share,thermostat,boiling'

/** A run as a table, one line a kept row. In a bay, `coolant_c` is its air and `outlet_c` stays empty. */
export function writeRunCsv({ trace }: Run, bay = false): string {
  const lines = [HEAD]
  for (let i = 0; i < trace.rows; i++) {
    lines.push(
      [
        trace.t[i]!.toFixed(2),
        trace.hot[i]!.toFixed(3),
        trace.metal[i]!.toFixed(3),
        bay ? '' : trace.outlet[i]!.toFixed(3),
        trace.probe[i]!.toFixed(3),
        Math.max(0, ...trace.share.map((s) => s[i]!)).toFixed(3),
        Math.max(0, ...trace.speed.map((s) => s[i]!)).toFixed(4),
        trace.volts[i]!.toFixed(3),
        trace.charge[i]!.toFixed(5),
        trace.opening[i]!.toFixed(4),
        trace.boiling[i],
      ].join(','),
    )
  }
  return `${lines.join('\n')}\n`
}
