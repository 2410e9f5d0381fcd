import type { Sheet } from './sheet-schema'

export type Section = Sheet['sections'][number]

/** Sections that are printed on request only. */
export const inAnnex = (sections: readonly Section[]): Section[] => sections.map((s) => ({ ...s, annex: true }))

/** One section of a sheet. */
export const section = (heading: string, lines: string[], columns: string[] = [], rows: string[][] = []): Section => ({
  heading,
  lines,
  table: rows.length ? { columns, rows } : null,
})
