import * as air from '../air'
import type { Leg } from './leg'
import type { SpeedTable } from './speed-table'
import * as state from './state'
import type { Plant } from './state'

// looked up once: this is the inside of every run
const { abs, exp, log, max, min, sqrt } = Math
const { BROUGHT, CARRIED, HOT, METAL, OPENING, OUTLET, PROBE, SHED, STATES, VENTED, settled } = state
/** the n-th probe after the first stands at this + n */
const LATER = STATES - 1
const { AIR_HEAT, STILL_AIR } = air

/** What the probe sees of what is around it. */
export interface ProbeSpec {
  /** share of the warmth that reaches it */
  readonly kappa: number
  readonly lagS: number
  /** it sits where the coolant leaves the radiator */
  readonly atOutlet: boolean
}

/** A part of the core's face with its own air. */
export interface ZoneSpec {
  readonly areaM2: number
  /** fan that blows through it; null where only the travel does */
  readonly fan: number | null
  /** m/s over the fan's relative speed, a row for each leg's travel */
  readonly velocity: SpeedTable
}

/** A liquid-cooled engine with its core. J/K, W/K, m². @see engineering §4 */
export interface CoolantSpec {
  readonly metal: number
  readonly inEngine: number
  readonly inCore: number
  readonly metalToCoolant: number
  readonly outsideM2: number
  /** ṁ c_p at the rated speed */
  readonly ratedFlow: number
  /** null: no thermostat fitted */
  readonly thermostat: { readonly opensC: number; readonly fullC: number } | null
  readonly zones: readonly ZoneSpec[]
  /** UA for each m² and (m/s)^0.55 */
  readonly transfer: number
  readonly inletRiseK: number
  readonly fans: number
  readonly probes: readonly ProbeSpec[]
}

const LEAK = 0.02
const BLEND = 0.08
const OPENING_S = 8
const THERMOSIPHON = 0.05
const EXPONENT = 0.55
/** of a stiffly stable method of second order in two stages: 1 − √½ */
const GAMMA = 1 - Math.SQRT1_2
/** fan speeds nearer than this move the same air */
const SAME = 2e-5

/**
 * Rates of a liquid-cooled engine: metal, coolant in the engine, coolant leaving the core, thermostat and probe.
 * @see engineering §4
 */
export class CoolantPlant implements Plant {
  readonly fans: number
  readonly probes: number
  /** half of the thermostat's own lag */
  readonly roughS = OPENING_S / 2
  private readonly leastLagS: number
  private readonly area: number
  private readonly n: number
  /** of each zone: C_air and UA for each m², and its area */
  private readonly air: Float64Array
  private readonly ua: Float64Array
  private readonly areas: Float64Array
  private cold = 0
  private readonly blown: Float64Array
  private stale = true
  private leg!: Leg
  private flow = 0
  private inletC = 0
  private toAir = 0
  private boiling = Number.POSITIVE_INFINITY

  constructor(private readonly spec: CoolantSpec) {
    this.fans = spec.fans
    this.probes = spec.probes.length
    this.leastLagS = Math.min(...spec.probes.map((q) => q.lagS))
    this.n = spec.zones.length
    this.air = new Float64Array(this.n)
    this.ua = new Float64Array(this.n)
    this.blown = new Float64Array(spec.fans)
    this.areas = Float64Array.from(spec.zones, (z) => z.areaM2)
    this.area = this.areas.reduce((a, b) => a + b, 0)
  }

  begin(leg: Leg): void {
    this.leg = leg
    this.flow = this.spec.ratedFlow * (leg.running ? leg.pumpShare : THERMOSIPHON)
    this.inletC = leg.airC + this.spec.inletRiseK
    this.toAir = (8 + 4 * sqrt(leg.travelMs)) * this.spec.outsideM2
    this.boiling = leg.boilsC
    this.stale = true
  }

