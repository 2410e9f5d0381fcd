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
 * @see engineering §1.6
 */
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
    runningFan(rating, volts).currentA,
    'current',
    '§1.6',
  )
}

/** First instant of a start at the regulator's voltage with nothing in the way. @see engineering §1.6 */
export function startCurrent(bench: Bench, fan: ChosenFan): Worked {
  const rating = ratingOf(bench, fan)
  const volts = bench.value('charging.regulatorV')
  return worked(
    say`fan, starting`,
    say`{0} over its winding`,
    [term(say`regulator`, volts, 'voltage', 'charging.regulatorV')],
    startingCurrent(rating, volts),
    'current',
    '§1.6',
  )
}

export const startOf = (bench: Bench, fan: ChosenFan): Start => ({
  runningA: runCurrent(bench, fan).value,
  startingA: startCurrent(bench, fan).value,
  timeConstantS: startTimeConstant(fan.part.diameterM.value),
})
