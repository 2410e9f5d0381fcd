import { parse, type UnitSystem } from '../units'
import { factLines } from './facts'
import type { FormLine } from './form'
import type { Fact, Part, PartKind } from './part'

/** words that say which of several lengths or currents a figure is, by the end of the line's path */
const hints: readonly (readonly [path: RegExp, words: RegExp])[] = [
  [/lockedA$/, /\b(stall|locked|start)/i],
  [/standbyA$/, /\b(stand|idle|quiescent|draw)/i],
  [/ratedA$/, /\b(current|rated|draws?|amps?|running)/i],
  [/diameterM$/, /\b(diameter|dia|blade|across the blades)/i],
  [/depthM$/, /\b(depth|deep|thick)/i],
  [/housingM$/, /\b(housing|frame|overall|outside)/i],
  [/boltCircleM$/, /\b(bolt|holes?|fixing|pcd)/i],
  [/supplyLeadM$/, /\b(supply|battery) (lead|cable|wire)/i],
  [/leadM$/, /\b(lead|cable|wire)/i],
  [/closesC$/, /\b(on|closes?|cuts? in)/i],
  [/opensC$/, /\b(off|opens?|cuts? out)/i],
  [/coldCrankingA$/, /\b(crank|cca)/i],
]

const FIGURE =
  /(-?\d+(?:[.,]\d+)?)\s?(mm|cm|m3\/h|m³\/h|cfm|kPa|Pa|mbar|kg|g|lb|oz|°C|°F|mA|A\b|Ah|in\b|inch(?:es)?|m\b|W\b|V\b)/g

/** A figure that a text gives for one line of a part. */
export interface TextFigure {
  readonly line: FormLine
  readonly typed: string
  readonly value: number
}

const fitting = (line: FormLine, near: string): number => {
  const hint = hints.find(([path]) => path.test(line.path))
  if (!hint) return 1
  return hint[1].test(near) ? 2 : 0
}

/**
 * Figures of a pasted description that fit a part of this kind, each once: by their unit, and by the words before them
 * where several lines have that unit.
 * @example figuresIn('fan', 'Diameter 255 mm, 6.8 A', 'metric').map((f) => f.line.path) //=> ['diameterM', 'ratedA']
 */
export function figuresIn(kind: PartKind, text: string, units: UnitSystem): TextFigure[] {
  const lines = factLines(kind)
  const found: TextFigure[] = []
  let last = 0
  for (const match of text.matchAll(FIGURE)) {
    const near = text.slice(Math.max(last, match.index - 40), match.index)
    last = match.index + match[0].length
    const able = lines.flatMap((line) => {
      const read = parse(match[0], line.quantity!, units)
      return read.ok ? [{ line, typed: match[0], value: read.value, fits: fitting(line, near) }] : []
    })
    const best = Math.max(0, ...able.map((a) => a.fits))
    const own = able.filter((a) => a.fits === best)
    // by its unit alone only where no other line has it
    const sure = best === 2 || able.length === 1
    const [one] = sure ? own : []
    if (one && !found.some((f) => f.line.path === one.line.path))
      found.push({ line: one.line, typed: one.typed, value: one.value })
  }
  return found
}

const gramsOf = (text: string): Set<string> => {
  const plain = text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
  return new Set(Array.from({ length: Math.max(0, plain.length - 2) }, (_, i) => plain.slice(i, i + 3)))
}

/** from here on two descriptions are one that was copied (estimate) */
const COPIED = 0.8
/** too short to tell a copy from chance, letters */
const LEAST = 24

/**
 * How alike two texts are, 0…1, by the runs of three letters that they share (Dice's coefficient).
 * @example alike('axial fan 12 V, 255 mm', 'axial fan 12 V, 255 mm') //=> 1
 */
export function alike(a: string, b: string): number {
  const [x, y] = [gramsOf(a), gramsOf(b)]
  if (!x.size || !y.size) return 0
  return (2 * [...x].filter((g) => y.has(g)).length) / (x.size + y.size)
}

/**
 * Facts whose text is nearly that of another source: they count as one, by the later one's id and the earlier one's.
 */
export function copiedFacts(part: Pick<Part, 'facts'>): ReadonlyMap<string, string> {
  const copied = new Map<string, string>()
  part.facts.forEach((f, i) => {
    if (f.note.length < LEAST) return
    const earlier = part.facts
      .slice(0, i)
      .find((o: Fact) => o.from !== f.from && o.note.length >= LEAST && alike(o.note, f.note) >= COPIED)
    if (earlier) copied.set(f.id, earlier.id)
  })
  return copied
}
