import type { UnitSystem } from '@/core/units'
import { say } from '@/core/words'

/** Which way an arrow key goes, to the right and down. */
export const wayOf: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** How far an arrow key moves a thing, mm; and how that is said. */
export interface KeySteps {
  readonly near: number
  readonly far: number
  readonly words: string
}

/** What an arrow key moves a thing by: what a rule of those units is divided in. */
export const keyStepsIn: Readonly<Record<UnitSystem, KeySteps>> = {
  metric: { near: 1, far: 10, words: say`1 mm, with Shift 10` },
  imperial: { near: 25.4 / 16, far: 25.4 / 2, words: say`1/16 in, with Shift 1/2` },
}
