import * as air from '../air'
import type { ProbeSpec } from './coolant-plant'
import type { Leg } from './leg'
import * as state from './state'
import type { Plant } from './state'

// looked up once: this is the inside of every run
const { max, sqrt } = Math
const { BROUGHT, CARRIED, HOT, METAL, OPENING, OUTLET, PROBE, SHED, STATES, VENTED, settled } = state
/** the n-th probe after the first stands at this + n */
const LATER = STATES - 1
const { AIR_HEAT, BREEZE_SHARE, buoyantFlow, PANEL_SHEDS } = air

/** An engine, or what else gives heat, in a bay. J/K, W/K, m². @see engineering §4 */
export interface BaySpec {
  /** 0: nothing stores the heat, it goes straight into the bay */
  readonly metal: number
  readonly bay: number
  readonly metalToBay: number
  readonly panelM2: number
  readonly ventM2: number
  readonly heightM: number
  readonly fans: number
  /** air that all fans move together at their relative speeds, m³/s, a row for each leg's engine speed */
  readonly fanFlow: (row: number, speeds: Float64Array) => number
  /** air that the engine's own fan moves apart from them, by row; m³/s */
  readonly apart: readonly number[]
  readonly extracts: boolean
  readonly inletRiseK: number
  readonly probes: readonly ProbeSpec[]
}

const STOPPED = 0.1
const KELVIN = 273.15

/**
 * Rates of a bay: metal and the air, panels and things around it.
 * @see engineering §4, §2.7
 */
export class BayPlant implements Plant {
  readonly fans: number
  readonly probes: number
  /** nothing in a bay is quicker than half a minute */
  readonly roughS = 10
  readonly advance = null
  private readonly leastLagS: number
  private leg!: Leg
  private fanFlow = 0
  private outsideC = 0
  private breeze = 0

  constructor(private readonly spec: BaySpec) {
    this.fans = spec.fans
    this.probes = spec.probes.length
    this.leastLagS = Math.min(...spec.probes.map((q) => q.lagS))
  }

  begin(leg: Leg): void {
    this.leg = leg
    this.outsideC = leg.airC + this.spec.inletRiseK
    this.breeze = BREEZE_SHARE * this.spec.ventM2 * leg.travelMs
  }

  blow(speeds: Float64Array): void {
    this.fanFlow = this.fans ? this.spec.fanFlow(this.leg.row, speeds) : 0
  }

  /** outside air in all, m³/s. @see engineering §2.7 */
  private flow(riseK: number): number {
    const { spec } = this
    const outsideK = this.outsideC + KELVIN
    const driven = this.fanFlow < 0 ? -this.fanFlow : 0
    const drawn = this.fanFlow < 0 ? 0 : this.fanFlow
    const fan = spec.extracts ? (drawn * outsideK) / (outsideK + riseK) : drawn
    const buoyant = buoyantFlow(spec.ventM2, spec.heightM, riseK, outsideK)
    const apart = this.leg.running ? spec.apart[this.leg.row]! : 0
    return sqrt(fan * fan + buoyant * buoyant + this.breeze * this.breeze + apart * apart + driven * driven)
  }

  rates(y: Float64Array, dy: Float64Array): void {
    const { spec, leg } = this
    const bay = y[HOT]!
    const rise = bay - this.outsideC
    const heat = leg.running ? leg.heatW : 0
    const carried = leg.density * AIR_HEAT * this.flow(rise > 0 ? rise : 0) * rise
    const shed = PANEL_SHEDS * spec.panelM2 * rise
    let into = heat
    if (spec.metal > 0) {
      into = (leg.running ? 1 : STOPPED) * spec.metalToBay * (y[METAL]! - bay)
      dy[METAL] = (heat - into) / spec.metal
    } else dy[METAL] = 0
    dy[HOT] = (into - carried - shed) / spec.bay
    dy[OUTLET] = 0
    dy[OPENING] = 0
    for (let n = 0; n < this.probes; n++) {
      const { kappa, lagS } = spec.probes[n]!
      const i = n === 0 ? PROBE : LATER + n
      dy[i] = (leg.airC + kappa * (bay - leg.airC) - y[i]!) / lagS
    }
    dy[VENTED] = 0
    dy[CARRIED] = carried
    dy[SHED] = shed
    dy[BROUGHT] = heat
  }

  fastest(): number {
    const { spec, leg } = this
    const through = leg.density * AIR_HEAT * this.flow(100) + PANEL_SHEDS * spec.panelM2
    return (
      2 *
      max(
        spec.metal > 0 ? spec.metalToBay / spec.metal : 0,
        (spec.metalToBay + 1.5 * through) / spec.bay,
        1 / this.leastLagS,
      )
    )
  }

  settle(y: Float64Array, c: number): void {
    settled(y, c, 0)
  }

  stored(y: Float64Array): number {
    return this.spec.metal * y[METAL]! + this.spec.bay * y[HOT]!
  }

  boilsC(): number {
    return Number.POSITIVE_INFINITY
  }
}
