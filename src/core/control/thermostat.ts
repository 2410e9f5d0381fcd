import { probe, type ProbeTemperature } from '../units'
import { type BandKind, controlKinds, type FixedPoints, type Setting } from './kinds'

/** what a ramp begins with where its description does not say (estimate) */
export const RAMP_LEAST_DUTY = 0.15

export interface OnOff {
  readonly on: ProbeTemperature
  readonly off: ProbeTemperature
}

/**
 * Where a thermostat switches, at the probe.
 * @param fixed only for a fixed switch, whose points are its own
 * @returns null for a hand switch or a fan that is always on
 * @see engineering §3.1
 */
export function onOffPoints(kind: BandKind, setting: Setting, fixed?: FixedPoints): OnOff | null {
  const points = controlKinds[kind].points(setting, fixed)
  return points && { on: probe(points.on), off: probe(points.off) }
}

/** The setting that puts the on and off points where they are wanted: {@link onOffPoints} turned round. */
export const settingFor = (kind: BandKind, onC: number, offC: number): Setting =>
  controlKinds[kind].settingFor(onC, offC)

/**
 * Whether the fan is called for: on at the on point and above, off at the off point and below, as before between them.
 * @see engineering §3.1
 * @example calls(probe(90), { on: probe(85), off: probe(80) }, false) //=> true
 */
export const calls = (shown: ProbeTemperature, { on, off }: OnOff, before: boolean): boolean =>
  shown.c >= on.c || (before && shown.c > off.c)
