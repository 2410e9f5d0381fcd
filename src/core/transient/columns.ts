import * as state from './state'

// looked up once: this is the inside of every run
const { HOT, METAL, OPENING, OUTLET, PROBE } = state

/** A run as columns, one row for each kept time. Temperatures °C, shares 0…1, volts V. */
export interface Trace {
  readonly rows: number
  readonly t: Float64Array
  readonly hot: Float64Array
  readonly metal: Float64Array
  readonly outlet: Float64Array
  readonly probe: Float64Array
  /** share of the time, or of the voltage, that each fan gets; one column a fan */
  readonly share: readonly Float64Array[]
  readonly speed: readonly Float64Array[]
  readonly volts: Float64Array
  readonly charge: Float64Array
  readonly opening: Float64Array
  readonly boiling: Uint8Array
}

/** Rows of a {@link Trace} as they come. */
export class Columns {
  readonly t: Float64Array
  readonly hot: Float64Array
  readonly metal: Float64Array
  readonly outlet: Float64Array
  readonly probe: Float64Array
  readonly volts: Float64Array
  readonly charge: Float64Array
  readonly opening: Float64Array
  readonly boiling: Uint8Array
  readonly share: Float64Array[]
  readonly speed: Float64Array[]
  rows = 0
  constructor(size: number, fans: number) {
    const column = (): Float64Array => new Float64Array(size)
    this.t = column()
    this.hot = column()
    this.metal = column()
    this.outlet = column()
    this.probe = column()
    this.volts = column()
    this.charge = column()
    this.opening = column()
    this.boiling = new Uint8Array(size)
    this.share = Array.from({ length: fans }, column)
    this.speed = Array.from({ length: fans }, column)
  }
  add(
    t: number,
    y: Float64Array,
    volts: number,
    charge: number,
    duties: Float64Array,
    speeds: Float64Array,
    boiling: boolean,
  ): void {
    const i = this.rows
    if (i >= this.t.length) return
    this.t[i] = t
    this.hot[i] = y[HOT]!
    this.metal[i] = y[METAL]!
    this.outlet[i] = y[OUTLET]!
    this.probe[i] = y[PROBE]!
    this.volts[i] = volts
    this.charge[i] = charge
    this.opening[i] = y[OPENING]!
    this.boiling[i] = boiling ? 1 : 0
    for (let f = 0; f < this.share.length; f++) {
      this.share[f]![i] = duties[f]!
      this.speed[f]![i] = speeds[f]!
    }
    this.rows = i + 1
  }
  cut(): Trace {
    const n = this.rows
    const to = (a: Float64Array): Float64Array => a.subarray(0, n)
    return {
      rows: n,
      t: to(this.t),
      hot: to(this.hot),
      metal: to(this.metal),
      outlet: to(this.outlet),
      probe: to(this.probe),
      volts: to(this.volts),
      charge: to(this.charge),
      opening: to(this.opening),
      boiling: this.boiling.subarray(0, n),
      share: this.share.map(to),
      speed: this.speed.map(to),
    }
  }
}
