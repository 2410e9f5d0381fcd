import { type FanRating, runningFan, type Start, startingCurrent, startTimeConstant } from '../electrical'
import { type Bench, term, worked, type Worked } from '../reading'
import type { ChosenFan } from './circuit'
import { say } from '../words'

/** The fan's nameplate with this pass's readings. */
export function ratingOf(bench: Bench, fan: ChosenFan): FanRating {
  return {
    motor: fan.part.motor,
    ratedV: fan.part.ratedV,
    ratedA: bench.value(fan.at.ratedA),
    lockedA: fan.part.lockedA ? bench.value(fan.at.lockedA) : null,
    diameterM: fan.part.diameterM.value,
  }
}

/**
 * Running current at the regulator's voltage with nothing in the way: the most that the fan takes in service,
 * so that no longer or thinner wire can flatter a margin.
 * @returns A
 * @see engineering §1.6
 */
export const runningAmps = (bench: Bench, fan: ChosenFan): number =>
  runningFan(ratingOf(bench, fan), bench.value('charging.regulatorV')).currentA

/** First instant of a start at the regulator's voltage with nothing in the way. @returns A @see engineering §1.6 */
export const startingAmps = (bench: Bench, fan: ChosenFan): number =>
  startingCurrent(ratingOf(bench, fan), bench.value('charging.regulatorV'))

/** {@link runningAmps} with its working. @see engineering §1.6 */
export function runCurrent(bench: Bench, fan: ChosenFan): Worked {
  const rating = ratingOf(bench, fan)
  const volts = bench.value('charging.regulatorV')
  return worked(
    say`fan, running`,
    say`fan curve: {0} at {1}, here at {2}`,
    [
      term(say`rated current`, rating.ratedA, 'current', fan.at.ratedA),
      term(say`rated voltage`, rating.ratedV, 'voltage'),
      term(say`regulator`, volts, 'voltage', 'charging.regulatorV'),
    ],
    runningAmps(bench, fan),
    'current',
    '§1.6',
  )
}

/** {@link startingAmps} with its working. @see engineering §1.6 */
export function startCurrent(bench: Bench, fan: ChosenFan): Worked {
  const volts = bench.value('charging.regulatorV')
  return worked(
    say`fan, starting`,
    say`{0} over its winding`,
    [term(say`regulator`, volts, 'voltage', 'charging.regulatorV')],
    startingAmps(bench, fan),
    'current',
    '§1.6',
  )
}

export const startOf = (bench: Bench, fan: ChosenFan): Start => ({
  runningA: runningAmps(bench, fan),
  startingA: startingAmps(bench, fan),
  timeConstantS: startTimeConstant(fan.part.diameterM.value),
})
