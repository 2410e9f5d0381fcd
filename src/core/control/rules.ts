import { kelvinAbove, warmer, type AirTemperature, type BayTemperature, type CoolantTemperature } from '../units'
import { following, term, worked, type Worked } from '../reading'
import { coolantAt, readingOf } from './probe-offset'
import type { OnOff } from './thermostat'
import { say } from '../words'

/** Kelvin that each rule asks for. @see engineering §3.2 */
export const required = {
  band: 2,
  stops: 2,
  warmUp: 0,
  warmUpOver: 3,
  secondOn: 4,
  secondOff: 0,
  controller: 0,
} as const

const readingLine = (
  name: string,
  t: CoolantTemperature | BayTemperature,
  surroundings: AirTemperature,
  kappa: number,
): Worked =>
  worked(
    name,
    '{0} + {1} × ({2} − {0})',
    [
      term(say`surroundings`, surroundings.c, 'temperature'),
      term(say`share the probe sees`, kappa, 'share'),
      term(t.at === 'bay' ? say`bay` : say`coolant`, t.c, 'temperature'),
    ],
    readingOf(t, surroundings, kappa).c,
    'temperature',
    '§3.2',
  )

/**
 * Rule 1: the band.
 * @returns kelvin over the 2 K required
 * @see engineering §3.2
 * @example bandRule({ on: probe(85), off: probe(80) }).value //=> 3
 */
export const bandRule = ({ on, off }: OnOff): Worked =>
  worked(
    say`band over what it needs`,
    '{0} − {1} − 2 K',
    [term(say`on`, on.c, 'temperature'), term(say`off`, off.c, 'temperature')],
    kelvinAbove(on, off) - required.band,
    'temperatureDifference',
    say`§3.2 rule 1`,
  )

/**
 * Rule 2: off stays above what the probe shows when the engine's thermostat only just opens, or the fan never stops.
 * @returns kelvin over the 2 K required
 * @see engineering §3.2
 */
export function stopsRule(
  { off }: OnOff,
  opens: CoolantTemperature,
  surroundings: AirTemperature,
  kappa: number,
): Worked {
  const shown = readingLine(say`the probe shows, engine thermostat just open`, opens, surroundings, kappa)
  return following(
    [shown],
    worked(
      say`off above that, over what it needs`,
      '{0} − {1} − 2 K',
      [term(say`off`, off.c, 'temperature'), term(say`probe then`, shown.value, 'temperature')],
      kelvinAbove(off, readingOf(opens, surroundings, kappa)) - required.stops,
      'temperatureDifference',
      say`§3.2 rule 2`,
    ),
  )
}

/**
 * Rule 3: on is not below what the probe shows 3 K above opening, or the fan works against warm-up.
 * @returns kelvin
 * @see engineering §3.2
 */
export function warmUpRule(
  { on }: OnOff,
  opens: CoolantTemperature,
  surroundings: AirTemperature,
  kappa: number,
): Worked {
  const warm = warmer(opens, required.warmUpOver)
  const shown = readingLine(say`the probe shows, 3 K above opening`, warm, surroundings, kappa)
  return following(
    [shown],
    worked(
      say`on above that`,
      '{0} − {1}',
      [term(say`on`, on.c, 'temperature'), term(say`probe then`, shown.value, 'temperature')],
      kelvinAbove(on, readingOf(warm, surroundings, kappa)),
      'temperatureDifference',
      say`§3.2 rule 3`,
    ),
  )
}

/**
 * In a bay: off stays above the surroundings, which no bay gets colder than, or the fan never stops.
 * @returns kelvin over the 2 K required
 * @see engineering §3.2
 */
export const bayStopsRule = ({ off }: OnOff, surroundings: AirTemperature): Worked =>
  worked(
    say`off above the surroundings, over what it needs`,
    '{0} − {1} − 2 K',
    [
      term(say`off`, off.c, 'temperature'),
      term(say`surroundings, as the probe shows them`, surroundings.c, 'temperature'),
    ],
    off.c - surroundings.c - required.stops,
    'temperatureDifference',
    '§3.2',
  )

/**
 * In a bay: the fan starts before what is aimed at is passed, with the probe's overshoot on top.
 * @returns kelvin
 * @see engineering §3.2
 */
export function bayLimitRule(
  { on }: OnOff,
  allowed: BayTemperature,
  surroundings: AirTemperature,
  kappa: number,
  overshootK: number,
): Worked {
  const shown = readingLine(say`the probe shows at the hottest it may get`, allowed, surroundings, kappa)
  return following(
    [shown],
    worked(
      say`on below that, overshoot taken off`,
      '{0} − {1} × {2} − {3}',
      [
        term(say`probe then`, shown.value, 'temperature'),
        term(say`share the probe sees`, kappa, 'share'),
        term(say`overshoot`, overshootK, 'temperatureDifference'),
        term(say`on`, on.c, 'temperature'),
      ],
      shown.value - kappa * overshootK - on.c,
      'temperatureDifference',
      '§3.2',
    ),
  )
}

export interface BoilRule {
  readonly points: OnOff
  readonly surroundings: AirTemperature
  readonly kappa: number
  /** 0 unless the probe sits at the outlet */
  readonly outletDropK: number
  readonly overshootK: number
  readonly boils: CoolantTemperature
  readonly keepFreeK: number
}

/**
 * Rule 4: coolant when the fan starts, with the outlet's drop and the overshoot on top, stays below boiling by what is
 * kept free.
 * @returns kelvin over the requirement
 * @see engineering §3.2
 */
