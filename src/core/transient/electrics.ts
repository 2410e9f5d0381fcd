import {
  CUT_OUT_SHARE,
  internalResistance,
  motorConstants,
  restVoltage,
  type BatteryKind,
  type FanRating,
} from '../electrical'

// looked up once: this is the inside of every run
const { max, min, floor, sqrt } = Math

/** A fan's motor behind its wires, without objects in its answers. @see engineering §1.6 */
export class FanMotor {
  private readonly ohm: number
  private readonly k: number
  private readonly c: number
  private readonly i0: number
  private readonly a: number
  private readonly powerW: number
  private readonly cutOutV: number
  private readonly brushless: boolean

  /** @param seriesOhm everything between battery and fan */
  constructor(
    rating: FanRating,
    private readonly seriesOhm: number,
  ) {
    const { r, k, c, i0 } = motorConstants(rating)
    this.ohm = r + seriesOhm
    this.k = k
    this.c = c
    this.i0 = i0
    this.a = (this.ohm * c) / k
    this.brushless = rating.motor === 'brushless'
    this.powerW = rating.ratedV * rating.ratedA
    this.cutOutV = CUT_OUT_SHARE * rating.ratedV
  }

  /** relative speed at a voltage of the supply; a pulse-width controller's share of it */
  speed(volts: number): number {
    if (this.brushless) return volts > this.cutOutV ? 1 : 0
    const beyond = volts - this.ohm * this.i0
    return beyond <= 0 ? 0 : (2 * beyond) / (this.k + sqrt(this.k * this.k + 4 * this.a * beyond))
  }

  /** A at a voltage of the supply */
  current(volts: number): number {
    if (volts <= 0) return 0
    if (this.brushless) {
      if (volts <= this.cutOutV) return 0
      const inside = volts * volts - 4 * this.seriesOhm * this.powerW
      return inside < 0 ? 0 : (2 * this.powerW) / (volts + sqrt(inside))
    }
    const w = this.speed(volts)
    return w === 0 ? volts / this.ohm : this.i0 + (this.c / this.k) * w * w
  }
}

/** A battery, what charges it and what hangs on it. */
export interface BatterySpec {
  readonly kind: BatteryKind
  readonly systemV: 12 | 24
  readonly capacityAh: number
  /** share of charge at the start */
  readonly charge: number
  /** null where unknown: guessed from its capacity */
  readonly coldCrankingA: number | null
  readonly temperatureC: number
  readonly regulatorV: number
}

/** cold-cranking amperes for each ampere-hour where nobody knows (estimate) */
const CRANKING_PER_AH = 6
/** no battery takes more than this of its capacity in an hour. @see engineering §4 */
const TAKES: Readonly<Record<BatteryKind, number>> = { flooded: 0.25, agm: 0.25, lithium: 1 }
const TABLE = 400

const restTables = new Map<string, Float64Array>()

/** Rest voltage over the share of charge, in steps of 1/400: read once a second of a run, so made once a kind. */
function restTable(kind: BatteryKind, systemV: 12 | 24): Float64Array {
  const key = `${kind} ${systemV}`
  const table =
    restTables.get(key) ?? Float64Array.from({ length: TABLE + 1 }, (_, i) => restVoltage(kind, i / TABLE, systemV))
  restTables.set(key, table)
  return table
}

/**
 * The bus: the regulator's voltage while what charges covers all that is taken, else the battery's.
 * @see engineering §4, §1.9
 */
export class Bus {
  readonly ohm: number
  private readonly most: number
  private readonly rest: Float64Array
  volts = 0
  /** into the battery, A; negative out of it */
  netA = 0
  fanA = 0

  constructor(private readonly spec: BatterySpec) {
    this.ohm = internalResistance(
      spec.coldCrankingA ?? CRANKING_PER_AH * spec.capacityAh,
      spec.temperatureC,
      spec.systemV,
    )
    this.most = TAKES[spec.kind] * spec.capacityAh
    this.rest = restTable(spec.kind, spec.systemV)
  }

  get capacityAh(): number {
    return this.spec.capacityAh
  }
  get startCharge(): number {
    return this.spec.charge
  }

  private restV(charge: number): number {
    const x = min(1, max(0, charge)) * TABLE
    const i = min(TABLE - 1, floor(x))
    return this.rest[i]! + (this.rest[i + 1]! - this.rest[i]!) * (x - i)
  }

  /** Settles the voltage for what is charged and taken; `duties` are each fan's share of the time or of the voltage. */
  settle(charge: number, chargeA: number, loadsA: number, motors: readonly FanMotor[], duties: Float64Array): void {
    let fans = 0
    for (let i = 0; i < motors.length; i++)
      fans += duties[i]! > 0 ? duties[i]! * motors[i]!.current(duties[i]! * this.spec.regulatorV) : 0
    if (chargeA > 0 && chargeA >= loadsA + fans) {
      this.volts = this.spec.regulatorV
      this.fanA = fans
      this.netA = charge >= 1 ? 0 : min(this.most, chargeA - loadsA - fans)
      return
    }
    const rest = this.restV(charge)
    if (charge <= 0) {
      this.volts = 0
      this.fanA = 0
      this.netA = 0
      return
    }
    let volts = rest
    for (let n = 0; n < 4; n++) {
      fans = 0
      for (let i = 0; i < motors.length; i++)
        fans += duties[i]! > 0 ? duties[i]! * motors[i]!.current(duties[i]! * volts) : 0
      volts = max(0, min(this.spec.regulatorV, rest + (chargeA - loadsA - fans) * this.ohm))
    }
    this.volts = volts
    this.fanA = fans
    this.netA = min(this.most, chargeA - loadsA - fans)
  }
}
