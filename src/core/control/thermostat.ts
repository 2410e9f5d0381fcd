import { probe, type ProbeTemperature } from '../units'

/** How a controller keeps its band. `hand` and `always` have no thermostat. */
export const bandKinds = ['below', 'above', 'fixed', 'ramp', 'hand', 'always'] as const
export type BandKind = (typeof bandKinds)[number]

/** what a ramp begins with where its description does not say (estimate) */
export const RAMP_LEAST_DUTY = 0.15

export interface Setting {
  readonly setC: number
  readonly bandK: number
}
export interface FixedPoints {
  readonly closesC: number
  readonly opensC: number
}
export interface OnOff {
  readonly on: ProbeTemperature
  readonly off: ProbeTemperature
}

/** The on and off points of each kind. A ramp begins at least duty at its set point. @see engineering §3.1 */
const points: Readonly<
  Record<Exclude<BandKind, 'fixed' | 'hand' | 'always'>, (s: Setting) => { on: number; off: number }>
> = {
  below: ({ setC, bandK }) => ({ on: setC, off: setC - bandK }),
  above: ({ setC, bandK }) => ({ on: setC + bandK, off: setC }),
  ramp: ({ setC, bandK }) => ({ on: setC, off: setC - bandK }),
}

/**
 * Where a thermostat switches, at the probe.
 * @param fixed only for a fixed switch, whose points are its own
 * @returns null for a hand switch or a fan that is always on
 * @see engineering §3.1
 */
export function onOffPoints(kind: BandKind, setting: Setting, fixed?: FixedPoints): OnOff | null {
  if (kind === 'hand' || kind === 'always') return null
  if (kind === 'fixed') return fixed ? { on: probe(fixed.closesC), off: probe(fixed.opensC) } : null
  const { on, off } = points[kind](setting)
  return { on: probe(on), off: probe(off) }
}

/** The setting that puts the on and off points where they are wanted: {@link onOffPoints} turned round. */
export function settingFor(kind: BandKind, onC: number, offC: number): Setting {
  return { setC: kind === 'above' ? offC : onC, bandK: onC - offC }
}

/**
 * Whether the fan is called for: on at the on point and above, off at the off point and below, as before between them.
 * @see engineering §3.1
 */
export const calls = (shown: ProbeTemperature, { on, off }: OnOff, before: boolean): boolean =>
  shown.c >= on.c ? true : shown.c <= off.c ? false : before
