export interface Setting {
  readonly setC: number
  readonly bandK: number
}

export interface FixedPoints {
  readonly closesC: number
  readonly opensC: number
}

/** Full speed's share that a fan gets at each heat of a circuit's states. */
export interface DutyByHeat {
  readonly cold: number
  readonly rising: number
  readonly falling: number
  readonly hot: number
}

/**
 * Everything that a kind of controller must say of itself; what one leaves out does not compile.
 * @see engineering §3.1
 */
export interface ControlKind {
  /** as it is chosen on the shelf */
  readonly name: string
  /** what decides whether the fan runs */
  readonly decidedBy: 'temperature' | 'hand' | 'nothing'
  /** its points follow what it is set to; else they are its own, or it has none */
  readonly settable: boolean
  /** it has electronics, which want a supply and a ground of their own */
  readonly electronic: boolean
  /** it sends pulses: no relay may hang on it, and its speed follows the heat over a span */
  readonly pulses: boolean
  /** on and off points at the probe, °C; null where no temperature decides */
  readonly points: (
    setting: Setting,
    fixed: FixedPoints | undefined,
  ) => { readonly on: number; readonly off: number } | null
  /** the setting that puts its points there */
  readonly settingFor: (onC: number, offC: number) => Setting
  /** @param leastDuty what a ramp begins with */
  readonly duty: (leastDuty: number) => DutyByHeat
}

/** A thermostat that is on or off: on from its on point until its off point. */
export const onOrOff = (): DutyByHeat => ({ cold: 0, rising: 0, falling: 1, hot: 1 })