  blow(speeds: Float64Array): void {
    let same = !this.stale
    for (let f = 0; f < this.fans && same; f++) same = abs(speeds[f]! - this.blown[f]!) < SAME
    if (same) return
    this.blown.set(speeds)
    this.stale = false
    this.cold = STILL_AIR * this.area
    for (let i = 0; i < this.n; i++) {
      const { fan, velocity } = this.spec.zones[i]!
      const v = abs(velocity.at(this.leg.row, fan === null ? 0 : speeds[fan]!))
      const air = this.leg.density * AIR_HEAT * v
      const ua = this.spec.transfer * v ** EXPONENT
      this.air[i] = air
      this.ua[i] = ua
      if (air > 0) this.cold += this.areas[i]! * air * (1 - exp(-ua / air))
    }
  }

  /** Σ ε C_min over the zones, the coolant divided by their areas, W/K. @see engineering §2.5 */
  private hot(coolant: number): number {
    let sum = 0
    const each = coolant / this.area
    for (let i = 0; i < this.n; i++) {
      const air = this.air[i]!
      if (air <= 0) continue
      const least = air < each ? air : each
      const ratio = least / (air < each ? each : air)
      const ntu = this.ua[i]! / least
      let e: number
      if (ratio < 1e-6) e = 1 - exp(-ntu)
      else {
        // ntu^0.78 is ntu / ntu^0.22: one power less in the innermost line
        const p = exp(0.22 * log(ntu))
        e = 1 - exp((p / ratio) * (exp((-ratio * ntu) / p) - 1))
      }
      sum += this.areas[i]! * e * least
    }
    return sum
  }

  rates(y: Float64Array, dy: Float64Array): void {
    const { spec, leg } = this
    const [metal, hot, out] = [y[METAL]!, y[HOT]!, y[OUTLET]!]
    const opening = spec.thermostat ? max(y[OPENING]!, LEAK) : 1
    const through = opening * this.flow
    const w = min(1, max(0, (opening - LEAK) / BLEND))
    const still = STILL_AIR * this.area * (out - this.inletC)
    let core = still
    if (w > 0) core += w * this.hot(through) * (hot - this.inletC)
    if (w < 1) core += (1 - w) * (this.cold - STILL_AIR * this.area) * (out - this.inletC)
    const fromMetal = spec.metalToCoolant * (metal - hot)
    const shed = this.toAir * (metal - leg.airC)
    let net = fromMetal - through * (hot - out)
    const heat = leg.running ? leg.heatW : 0
    dy[VENTED] = 0
    if (hot >= this.boiling && net > 0) {
      dy[VENTED] = net
      net = 0
    }
    dy[METAL] = (heat - fromMetal - shed) / spec.metal
    dy[HOT] = net / spec.inEngine
    dy[OUTLET] = (through * (hot - out) - core) / spec.inCore
    if (spec.thermostat) {
      const { opensC, fullC } = spec.thermostat
      dy[OPENING] = (min(1, max(0, (hot - opensC) / (fullC - opensC))) - y[OPENING]!) / OPENING_S
    } else dy[OPENING] = 0
    for (let n = 0; n < this.probes; n++) {
      const { kappa, lagS, atOutlet } = spec.probes[n]!
      const i = n === 0 ? PROBE : LATER + n
      dy[i] = (leg.airC + kappa * ((atOutlet ? out : hot) - leg.airC) - y[i]!) / lagS
    }
    dy[CARRIED] = core
    dy[SHED] = shed
    dy[BROUGHT] = heat
  }

  /** The thermostat's opening after some seconds at a temperature. */
  private opened(opening: number, hot: number, seconds: number): number {
    const { thermostat } = this.spec
    if (!thermostat) return 1
    const { opensC, fullC } = thermostat
    const target = min(1, max(0, (hot - opensC) / (fullC - opensC)))
    return target + (opening - target) * exp(-seconds / OPENING_S)
  }

