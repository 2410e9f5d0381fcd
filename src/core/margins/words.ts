import { format, plainNumber, type UnitSystem } from '../units'
import { xOf } from './evaluate'
import type { Evaluation, MarginResult, PartResult } from './evaluation'
import { type MarginUnit, marginUnits } from './part'

/** A margin's figure in the chosen system: "1.4 A", "0.35 in". @param value in the margin's own unit */
export function marginFigure(value: number, unit: MarginUnit, system: UnitSystem): string {
  const { quantity, si } = marginUnits[unit]
  return unit === '–' ? plainNumber(value, 2) : format(value * si, quantity, system, 2)
}

/** The same with its sign always in front, as beside a bar: "+9 mm", "−1.4 A". */
export const signedFigure = (value: number, unit: MarginUnit, system: UnitSystem): string =>
  `${value >= 0 ? '+' : ''}${marginFigure(value, unit, system)}`

/** The part that decides a margin's verdict: the gravest, and of those the one lowest on the rail. */
export function decidingPart(margin: MarginResult): PartResult | undefined {
  const at = margin.verdict === 'unsure' ? 'worst' : 'value'
  return margin.parts
    .filter((p) => !p.warns && p.verdict === margin.verdict)
    .reduce<PartResult | undefined>((a, b) => (a === undefined || xOf(b, at) < xOf(a, at) ? b : a), undefined)
}

/** One sentence: "Charge short at idle by 1.4 A". */
export function marginInWords(margin: MarginResult, system: UnitSystem): string {
  const part = decidingPart(margin)
  if (margin.verdict === 'open') return `${margin.name} open: needs ${margin.needs[0] ?? 'a choice'}`
  if (margin.verdict === 'short') {
    return part?.value == null
      ? `${margin.name} short: ${part?.words ?? ''}`
      : `${margin.name} short ${part.name} by ${marginFigure(-part.value, part.unit, system)}`
  }
  if (margin.verdict === 'unsure')
    return (
      `${margin.name} unsure ${part?.name ?? ''}: ` +
      `${signedFigure(part?.value ?? 0, part?.unit ?? 'K', system)}, at worst ` +
      `${signedFigure(part?.worst ?? 0, part?.unit ?? 'K', system)}`
    )
  return margin.value === null
    ? `${margin.name} holds`
    : `${margin.name} holds by ${marginFigure(margin.value, margin.unit, system)}`
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
    .flatMap(([word, v]) => (count(v) ? [`${count(v)} ${word === 'hold' && count(v) === 1 ? 'holds' : word}`] : []))
    .join(', ')
}

/** The worst margin in words, or that there is nothing to say. */
export function worstInWords(evaluation: Evaluation, system: UnitSystem): string {
  const worst = worstMargin(evaluation)
  if (!worst || worst.verdict === 'holds') return 'All margins hold'
  if (worst.verdict === 'open') {
    const open = evaluation.margins.filter((m) => m.verdict === 'open')
    return open.length === 1 ? `All worked out hold; ${open[0]!.name} is open` : marginInWords(worst, system)
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
