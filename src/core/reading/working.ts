import type { Quantity } from '../units'

/** One number put into a formula. `address` leads back to the reading it came from. */
export interface Term {
  readonly name: string
  readonly value: number
  readonly quantity: Quantity
  readonly address?: string | undefined
}

/**
 * One line of a working. `formula` holds the terms as {0}, {1}, …: written out once with names, once with numbers.
 * Numbers stay SI here, so that the same line can be read in either system.
 */
export interface Line {
  readonly name: string
  readonly formula: string
  readonly terms: readonly Term[]
  readonly value: number
  readonly quantity: Quantity
  /** section of the engineering reference */
  readonly cite: string
}

/** A number with the lines that led to it. */
export interface Worked {
  readonly value: number
  readonly lines: readonly Line[]
}

export const term = (name: string, value: number, quantity: Quantity, address?: string): Term =>
  address === undefined ? { name, value, quantity } : { name, value, quantity, address }

/** A single line as a worked number. */
export const worked = (
  name: string,
  formula: string,
  terms: readonly Term[],
  value: number,
  quantity: Quantity,
  cite: string,
): Worked => ({ value, lines: [{ name, formula, terms, value, quantity, cite }] })

/** The line that gives a worked number its name. */
export const lastLine = (w: Worked): Line => (w instanceof Chain ? lastLine(w.last) : w.lines[w.lines.length - 1]!)

/** Lines are put together only when somebody reads them: corners and samples never do. */
class Chain implements Worked {
  constructor(
    private readonly before: readonly Worked[],
    readonly last: Worked,
  ) {}
  get value(): number {
    return this.last.value
  }
  get lines(): readonly Line[] {
    return [...this.before.flatMap((w) => w.lines), ...this.last.lines]
  }
}

/** A number whose last line follows from earlier ones. */
export const following = (before: readonly Worked[], last: Worked): Worked => new Chain(before, last)
