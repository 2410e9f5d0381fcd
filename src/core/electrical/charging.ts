import { following, term, worked, type Worked } from '../reading'
import { say } from '../words'

/** One reading of the charging current at an engine speed. */
export interface ChargePoint {
  readonly rpm: number
  readonly currentA: number
}

/**
 * Charging current by the rated output alone.
 * @param idleRpm zero current is taken at half of it (estimate)
 * @returns A
 * @see engineering §1.8
 * @example chargeFromRating(5000, 20, 5000, 1500).value //=> 20
 */
export function chargeFromRating(rpm: number, ratedA: number, ratedRpm: number, idleRpm: number): Worked {
  const rpm0 = Math.min(idleRpm / 2, ratedRpm * 0.9)
  const scale = (ratedRpm - rpm0) / 3
  const value = rpm <= rpm0 ? 0 : (ratedA * (1 - Math.exp(-(rpm - rpm0) / scale))) / (1 - Math.exp(-3))
  return worked(
    say`charging`,
    '{0} × (1 − e^(−({1} − {2}) / {3})) / (1 − e^(−3))',
    [
      term(say`rated output`, ratedA, 'current'),
      term(say`engine speed`, rpm, 'engineSpeed'),
      term(say`speed without output`, rpm0, 'engineSpeed'),
      term(say`a third of the way to the rating`, scale, 'engineSpeed'),
    ],
    value,
    'current',
    '§1.8',
  )
}

/**
 * Charging current between measured points: straight to 0 A at 0 rpm below the first, level above the last.
 * @param points in any order, at least one
 * @returns A
 * @see engineering §1.8
 * @example chargeFromPoints(2000, [{ rpm: 1000, currentA: 4 }, { rpm: 3000, currentA: 8 }]).value //=> 6
 */
export function chargeFromPoints(rpm: number, points: readonly ChargePoint[]): Worked {
  const sorted = [{ rpm: 0, currentA: 0 }, ...points.filter((p) => p.rpm > 0).sort((a, b) => a.rpm - b.rpm)]
  const above = sorted.findIndex((p) => p.rpm >= rpm)
  const to = above < 0 ? sorted[sorted.length - 1]! : sorted[above]!
  const from = above <= 0 ? to : sorted[above - 1]!
  const share = to.rpm === from.rpm ? 1 : Math.min(1, (rpm - from.rpm) / (to.rpm - from.rpm))
  return worked(
    say`charging, between the measured points`,
    '{0} + ({1} − {0}) × {2}',
    [
      term(say`point below`, from.currentA, 'current'),
      term(say`point above`, to.currentA, 'current'),
      term(say`part of the way`, share, 'share'),
    ],
    from.currentA + (to.currentA - from.currentA) * share,
    'current',
    '§1.8',
  )
}

/**
 * What is left over: charging − loads − share × fan − controller.
 * @returns A
 * @see engineering §1.8
 * @example netCharge(10, 4, 5, 0.5, 0.1).value //=> 3.4
 */
export function netCharge(chargeA: number, loadsA: number, fanA: number, share: number, controllerA: number): Worked {
  return worked(
    say`left over`,
    '{0} − {1} − {2} × {3} − {4}',
    [
      term(say`charging`, chargeA, 'current'),
      term(say`other loads`, loadsA, 'current'),
      term(say`fan share`, share, 'share'),
      term(say`fan`, fanA, 'current'),
      term(say`controller`, controllerA, 'current'),
    ],
    chargeA - loadsA - share * fanA - controllerA,
    'current',
    '§1.8',
  )
}

/**
 * Largest share of the time that the fan may run without draining the battery, 0…1.
 * @see engineering §1.8
 * @example largestShare(10, 8, 5, 0) //=> 0.4
 */
export const largestShare = (chargeA: number, loadsA: number, fanA: number, controllerA: number): number =>
  fanA <= 0 ? 1 : Math.min(1, Math.max(0, (chargeA - loadsA - controllerA) / fanA))

/**
 * Lowest engine speed at which nothing is taken from the battery.
 * @param charge charging current at a speed, rising with it
 * @returns rpm, or null where it is not reached by `topRpm`
 * @see engineering §1.8
 * @example breakevenRpm((rpm) => rpm / 1000, 2, 5000) //=> 2000
 */
export function breakevenRpm(charge: (rpm: number) => number, neededA: number, topRpm: number): number | null {
  if (neededA <= 0) return 0
  if (charge(topRpm) < neededA) return null
  let low = 0
  let high = topRpm
  while (high - low > 0.5) {
    const mid = (low + high) / 2
    if (charge(mid) >= neededA) high = mid
    else low = mid
  }
  return high
}

/**
 * What a tow vehicle can bring a trailer: no more than the plug's pin may carry, and no more than leaves the trailer's
 * battery at its rest voltage, so that the battery gives nothing itself.
 * @param cableOhm there and back
 * @returns A
 * @see engineering §1.2, the notes on trailers in typical
 */
export function chargeFromTow(pinA: number, regulatorV: number, restV: number, cableOhm: number): Worked {
  const byCable = Math.max(0, regulatorV - restV) / cableOhm
  const cable = worked(
    say`the cable brings`,
    '({0} − {1}) / {2}',
    [
      term(say`tow vehicle`, regulatorV, 'voltage'),
      term(say`trailer battery at rest`, restV, 'voltage'),
      term(say`cable, there and back`, cableOhm, 'resistance'),
    ],
    byCable,
    'current',
    '§1.2',
  )
  return following(
    [cable],
    worked(
      say`comes through the tow plug`,
      say`the lesser of {0} and {1}`,
      [term(say`pin rating`, pinA, 'current'), term(say`the cable brings`, byCable, 'current')],
      Math.min(pinA, byCable),
      'current',
      '§1.2',
    ),
  )
}
