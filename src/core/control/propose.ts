import { warmer, type AirTemperature, type CoolantTemperature } from '../units'
import { readingOf } from './probe-offset'
import { required, type ControllerRange } from './rules'
import type { BandKind, Setting } from './kinds'
import { settingFor } from './thermostat'

/** engine thermostats are full open this far above opening where unknown. @see engineering §4 */
export const FULL_OPEN_OVER_K = 12

export interface ProposalNeeds {
  readonly opens: CoolantTemperature
  readonly hottest: AirTemperature
  readonly kappa: number
  readonly bandK: number
  readonly kind: BandKind
  readonly range: ControllerRange
}

/**
 * A setting without a run: on = the larger of Reading(full open) + 2 K and Reading(opening + 3 K) + 2 K at the hottest
 * surroundings, up to the controller's step; off = on − band, raised if rule 2 asks.
 * @see engineering §3.2, the interface notes on the Trigger station
 */
export function proposeSetting({ opens, hottest, kappa, bandK, kind, range }: ProposalNeeds): Setting {
  const shows = (over: number): number => readingOf(warmer(opens, over), hottest, kappa).c
  const onWanted = Math.max(shows(FULL_OPEN_OVER_K), shows(required.warmUpOver)) + 2
  const band = Math.min(range.bandMaxK, Math.max(range.bandMinK, bandK))
  const stepUp = (c: number): number => range.minC + Math.ceil((c - range.minC) / range.stepK - 1e-9) * range.stepK
  const setWanted = settingFor(kind, onWanted, onWanted - band).setC
  const setC = Math.min(range.maxC, Math.max(range.minC, stepUp(setWanted)))
  const offOf = (set: number): number => (kind === 'above' ? set : set - band)
  const lift = shows(0) + required.stops - offOf(setC)
  return { setC: lift > 0 ? Math.min(range.maxC, stepUp(setC + lift)) : setC, bandK: band }
}

/**
 * A setting for a bay without a run: on as high as still keeps the hottest that is allowed, on the coldest day, when
 * the probe shows least; down to the controller's step. The band is narrowed where off would sink below the
 * surroundings.
 * @see engineering §3.2
 */
export function proposeBaySetting({
  allowedAtProbeC,
  hottest,
  bandK,
  kind,
  range,
}: {
  readonly allowedAtProbeC: number
  readonly hottest: AirTemperature
  readonly bandK: number
  readonly kind: BandKind
  readonly range: ControllerRange
}): Setting {
  const stepDown = (c: number): number => range.minC + Math.floor((c - range.minC) / range.stepK + 1e-9) * range.stepK
  const room = Math.floor((allowedAtProbeC - hottest.c - required.stops) / range.stepK + 1e-9) * range.stepK
  const band = Math.min(range.bandMaxK, Math.max(range.bandMinK, Math.min(bandK, Math.max(room, required.band))))
  const setC = stepDown(settingFor(kind, allowedAtProbeC, allowedAtProbeC - band).setC)
  return { setC: Math.min(range.maxC, Math.max(range.minC, setC)), bandK: band }
}