  /**
   * A step in which the thermostat stands still at its middle: metal and coolant are linear then, and solved so that
   * what is quicker than the step dies away as it should. Second order in the step. @see engineering §4
   */
  readonly advance = (y: Float64Array, next: Float64Array, h: number): void => {
    const { spec, leg } = this
    const heat = leg.running ? leg.heatW : 0
    const opening = this.opened(y[OPENING]!, y[HOT]!, h / 2)
    const seen = max(opening, LEAK)
    const through = seen * this.flow
    const w = min(1, max(0, (seen - LEAK) / BLEND))
    const warm = w > 0 ? w * this.hot(through) : 0
    const cool = STILL_AIR * this.area + (w < 1 ? (1 - w) * (this.cold - STILL_AIR * this.area) : 0)
    const m = spec.metal
    const e = spec.inEngine
    const c = spec.inCore
    const a = spec.metalToCoolant
    const s = this.toAir
    const m0 = y[METAL]!
    const h0 = y[HOT]!
    const o0 = y[OUTLET]!
    const boils = h0 >= this.boiling && a * (m0 - h0) > through * (h0 - o0)
    // rates of each: of itself, of its neighbours, and what comes in
    const mm = -(a + s) / m
    const mh = a / m
    const mb = (heat + s * leg.airC) / m
    const hm = boils ? 0 : a / e
    const hh = boils ? 0 : -(a + through) / e
    const ho = boils ? 0 : through / e
    const oh = (through - warm) / c
    const oo = -(through + cool) / c
    const ob = ((cool + warm) * this.inletC) / c
    const g = GAMMA * h
    const dm = 1 - g * mm
    const dh = 1 - g * hh
    const dout = 1 - g * oo
    // three equations in a row: metal, hot, outlet
    const bottom = dh - (g * g * hm * mh) / dm - (g * g * ho * oh) / dout
    let m1 = m0
    let h1 = h0
    let o1 = o0
    // from where the first stage leads the second goes on: that many seconds before the end
    for (let stage = 0; stage < 2; stage++) {
      const fm = mm * m1 + mh * h1 + mb
      const fh = hm * m1 + hh * h1 + ho * o1
      const fo = oh * h1 + oo * o1 + ob
      const kh = (fh + (g * hm * fm) / dm + (g * ho * fo) / dout) / bottom
      const seconds = stage === 0 ? h - g : g
      m1 += (seconds * (fm + g * mh * kh)) / dm
      h1 += seconds * kh
      o1 += (seconds * (fo + g * oh * kh)) / dout
    }
    next[METAL] = m1
    next[HOT] = h1
    next[OUTLET] = o1
    next[OPENING] = this.opened(opening, h1, h / 2)
    for (let n = 0; n < this.probes; n++) {
      const { kappa, lagS, atOutlet } = spec.probes[n]!
      const i = n === 0 ? PROBE : LATER + n
      const from = atOutlet ? o0 : h0
      const to = atOutlet ? o1 : h1
      const at = leg.airC + kappa * (from - leg.airC)
      const slope = (kappa * (to - from)) / h
      next[i] = at + slope * (h - lagS) + (y[i]! - at + slope * lagS) * exp(-h / lagS)
    }
    const shed = this.toAir * ((m0 + m1) / 2 - leg.airC) * h
    const vented = boils ? max(0, (a * ((m0 + m1) / 2 - h0) - through * (h0 - (o0 + o1) / 2)) * h) : 0
    next[BROUGHT] = y[BROUGHT]! + heat * h
    next[SHED] = y[SHED]! + shed
    next[VENTED] = y[VENTED]! + vented
    next[CARRIED] = y[CARRIED]! + heat * h - shed - vented - (m * (m1 - m0) + e * (h1 - h0) + c * (o1 - o0))
  }

  fastest(): number {
    const { spec } = this
    const through = this.flow
    let ua = STILL_AIR * this.area
    for (let i = 0; i < this.n; i++) ua += this.areas[i]! * min(this.ua[i]!, this.air[i]!)
    return (
      2 *
      max(
        (spec.metalToCoolant + this.toAir) / spec.metal,
        (spec.metalToCoolant + through) / spec.inEngine,
        (through + ua) / spec.inCore,
        1 / OPENING_S,
        1 / this.leastLagS,
      )
    )
  }

  settle(y: Float64Array, c: number): void {
    settled(y, c, this.spec.thermostat ? 0 : 1)
  }

  stored(y: Float64Array): number {
    return this.spec.metal * y[METAL]! + this.spec.inEngine * y[HOT]! + this.spec.inCore * y[OUTLET]!
  }

  boilsC(): number {
    return this.boiling
  }
}
