import { format, type UnitSystem, worded } from '../units'
import type { BeforeAfter } from './before-after'
import { seenInWords } from './words'
import { say } from '../words'

const times = (x: number): string => say`${Number(x.toPrecision(2))} times`

/** "took 1.6 times as long, 1.1 to 2.3" */
function changeInWords({ in: unit, change, told }: BeforeAfter, units: UnitSystem): string {
  if (!change) return ''
  const { low, middle, high } = change
  const v = (volts: number): string => format(volts, 'voltage', units, 2)
  switch (unit) {
    case 'times':
      return high === null
        ? say`${times(middle)} as long and still not come to, at least ${times(low)}`
        : say`${times(middle)} as long, ${times(low)} to ${times(high)}`
    case 'levels':
      if (middle === 0) return say`the same`
      return [
        Math.abs(middle),
        Math.abs(middle) === 1 ? say`step` : say`steps`,
        middle > 0 ? say`stronger` : say`weaker`,
      ].join(' ')
    case 'volts':
      return say`${v(middle)} more, ${v(low)} to ${v(high!)}`
    case 'kelvins': {
      const t = (k: number): string => format(k, 'temperatureDifference', units, 2)
      return told === 'better'
        ? say`${t(-middle)} cooler over its air, ${t(-high!)} to ${t(-low)}`
        : say`${t(middle)} over its air, ${t(low)} to ${t(high!)}`
    }
  }
}

const verdictWords: Readonly<Record<BeforeAfter['told'], string>> = {
  better: say`better`,
  worse: say`worse`,
  'no difference': say`no difference that these two can show`,
  'not comparable': say`not comparable`,
}

/** A pair in words: what before, what after, what that comes to. */
export const pairInWords = (pair: BeforeAfter, units: UnitSystem) => ({
  before: seenInWords(pair.before, units),
  after: seenInWords(pair.after, units),
  verdict: verdictWords[pair.told],
  change: pair.because === null ? changeInWords(pair, units) : worded(pair.because, units),
})
