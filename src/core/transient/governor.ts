// looked up once: this is the inside of every run
const { max, min } = Math
/** What decides whether a fan runs. */
export type GovernorSpec =
  | {
      readonly kind: 'thermostat'
      readonly onC: number
      readonly offC: number
      /** a ramp's: from `onC` up to full over so many kelvins */ readonly spanK: number | null
      readonly leastDuty: number
    }
  /** as its circuit has power, whatever the temperature */
  | { readonly kind: 'on' }
  | { readonly kind: 'off' }

/** When a fan's circuit has power. */
export interface FedSpec {
  /** also with the key off: for so long, Infinity for ever; 0 with the key only */
  readonly afterS: number
}

/**
 * A thermostat with its memory, or what takes its place: on at or above `onC`, off at or below `offC`, between them as
 * before.
 * @see engineering §3.1
 */
export class Governor {
  on = false
  /** time since the key went off, s */
  private since = 0
  constructor(
    readonly spec: GovernorSpec,
    private readonly fed: FedSpec,
  ) {}

  /** its fan's share changes with the temperature, not only from on to off */
  get ramps(): boolean {
    return this.spec.kind === 'thermostat' && this.spec.spanK !== null
  }

  reset(): void {
    this.on = false
    this.since = 0
  }

  /** what the probe shows at the beginning, or after everything has stood still */
  look(probeC: number): void {
    if (this.spec.kind !== 'thermostat') return
    if (probeC >= this.spec.onC) this.on = true
    else if (probeC <= this.spec.offC) this.on = false
  }

  /** share of a step at which the probe passes this thermostat's next point, or 2 */
  crossing(fromC: number, toC: number): number {
    if (this.spec.kind !== 'thermostat') return 2
    const { onC, offC } = this.spec
    if (this.on) return fromC > offC && toC <= offC ? (fromC - offC) / (fromC - toC) : 2
    return fromC < onC && toC >= onC ? (onC - fromC) / (toC - fromC) : 2
  }

  /** time until its timer ends, s; Infinity where none runs */
  timerLeft(live: boolean): number {
    return live || this.fed.afterS === 0 || this.since >= this.fed.afterS
      ? Number.POSITIVE_INFINITY
      : this.fed.afterS - this.since
  }

  pass(live: boolean, seconds: number): void {
    this.since = live ? 0 : this.since + seconds
  }

  powered(live: boolean): boolean {
    return live || this.since < this.fed.afterS - 1e-9
  }

  /** share of the full voltage that the fan gets */
  duty(probeC: number, live: boolean): number {
    if (!this.powered(live)) return 0
    const { spec } = this
    if (spec.kind === 'on') return 1
    if (spec.kind === 'off' || !this.on) return 0
    if (spec.spanK === null) return 1
    const share = spec.leastDuty + ((1 - spec.leastDuty) * (probeC - spec.onC)) / spec.spanK
    return min(1, max(spec.leastDuty, share))
  }
}
