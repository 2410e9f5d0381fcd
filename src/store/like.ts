import { sql, type RawBuilder } from 'kysely'

/** A pattern that finds the text anywhere, whatever of its letters a pattern would take for its own. */
const like = (text: string): string => `%${text.replace(/[\\%_]/g, (c) => `\\${c}`)}%`

const MOST_WORDS = 8

/** A condition on a row: each word of the text stands in one of these somewhere. */
export function holding(columns: readonly (string | RawBuilder<unknown>)[], text: string): RawBuilder<boolean> {
  const words = text.trim().split(/\s+/).filter(Boolean).slice(0, MOST_WORDS)
  const inOne = (word: string) =>
    sql`(${sql.join(
      columns.map((c) => sql`${typeof c === 'string' ? sql.ref(c) : c} like ${like(word)} escape '\\'`),
      sql` or `,
    )})`
  return words.length ? sql<boolean>`(${sql.join(words.map(inOne), sql` and `)})` : sql<boolean>`1`
}
