import { CORE_VERSION } from './version'
import { type Job, lookupOf, type MarginId, readingChangeOf } from '../job'
import { Bench, corners, gravest, informedLookup, type Lookup, NotingBench, verdictOf, type Weighing } from '../reading'
import { decidingOf, xOf } from './deciding'
import { type Evaluation, type MarginResult, type PartResult } from './evaluation'
import { type Findings } from './findings'
import { ranOf } from './ran'
import { heedsSeen, perhaps } from './told-from-draws'
import { marginsOf } from './margins-of'
import { figureOf, isMissing, isOpen, type MarginDefinition, marginUnits, type PartDefinition } from './part'
import { say } from '../words'

/** differences below this are rounding, not a shortfall */
const ROUNDING = 1e-9
const settled = (value: number): number => (Math.abs(value) < ROUNDING ? 0 : value)

/** said where a part comes to no figure at some end of its readings */
const NO_FIGURE = say`readings that it can be worked out from: with these, or at their ends, it comes to no figure`

/** A part as it was worked out, with every reading that went into it, its scale's too. */
interface Kept {
  readonly result: PartResult
  readonly touched: ReadonlySet<string>
}

function evaluatePart(part: PartDefinition, lookup: Lookup, keep: (touched: ReadonlySet<string>) => void): PartResult {
  const { id, name, unit, required } = part
  const run = part.run === undefined ? {} : { run: part.run }
  const common = { id, name, unit, required, warns: part.warns !== undefined, ...run }
  const wordless = { value: null, worst: null, best: null, scale: null, hurtsMost: null, readings: [], working: [] }
  if (isOpen(part)) return { ...common, ...wordless, verdict: 'open', words: part.needs }
  if (isMissing(part)) return { ...common, ...wordless, verdict: 'short', words: part.missing }
  const { si } = marginUnits[unit]
  const bench = new NotingBench(lookup)
  const nominal = part.compute(bench)
  const { worst, best, hurtsMost } = corners((b) => figureOf(part, b), lookup, bench.touched, nominal.value)
  const value = settled(nominal.value / si)
  const low = settled(worst / si)
  if (verdictOf(value, low) === 'open')
    return { ...common, ...wordless, verdict: 'open', words: NO_FIGURE, readings: [...bench.touched] }
  const scaleBench = new NotingBench(lookup)
  const scale = Math.max(part.scale(scaleBench), 1e-9)
  keep(new Set([...bench.touched, ...scaleBench.touched]))
  return {
    ...common,
    verdict: verdictOf(value, low),
    value,
    worst: Math.min(value, low),
    best: Math.max(value, settled(best / si)),
    scale,
    words: null,
    hurtsMost: hurtsMost ?? null,
    readings: [...bench.touched],
    working: [...nominal.lines] as PartResult['working'],
  }
}

/** Parts of one evaluation by margin and name. */
type Parts = Map<string, Kept>
const keyOf = (margin: MarginDefinition, part: PartDefinition): string => `${margin.id}: ${part.id}`

/**
 * What a part came to before, where only a reading has changed since that it never looked at. How it is called and what
 * is required of it is as it is now.
 */
function asBefore(part: PartDefinition, before: Kept | undefined, changed: string | undefined): PartResult | null {
  if (!before || changed === undefined || before.touched.has(changed) || isOpen(part) || isMissing(part)) return null
  return { ...before.result, name: part.name, required: part.required }
}

function evaluateMargin(
  margin: MarginDefinition,
  lookup: Lookup,
  now: Parts,
  before: { readonly parts: Parts; readonly changed: string } | null,
): MarginResult {
  const parts = margin.parts.map((p) => {
    const key = keyOf(margin, p)
    const kept = before?.parts.get(key)
    const same = asBefore(p, kept, before?.changed)
    if (same) {
      now.set(key, { result: same, touched: kept!.touched })
      return same
    }
    let touched: ReadonlySet<string> | null = null
    const result = evaluatePart(p, lookup, (t) => {
      touched = t
    })
    if (touched) now.set(key, { result, touched })
    return result
  })
  const counting = parts.filter((p) => !p.warns)
  const shortInWords = counting.find((p) => p.verdict === 'short' && p.value === null)
  const numbered = counting.filter((p) => p.value !== null)
  const verdict = gravest(counting.map((p) => p.verdict))
  const least =
    decidingOf(counting, verdict) ??
    (numbered.length ? numbered.reduce((a, b) => (xOf(b) < xOf(a) ? b : a)) : counting[0])
  const x = (at: 'value' | 'worst' | 'best'): number | null =>
    shortInWords || !numbered.length ? null : Math.min(...numbered.map((p) => xOf(p, at)))
  const texts = new Map(margin.parts.flatMap((p) => (p.warns ? [[p.id, p.warns] as const] : [])))
  return {
    id: margin.id,
    name: margin.name,
    verdict,
    part: least?.id ?? null,
    unit: least?.unit ?? 'K',
    value: least?.value ?? null,
    required: least?.required ?? 0,
    worst: least?.worst ?? null,
    best: least?.best ?? null,
    x: x('value'),
    xWorst: x('worst'),
    xBest: x('best'),
    needs: [...new Set(counting.flatMap((p) => (p.verdict === 'open' && p.words ? [p.words] : [])))],
    basis: margin.basis ?? 'readings',
    working: least?.working ?? [],
    parts,
    warnings: parts
      .filter((p) => p.warns && (p.verdict === 'short' || p.verdict === 'unsure'))
      .map((p) => ({ part: p.id, text: p.verdict === 'short' ? texts.get(p.id)! : perhaps(texts.get(p.id)!) })),
    notes: [...(margin.notes ?? [])],
    hurtsMost: (numbered.length ? leastSure(numbered)?.hurtsMost : null) ?? null,
  }
}