export function boilRule({ points, surroundings, kappa, outletDropK, overshootK, boils, keepFreeK }: BoilRule): Worked {
  const at = coolantAt(points.on, surroundings, kappa)
  const there = worked(
    say`coolant at the probe when the fan starts`,
    '{0} + ({1} − {0}) / {2}',
    [
      term(say`surroundings`, surroundings.c, 'temperature'),
      term(say`on`, points.on.c, 'temperature'),
      term(say`share the probe sees`, kappa, 'share'),
    ],
    at.c,
    'temperature',
    '§3.2',
  )
  const peak = warmer(at, outletDropK + overshootK)
  return following(
    [there],
    worked(
      say`left below boiling, over what is kept free`,
      '{0} − {1} − ({2} + {3} + {4})',
      [
        term(say`boils`, boils.c, 'temperature'),
        term(say`kept free`, keepFreeK, 'temperatureDifference'),
        term(say`coolant there`, at.c, 'temperature'),
        term(say`outlet drop`, outletDropK, 'temperatureDifference'),
        term(say`overshoot`, overshootK, 'temperatureDifference'),
      ],
      kelvinAbove(boils, peak) - keepFreeK,
      'temperatureDifference',
      say`§3.2 rule 4`,
    ),
  )
}

/**
 * Rule 5: the second fan comes on 4 K above the first and goes off no lower.
 * @returns kelvin over each requirement
 * @see engineering §3.2
 */
export function secondFanRule(first: OnOff, second: OnOff): { readonly on: Worked; readonly off: Worked } {
  return {
    on: worked(
      say`second on above first on, over 4 K`,
      '{0} − {1} − 4 K',
      [term(say`second on`, second.on.c, 'temperature'), term(say`first on`, first.on.c, 'temperature')],
      kelvinAbove(second.on, first.on) - required.secondOn,
      'temperatureDifference',
      say`§3.2 rule 5`,
    ),
    off: worked(
      say`second off above first off`,
      '{0} − {1}',
      [term(say`second off`, second.off.c, 'temperature'), term(say`first off`, first.off.c, 'temperature')],
      kelvinAbove(second.off, first.off),
      'temperatureDifference',
      say`§3.2 rule 5`,
    ),
  }
}

/** What a programmable controller can be set to, °C and K. */
export interface ControllerRange {
  readonly minC: number
  readonly maxC: number
  readonly stepK: number
  readonly bandMinK: number
  readonly bandMaxK: number
}

const GRAIN = 1e-6

/**
 * The nearest setting that a controller's step allows.
 * @example onStep(84.4, { minC: 20, maxC: 120, stepK: 0.5, bandMinK: 2, bandMaxK: 20 }) //=> 84.5
 */
export const onStep = (setC: number, { minC, stepK }: ControllerRange): number =>
  minC + Math.round((setC - minC) / stepK) * stepK

/**
 * Rule 6: the controller can be set so: within its range, on one of its steps, with that band.
 * @returns kelvin to the nearer end of its range, or minus the kelvin by which a step or band is missed
 * @see engineering §3.2
 */
export function controllerRule(setC: number, bandK: number, range: ControllerRange): Worked {
  const miss = Math.abs(setC - onStep(setC, range))
  const band = Math.min(bandK - range.bandMinK, range.bandMaxK - bandK)
  const terms = [
    term(say`set`, setC, 'temperature'),
    term(say`lowest`, range.minC, 'temperature'),
    term(say`highest`, range.maxC, 'temperature'),
  ]
  const inside = Math.min(setC - range.minC, range.maxC - setC)
  if (inside >= 0 && miss > GRAIN)
    return worked(
      say`off its step by`,
      say`{0} against steps of {1}`,
      [terms[0]!, term(say`step`, range.stepK, 'temperatureDifference')],
      -miss,
      'temperatureDifference',
      say`§3.2 rule 6`,
    )
  if (inside >= 0 && band < -GRAIN) {
    return worked(
      say`band out of what it offers by`,
      say`{0} against {1} to {2}`,
      [
        term(say`band`, bandK, 'temperatureDifference'),
        term(say`least`, range.bandMinK, 'temperatureDifference'),
        term(say`most`, range.bandMaxK, 'temperatureDifference'),
      ],
      band,
      'temperatureDifference',
      say`§3.2 rule 6`,
    )
  }
  return worked(
    say`inside its range by`,
    say`the lesser of {0} − {1} and {2} − {0}`,
    terms,
    inside,
    'temperatureDifference',
    say`§3.2 rule 6`,
  )
}

/** Starts an hour that a fan and its relay may be asked for. @see engineering §3.2 rule 1 */
export const MOST_STARTS = 30

const within = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value))

/**
 * The nearest setting and band that a controller can be set to: within its range, on its steps.
 * @see engineering §3.2
 * @example nearestSetting(88.3, 4, { minC: 30, maxC: 99, stepK: 1, bandMinK: 2, bandMaxK: 9 }).setC //=> 88
 */
export function nearestSetting(setC: number, bandK: number, range: ControllerRange): { setC: number; bandK: number } {
  const { minC, maxC, stepK, bandMinK, bandMaxK } = range
  const highest = minC + Math.floor((maxC - minC) / stepK + GRAIN) * stepK
  const steps = (k: number, round: (n: number) => number): number => round(k / stepK) * stepK
  const least = steps(bandMinK - GRAIN, Math.ceil)
  const most = Math.max(least, steps(bandMaxK + GRAIN, Math.floor))
  return {
    setC: within(onStep(setC, range), minC, highest),
    bandK: within(steps(bandK, Math.round), least, most),
  }
}
