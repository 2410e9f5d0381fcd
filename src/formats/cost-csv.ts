import Papa from 'papaparse'
import type { Cost } from '../core/schedule'
import { say } from '../core/words'
import { plain } from './plain-cell'

/** What a job costs as a table: a line each, what has no price empty, the sum of what has one at the end. */
export function writeCostCsv({ lines, total, unpriced, currency }: Cost): string {
  const money = (v: number | null): string => (v === null ? '' : v.toFixed(2))
  return Papa.unparse(
    [
      [say`what`, say`about`, say`how much`, say`unit`, say`each`, currency || say`sum`],
      ...lines.map((l) => [l.what, l.about, String(l.count), l.unit, money(l.each), money(l.total)]),
      [unpriced ? say`at least, ${unpriced} without a price` : say`in all`, '', '', '', '', money(total)],
    ].map((row) => row.map(plain)),
    { newline: '\r\n' },
  )
}
