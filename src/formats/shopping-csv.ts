import Papa from 'papaparse'
import type { Sheet } from '../core/sheets'
import { say } from '../core/words'
import { plain } from './plain-cell'

/** What is to get, one thing a row, with the heading that it stands under. */
export const writeShoppingCsv = (sheet: Sheet): string =>
  Papa.unparse(
    [
      [say`list`, say`what`, say`how much`, say`shelf`],
      ...sheet.sections.flatMap((s) => (s.table?.rows ?? []).map((row) => [s.heading, ...row])),
    ].map((row) => row.map(plain)),
    { newline: '\r\n' },
  )
