import { type Reading, type Source, sources } from '../reading'
import { format, parse, parseWireSize, type UnitSystem } from '../units'
import { fanGuesses } from './fan-guess'
import { type FormLine, formOf } from './form'
import { formText, type FormText, sourcePath } from './form-text'
import { type Part, type PartKind, partSchema } from './part'
import { at, set } from './paths'
import { say } from '../words'

export type FormRead =
  | { readonly ok: true; readonly part: Part }
  | { readonly ok: false; readonly problems: Readonly<Record<string, string>> }

/** without the last places' noise of a change of units, so that what is written out reads back the same */
const tidy = (si: number): number => Number(si.toPrecision(12))

const isSource = (word: string | undefined): word is Source => sources.includes(word as Source)

function readLine(line: FormLine, texts: FormText, units: UnitSystem): { value: unknown } | { problem: string } {
  const typed = (texts[line.path] ?? '').trim()
  if (typed === '') {
    if (line.kind === 'choice') return { value: line.options![0]!.value }
    if (line.kind === 'lines') return { value: [] }
    if (line.optional)
      return { value: line.kind === 'text' && line.path !== 'ingress' && line.path !== 'suppliedProbeId' ? '' : null }
    return { problem: say`Nothing is written here.` }
  }
  if (line.kind === 'lines')
    return {
      value: typed
        .split('\n')
        .map((l) => l.trim())
        .filter(Boolean),
    }
  if (line.kind === 'choice')
    return line.options!.some((o) => o.value === typed)
      ? { value: typed }
      : { problem: say`"${typed.slice(0, 30)}" is none of ${line.options!.map((o) => o.value).join(', ')}.` }
  if (line.kind === 'size') {
    const read = parseWireSize(typed, units)
    return read.ok ? { value: read.size } : { problem: read.message }
  }
  if (line.kind === 'text') return { value: typed }
  const read = parse(typed, line.quantity!, units)
  if (!read.ok) return { problem: read.message }
  if (line.kind === 'figure') return { value: tidy(read.value) }
  const word = texts[sourcePath(line.path)]
  return {
    value: {
      value: tidy(read.value),
      source: isSource(word) ? word : 'label',
      ...(read.spread === undefined ? {} : { spread: tidy(read.spread) }),
    } satisfies Reading,
  }
}

/** words of the document for what a form offers as text */
const coerced: Readonly<Record<string, (value: unknown) => unknown>> = {
  coilV: Number,
  insulationC: Number,
  hourRateH: Number,
  suppressed: (v) => v === 'yes',
}

/** what stands in a part only where somebody said so, and what is as good as unsaid */
const unsaid: Readonly<Record<string, (value: unknown) => boolean>> = {
  separately: (v) => Array.isArray(v) && v.length === 0,
  price: (v) => v === null,
  reorderAt: (v) => v === null,
  shows: (v) => v === '°C',
}

/** groups that stand in a part as a whole or not at all, by the line that decides */
const wholes: readonly (readonly [group: string, decides: string])[] = [
  ['range', 'range.minC'],
  ['fixed', 'fixed.closesC'],
  ['contact', 'contact.ratedA'],
]

interface Issue {
  readonly path: readonly PropertyKey[]
  readonly message: string
  readonly minimum?: unknown
  readonly maximum?: unknown
}

/** What is wrong with one line, its ends in the units that it is typed in. */
function problemOf({ message, minimum, maximum }: Issue, { path, quantity }: FormLine, units: UnitSystem): string {
  if (path === 'ingress') return say`Write it like IP65, or leave it empty.`
  if (quantity && typeof minimum === 'number') return say`This is at least ${format(minimum, quantity, units)}.`
  if (quantity && typeof maximum === 'number') return say`This is at most ${format(maximum, quantity, units)}.`
  return say`This cannot be: ${message}.`
}

/** What is wrong with a part, beside the lines that it came from. */
function problemsByLine(kind: PartKind, issues: readonly Issue[], units: UnitSystem): Record<string, string> {
  const problems: Record<string, string> = {}
  const lines = formOf(kind)
  for (const issue of issues) {
    const path = issue.path.join('.')
    const line =
      lines.find((l) => path === l.path || path.startsWith(`${l.path}.`)) ??
      lines.find((l) => l.path.startsWith(`${path}.`)) ??
      lines[0]!
    problems[line.path] ??= problemOf(issue, line, units)
  }
  return problems
}

/**
 * What was read of a form held to what a part may be.
 * @param unread what is wrong with lines that could not be read, by their path
 */
function held(
  kind: PartKind,
  part: Record<string, unknown>,
  unread: Readonly<Record<string, string>>,
  units: UnitSystem,
): FormRead {
  const diameter = part.diameterM as Reading | undefined
  if (kind === 'fan' && diameter)
    for (const [key, guess] of Object.entries(fanGuesses(diameter.value, (part.housingM as Reading | null)?.value)))
      part[key] ??= guess
  for (const [path, nothing] of Object.entries(unsaid)) if (nothing(part[path])) delete part[path]
  const parsed = partSchema.safeParse(part)
  const all = Object.keys(unread).length === 0
  if (parsed.success && all) return { ok: true, part: parsed.data }
  const issues = parsed.error?.issues ?? []
  // where some could not be read, the others are held to their ends beside them
  const read = formOf(kind).filter((l) => !(l.path in unread))
  const told = all
    ? issues
    : issues.filter(({ path }) => read.some((l) => `${path.join('.')}.`.startsWith(`${l.path}.`)))
  return { ok: false, problems: { ...problemsByLine(kind, told, units), ...unread } }
}

/**
 * A part from the texts of its form; what was not touched keeps its value to the last figure.
 * @param before the part that the form was filled from, if any
 * @returns the part, or for each path what is wrong with its text
 */
export function readForm(
  kind: PartKind,
  id: string,
  texts: FormText,
  units: UnitSystem,
  before: Part | null = null,
): FormRead {
  const problems: Record<string, string> = {}
  const part: Record<string, unknown> = { id, kind, facts: before?.facts ?? [] }
  const old = before && before.kind === kind ? formText(before, units) : null
  const absent = wholes
    .filter(
      ([group, decides]) =>
        formOf(kind).some((l) => l.path.startsWith(`${group}.`) && l.path === decides && l.optional) &&
        !(texts[decides] ?? '').trim(),
    )
    .map(([group]) => group)
  for (const line of formOf(kind)) {
    const group = line.path.split('.')[0]!
    if (absent.includes(group)) {
      part[group] = null
      continue
    }
    const untouched =
      old !== null && old[line.path] === texts[line.path] && old[sourcePath(line.path)] === texts[sourcePath(line.path)]
    if (untouched) {
      set(part, line.path, at(before, line.path))
      continue
    }
    const read = readLine(line, texts, units)
    if ('problem' in read) problems[line.path] = read.problem
    else set(part, line.path, coerced[line.path]?.(read.value) ?? read.value)
  }
  return held(kind, part, problems, units)
}
