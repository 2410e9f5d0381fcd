import { format, plainNumber, type UnitSystem } from '../units'
import { decidingOf, xOf } from './deciding'
import type { Evaluation, MarginResult, PartResult } from './evaluation'
import { type MarginUnit, marginUnits } from './part'
import { say, spokenWord } from '../words'

/** A margin's figure in the chosen system: "1.4 A", "0.35 in". @param value in the margin's own unit */
export function marginFigure(value: number, unit: MarginUnit, system: UnitSystem): string {
  const { quantity, si } = marginUnits[unit]
  return unit === '–' ? plainNumber(value, 2) : format(value * si, quantity, system, 2)
}

/** The same with its sign always in front, as beside a bar: "+9 mm", "−1.4 A". */
export const signedFigure = (value: number, unit: MarginUnit, system: UnitSystem): string =>
  `${value >= 0 ? '+' : ''}${marginFigure(value, unit, system)}`

/** The part that decides a margin's verdict: the gravest, and of those the one lowest on the rail. */
export const decidingPart = (margin: MarginResult): PartResult | undefined =>
  decidingOf(margin.parts, margin.verdict) ??
  margin.parts
    .filter((p) => !p.warns && p.verdict === margin.verdict)
    .reduce<PartResult | undefined>((a, b) => (a === undefined || xOf(b) < xOf(a) ? b : a), undefined)

/** A chance as a mechanic would say it: "short 1 time in 4", "short 62 times in 100". */
export function chanceInWords(chanceShort: number): string {
  if (chanceShort <= 0) return say`never short`
  if (chanceShort >= 0.995) return say`short every time`
  const each = Math.round(1 / chanceShort)
  return chanceShort < 0.4 && each >= 3 && each <= 10 && Math.abs(1 / each - chanceShort) < 0.02
    ? say`short 1 time in ${each}`
    : say`short ${chanceShort < 0.01 ? say`less than 1 time` : say`${Math.round(100 * chanceShort)} times`} in 100`
}

/** "Charge short at idle by 1.4 A"; what is missing, or how often it is short where its middle is not */
function shortInWords(margin: MarginResult, part: PartResult | undefined, system: UnitSystem): string {
  if (part?.value == null) return say`${margin.name} short: ${part?.words ?? ''}`
  // told from draws it may be short oftener than not while the middle of its readings is not
  return part.value >= 0 && margin.chanceShort != null
    ? `${margin.name} ${part.name} ${chanceInWords(margin.chanceShort)}`
    : say`${margin.name} short ${part.name} by ${marginFigure(-part.value, part.unit, system)}`
}

/** "Air unsure moving: +5 K, short 1 time in 4"; told from a corner, how it stands there */
function unsureInWords(margin: MarginResult, part: PartResult | undefined, system: UnitSystem): string {
  const figure = (value: number | null | undefined): string => signedFigure(value ?? 0, part?.unit ?? 'K', system)
  const stands = say`${margin.name} unsure ${part?.name ?? ''}: ${figure(part?.value)}`
  if (margin.soft) return stands
  return margin.toldFrom === 'draws' && margin.chanceShort != null
    ? `${stands}, ${chanceInWords(margin.chanceShort)}`
    : say`${stands}, at worst ${figure(part?.worst)}`
}

/** One sentence: "Charge short at idle by 1.4 A". */
export function marginInWords(margin: MarginResult, system: UnitSystem): string {
  const part = decidingPart(margin)
  if (margin.verdict === 'open') return say`${margin.name} open: needs ${margin.needs[0] ?? say`a choice`}`
  if (margin.verdict === 'short') return shortInWords(margin, part, system)
  if (margin.verdict === 'unsure') return unsureInWords(margin, part, system)
  return margin.value === null
    ? say`${margin.name} holds`
    : say`${margin.name} holds by ${marginFigure(margin.value, margin.unit, system)}`
}

const order = ['short', 'unsure', 'open', 'holds'] as const

/** The margin that matters most: short before unsure before open; of equals the lowest on the rail. */
export function worstMargin(evaluation: Evaluation): MarginResult | undefined {
  const depth = (m: MarginResult): number => (m.verdict === 'unsure' ? m.xWorst : m.x) ?? Number.NEGATIVE_INFINITY
  return [...evaluation.margins].sort(
    (a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict) || depth(a) - depth(b),
  )[0]
}

/** "7 hold, 2 unsure, 1 short" */
export function tally(evaluation: Evaluation): string {
  const count = (v: MarginResult['verdict']): number => evaluation.margins.filter((m) => m.verdict === v).length
  return (
    [
      ['hold', 'holds'],
      ['unsure', 'unsure'],
      ['open', 'open'],
      ['short', 'short'],
    ] as const
  )
    .flatMap(([word, v]) =>
      count(v) ? [`${count(v)} ${word === 'hold' && count(v) === 1 ? say`holds` : spokenWord(word)}`] : [],
    )
    .join(', ')
}

/** The worst margin in words, or that there is nothing to say. */
export function worstInWords(evaluation: Evaluation, system: UnitSystem): string {
  const worst = worstMargin(evaluation)
  if (!worst || worst.verdict === 'holds') return say`All margins hold`
  if (worst.verdict === 'open') {
    const open = evaluation.margins.filter((m) => m.verdict === 'open')
    return open.length === 1 ? say`All worked out hold; ${open[0]!.name} is open` : marginInWords(worst, system)
  }
  return marginInWords(worst, system)
}

/** Station that a margin belongs to. */
export const stationOfMargin = {
  fit: 'place',
  air: 'place',
  supply: 'wire',
  wire: 'wire',
  fuse: 'wire',
  contacts: 'wire',
  charge: 'power',
  battery: 'power',
  trigger: 'trigger',
  boil: 'trigger',
} as const
