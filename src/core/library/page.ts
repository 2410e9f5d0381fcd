import type { Job } from '../job'

/** One piece of an answer: words, and a table where figures stand side by side. */
export interface Told {
  readonly heading: string
  readonly lines: readonly string[]
  readonly table: { readonly columns: readonly string[]; readonly rows: readonly (readonly string[])[] } | null
}

/** The answer to one of the {@link questions}, worked with a machine's own figures. */
export interface LibraryPage {
  readonly id: string
  /** whether a job has what it takes to work it with */
  readonly when: (job: Job) => boolean
  readonly tell: (job: Job) => Told[]
}

export const told = (
  heading: string,
  lines: readonly string[],
  columns: readonly string[] = [],
  rows: readonly (readonly string[])[] = [],
): Told => ({
  heading,
  lines,
  table: rows.length ? { columns, rows } : null,
})
