import type { Trace } from './columns'
import type { Bus, FanMotor } from './electrics'
import type { Governor } from './governor'
import type { Leg } from './leg'
import type { Plant } from './state'

/** Everything that a run is made of. */
export interface RunSpec {
  readonly plant: Plant
  readonly legs: readonly Leg[]
  readonly motors: readonly FanMotor[]
  readonly governors: readonly Governor[]
  /** which of the machine's probes each of them feels; the first where unsaid */
  readonly feels?: readonly number[] | undefined
  readonly bus: Bus
  /** taken by the controllers while their circuit has power, A */
  readonly controllerA: number
  /** kg of coolant; Infinity in a bay */
  readonly coolantKg: number
  /** everything stands at this temperature before it begins; the first leg's air where unsaid */
  readonly startC?: number | undefined
  /** states to begin with instead; of later probes, where they are left out, as the first */
  readonly start?: Float64Array | undefined
  /** fan states from outside (a log), by fan: 1 on, 0 off at a time; instead of the governors */
  readonly given?: ((seconds: number) => number) | undefined
}

export interface RunOptions {
  readonly stepS?: number | undefined
  /** in the plant's own long steps instead: for what is drawn many times, within some hundredths of a kelvin */
  readonly roughly?: boolean | undefined
  /** how far apart kept rows are, s */
  readonly everyS?: number | undefined
  /** where a fan still runs at the end of the day: how much longer it is followed until it stands, s */
  readonly goOnS?: number | undefined
  /** ends the run, as if its day were over, as soon as it is so hot; called at every step with HOT, °C */
  readonly until?: ((hotC: number, seconds: number) => boolean) | undefined
  /** called now and then with the share done; true gives the run up */
  readonly progress?: ((share: number) => boolean) | undefined
}

/** What a leg came to. */
export interface LegSum {
  readonly leg: Leg
  readonly fromS: number
  /** time that any fan ran, s */
  readonly fanS: number
  /** fans' time by their duty, s */
  readonly dutyS: number
  /** of the fan that started most often */
  readonly starts: number
  readonly peakC: number
  readonly lastC: number
}

export interface Run {
  readonly trace: Trace
  readonly legs: readonly LegSum[]
  readonly peakC: number
  readonly peakAtS: number
  readonly boilingS: number
  readonly boilsAtS: number | null
  readonly ventedKg: number
  /** why it ended before its duty did */
  readonly ended: 'coolant gone' | null
  readonly starts: readonly number[]
  /**
   * seconds for which each fan ran after the engine stopped for the last time, Ah that all took then, and whether one
   * still ran at the end
   */
  readonly after: { readonly seconds: number; readonly ah: number; readonly still: boolean } | null
  readonly startCharge: number
  readonly endCharge: number
  readonly leastV: number
  /** time at which the battery was empty */
  readonly flatAtS: number | null
  readonly lengthS: number
  /**
   * heat in, carried by core or vents, shed by the engine, gone as vapour, and what the parts hold more than at the
   * start, J
   */
  readonly energy: {
    readonly brought: number
    readonly carried: number
    readonly shed: number
    readonly vented: number
    readonly stored: number
  }
}
