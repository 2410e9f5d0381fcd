import type { Sheet } from './sheet-schema'

export type Section = Sheet['sections'][number]

/** One section of a sheet. */
export const section = (heading: string, lines: string[], columns: string[] = [], rows: string[][] = []): Section => ({
  heading,
  lines,
  table: rows.length ? { columns, rows } : null,
})
