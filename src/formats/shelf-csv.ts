import Papa from 'papaparse'
import { formOf, formText, type Part, type PartKind, partKinds, partSchema, readForm, sourcePath } from '../core/parts'
import { inEnglish, say } from '../core/words'

/** every column that a part of any kind can have, in the order of the forms */
const columns = (): string[] => {
  const paths = (Object.keys(partKinds) as PartKind[]).flatMap((kind) =>
    formOf(kind).flatMap((l) => (l.kind === 'reading' ? [l.path, sourcePath(l.path)] : [l.path])),
  )
  return ['kind', 'id', ...new Set(paths), 'facts']
}

const FIGURES = 12

/** A shelf as CSV that a spreadsheet opens, one part a row, figures with their units. Reads back to the same parts. */
export function writeShelfCsv(parts: readonly Part[]): string {
  const rows = parts.map((part) => ({
    kind: part.kind,
    id: part.id,
    ...inEnglish(() => formText(part, 'metric', FIGURES)),
    facts: part.facts.length ? JSON.stringify(part.facts) : '',
  }))
  return Papa.unparse({ fields: columns(), data: rows }, { newline: '\r\n', escapeFormulae: false })
}

export interface ShelfProblem {
  readonly row: number
  readonly name: string
  readonly message: string
}

const isKind = (word: string): word is PartKind => Object.hasOwn(partKinds, word)

function facts(text: string | undefined): unknown {
  if (!text) return []
  try {
    return JSON.parse(text) as unknown
  } catch {
    return null
  }
}

function readFacts(part: Part, list: unknown): Part | null {
  const parsed = partSchema.safeParse({ ...part, facts: list })
  return parsed.success ? parsed.data : null
}

/**
 * Parts from CSV with a header row; figures may be in any unit, columns in any order, unknown columns are left aside.
 * @returns the parts that can be read, and for each other row why not (rows counted as in a spreadsheet, the header is
 *   1)
 */
export function readShelfCsv(text: string): { readonly parts: Part[]; readonly problems: ShelfProblem[] } {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim(),
  })
  const parts: Part[] = []
  const problems: ShelfProblem[] = []
  const seen = new Set<string>()
  data.forEach((row, i) => {
    const refuse = (message: string): void => {
      problems.push({ row: i + 2, name: row.name ?? '', message })
    }
    const kind = (row.kind ?? '').trim()
    if (!isKind(kind))
      return refuse(say`"${kind.slice(0, 30)}" is not a kind of part. There are ${Object.keys(partKinds).join(', ')}.`)
    const id =
      (row.id ?? '').trim() ||
      `${kind}-${(row.name ?? '')
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')}`.slice(0, 40)
    if (!/^[a-zA-Z0-9_-]{1,40}$/.test(id))
      return refuse(say`The id "${id.slice(0, 40)}" may only have letters, digits, - and _.`)
    if (seen.has(id)) return refuse(say`The id "${id}" stands twice.`)
    // as files are written first; a spreadsheet may have put in the signs of the language here
    const asFile = inEnglish(() => readForm(kind, id, row, 'metric'))
    const read = asFile.ok ? asFile : readForm(kind, id, row, 'metric')
    if (!read.ok)
      return refuse(
        Object.entries(read.problems)
          .map(([path, p]) => `${path}: ${p}`)
          .join(' '),
      )
    const list = facts(row.facts)
    const withFacts = readFacts(read.part, list)
    if (!withFacts) return refuse(say`The facts are not understood: leave that column as it was written.`)
    seen.add(id)
    parts.push(withFacts)
  })
  if (!data.length) problems.push({ row: 1, name: '', message: say`There is no row here.` })
  return { parts, problems }
}
