import type { Reading, Source } from './reading'

/**
 * The reading after somebody typed another value: what was a guess or a label is now taken as measured,
 * with the spread that was typed, or the source's own.
 */
export const retyped = (typed: string, value: number, spread: number | undefined): Reading => ({
  value,
  source: 'measured',
  typed,
  ...(spread === undefined ? {} : { spread }),
})

/** The reading with another source. A spread that somebody typed stays; one that belonged to the old source goes. */
export function withSource(reading: Reading, source: Source): Reading {
  const { spread, ...rest } = reading
  const byHand = spread !== undefined && /±|\+\/?-/.test(reading.typed ?? '')
  return { ...rest, source, ...(byHand ? { spread } : {}) }
}