/** The part whose worst corner lies lowest: where measuring helps most. */
const leastSure = (parts: readonly PartResult[]): PartResult | undefined =>
  parts.reduce<PartResult | undefined>(
    (a, b) => (a === undefined || xOf(b, 'worst') < xOf(a, 'worst') ? b : a),
    undefined,
  )

/** a fan's size decides how long it takes to start, and has no spread there */
const READ_WITHOUT_NOTING = /\.part\.diameterM$/

/** What each job's parts came to last; a keystroke changes one reading, and most parts never look at it. */
const evaluated = new WeakMap<Job, { readonly findings: Findings | null; readonly parts: Parts }>()

/** Guards are worked out from the readings as they were typed; judgements from what was seen as well. */
const lookupsOf = (job: Job, findings: Findings | null): { readonly plain: Lookup; readonly informed: Lookup } => {
  const plain = lookupOf(job)
  return { plain, informed: informedLookup(plain, findings?.evidence ?? null) }
}

const evidenceOf = ({ seen, informed, contradiction, heat }: Weighing): Partial<Evaluation> => ({
  heat,
  evidence: seen,
  informed,
  contradiction,
})

/**
 * Every margin of a job: nominal values, corners, verdicts and workings. Pure and total on a valid job.
 * @param findings what its runs came to and what was seen tells, where they have been made for this state of it; else
 *   rules of thumb stand in their place
 * @param quickly while something is typed: parts that never looked at the one reading that changed stand as they were
 * @see margins.md, engineering §0
 */
export function evaluate(job: Job, findings: Findings | null = null, { quickly = false } = {}): Evaluation {
  const run = ranOf(findings)
  const lookups = lookupsOf(job, findings)
  const change = quickly ? readingChangeOf(job) : null
  const reusable = change !== null && !READ_WITHOUT_NOTING.test(change.address)
  const last = reusable ? evaluated.get(change.from) : undefined
  const before = reusable && last?.findings === findings ? { parts: last.parts, changed: change.address } : null
  const parts: Parts = new Map()
  evaluated.set(job, { findings, parts })
  return {
    jobVersion: job.version,
    coreVersion: CORE_VERSION,
    margins: marginsOf(job, new Bench(lookups.informed), run).map((m) =>
      evaluateMargin(m, heedsSeen(m.id) ? lookups.informed : lookups.plain, parts, before),
    ),
    ...(run ? { run: { at: run.at, day: run.day, settled: run.settled } } : {}),
    ...(findings?.next.length ? { next: findings.next } : {}),
    ...(findings?.evidence ? evidenceOf(findings.evidence) : {}),
  }
}

/** Some margins of a job, where the others do not matter. */
export const evaluateSome = (job: Job, ids: readonly MarginId[], findings: Findings | null = null): MarginResult[] => {
  const lookups = lookupsOf(job, findings)
  return marginsOf(job, new Bench(lookups.informed), ranOf(findings), ids).map((m) =>
    evaluateMargin(m, heedsSeen(m.id) ? lookups.informed : lookups.plain, new Map(), null),
  )
}

/**
 * Whether parts of some margins hold at the worst end of every reading, without runs: the inside of a search for a wire
 * or a fuse, which ends at the first that does not.
 * @param which of their parts are asked
 */
export function holdAt(job: Job, ids: readonly MarginId[], which: (part: PartDefinition) => boolean): boolean {
  const lookup = lookupOf(job)
  return marginsOf(job, new Bench(lookup), null, ids).every((m) =>
    m.parts.every((p) => !which(p) || evaluatePart(p, lookup, () => undefined).verdict === 'holds'),
  )
}
