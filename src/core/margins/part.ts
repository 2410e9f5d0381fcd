import { type FanCircuit } from '../fan-circuit'
import type { MarginId } from '../job'
import { type Bench, following, lastLine, term, worked, type Worked } from '../reading'
import type { Quantity } from '../units'
import { say } from '../words'

/** Units that margins are told in, with their quantity and their size in SI. */
export const marginUnits = {
  mm: { quantity: 'length', si: 1e-3 },
  V: { quantity: 'voltage', si: 1 },
  A: { quantity: 'current', si: 1 },
  K: { quantity: 'temperatureDifference', si: 1 },
  W: { quantity: 'cooling', si: 1 },
  'mm²': { quantity: 'area', si: 1e-6 },
  '–': { quantity: 'share', si: 1 },
  '/h': { quantity: 'perHour', si: 1 },
  min: { quantity: 'minutes', si: 60 },
  d: { quantity: 'days', si: 86_400 },
} as const satisfies Record<string, { quantity: Quantity; si: number }>

export type MarginUnit = keyof typeof marginUnits

interface Common {
  readonly id: string
  /** as it stands in a sentence: "Charge short *at idle* by 1.4 A" */
  readonly name: string
  readonly unit: MarginUnit
  /** what `over` has already had taken off, in `unit` */
  readonly required: number
  /** id of the run that it speaks of, where it speaks of one */
  readonly run?: string
  /** never makes a margin short; what is said when it is below its line */
  readonly warns?: string
}

/** A part that can be worked out. `compute` returns `over` in SI: capacity − demand − required. */
export interface ComputedPart extends Common {
  readonly scale: (bench: Bench) => number
  readonly compute: (bench: Bench) => Worked
  /** the same figure without its working, to the last digit, where that is much quicker: corners and samples ask it */
  readonly figure?: (bench: Bench) => number
}

/** A part that waits for a choice. */
export interface OpenPart extends Common {
  readonly needs: string
}

/** A part that is short without a number, said in words. */
export interface MissingPart extends Common {
  readonly missing: string
}

export type PartDefinition = ComputedPart | OpenPart | MissingPart
export const isOpen = (p: PartDefinition): p is OpenPart => 'needs' in p
export const isMissing = (p: PartDefinition): p is MissingPart => 'missing' in p

export interface MarginDefinition {
  readonly id: MarginId
  readonly name: string
  readonly parts: readonly PartDefinition[]
  /** where the figures come from, where that is not only the readings */
  readonly basis?: 'rule of thumb' | 'run'
  /** said whatever the figures */
  readonly notes?: readonly string[]
}

/** Parts that speak of one fan's circuit. */
export const ofRun = ({ run }: FanCircuit, parts: readonly PartDefinition[]): PartDefinition[] =>
  parts.map((p) => ({ ...p, run: run.id }))

/** capacity − demand − required as a worked number that ends all lines before it; `requiredSi` in SI. */
export function over(
  capacity: Worked | Named,
  demand: Worked | Named,
  requiredSi: number,
  quantity: Quantity,
  cite: string,
): Worked {
  const [c, d] = [named(capacity), named(demand)]
  const before = [capacity, demand].filter((x): x is Worked => 'lines' in x)
  const terms = [term(c.name, c.value, quantity), term(d.name, d.value, quantity)]
  return following(
    before,
    requiredSi === 0
      ? worked(say`over the requirement`, '{0} − {1}', terms, c.value - d.value, quantity, cite)
      : worked(
          say`over the requirement`,
          '{0} − {1} − {2}',
          [...terms, term(say`required`, requiredSi, quantity)],
          c.value - d.value - requiredSi,
          quantity,
          cite,
        ),
  )
}

export interface Named {
  readonly name: string
  readonly value: number
}

function named(x: Worked | Named): Named {
  if ('name' in x) return x
  return { name: lastLine(x).name, value: x.value }
}

/** What a part comes to, for a pass that is not shown. */
export const figureOf = (part: ComputedPart, bench: Bench): number => part.figure?.(bench) ?? part.compute(bench).value

export const fixedScale = (scale: number) => (): number => scale
