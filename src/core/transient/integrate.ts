import { Columns } from './columns'
import { lengthOf } from './leg'
import type { LegSum, Run, RunOptions, RunSpec } from './run'
import * as state from './state'
import { say } from '../words'

// looked up once: this is the inside of every run
const { max, min, floor, ceil } = Math
const { BROUGHT, CARRIED, HOT, PROBE, SHED, VENTED, probeAt, statesWith } = state

/** J/kg that boil off. @see engineering §4 */
const LATENT = 2.2e6
/** of the coolant's mass: with more gone the run stops and says so */
const MOST_VENTED = 0.3
/** steps for each second beyond which readings cannot belong to one machine */
const FASTEST = 60
const STABLE = 2.6

/** Readings whose quickest part is quicker than any step that ends: no machine is like that. */
export class StiffError extends Error {
  constructor(readonly perSecond: number) {
    super(
      say`These readings cannot belong to one machine: its coolant would pass the core many times a second. Look again
        at coolant, core and rated power.`,
    )
    this.name = 'StiffError'
  }
}

/**
 * Runs a machine through a duty: fixed step, fourth-order Runge–Kutta, a step cut where the probe passes an on or off
 * point or the coolant begins to boil, and begun anew from there.
 * @returns null where `progress` gave it up
 * @throws StiffError where the readings are quicker than any sensible step
 * @see engineering §4
 */
export function integrate(
  spec: RunSpec,
  { stepS = 1, roughly = false, everyS = 1, goOnS = 0, until, progress }: RunOptions = {},
): Run | null {
  const { plant, legs, motors, governors, bus, given } = spec
  const total = lengthOf(legs)
  const fans = motors.length
  const size = statesWith(plant.probes)
  const feels = governors.map((_, f) => probeAt(spec.feels?.[f] ?? 0))
  const y = new Float64Array(size)
  plant.begin(legs[0]!)
  if (spec.start) {
    y.fill(spec.start[PROBE]!)
    y.set(spec.start)
  } else plant.settle(y, spec.startC ?? legs[0]!.airC)
  governors.forEach((g, f) => {
    g.reset()
    g.look(y[feels[f]!]!)
  })
  const [k1, k2, k3, k4, at, next] = Array.from({ length: 6 }, () => new Float64Array(size)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ]
  const ramps = !given && governors.some((g) => g.ramps)
  const duties = new Float64Array(fans)
  const wasOn = new Uint8Array(fans)
  const speeds = new Float64Array(fans)
  const starts = new Float64Array(fans)
  const legStarts = new Float64Array(fans)
  const keep = new Columns(ceil(total / everyS) + legs.length + 4, fans)
  const storedBefore = plant.stored(y)
  let charge = bus.startCharge
  let t = 0
  let nextRow = 0
  let nextWord = 0
  let boilingS = 0
  let boilsAtS: number | null = null
  let flatAtS: number | null = null
  let [peakC, peakAtS, leastV] = [y[HOT]!, 0, Number.POSITIVE_INFINITY]
  let ended: Run['ended'] = null
  let over = false
  let after: { seconds: number; ah: number; still: boolean } | null = null
  const sums: LegSum[] = []

  const advance = roughly ? plant.advance : null
  const step = (h: number): void => {
    if (advance) return advance(y, next, h)
    plant.rates(y, k1)
    for (let i = 0; i < size; i++) at[i] = y[i]! + 0.5 * h * k1[i]!
    plant.rates(at, k2)
    for (let i = 0; i < size; i++) at[i] = y[i]! + 0.5 * h * k2[i]!
    plant.rates(at, k3)
    for (let i = 0; i < size; i++) at[i] = y[i]! + h * k3[i]!
    plant.rates(at, k4)
    const sixth = h / 6
    for (let i = 0; i < size; i++) next[i] = y[i]! + sixth * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!)
  }

  for (const leg of legs) {
    plant.begin(leg)
    const fromS = t
    let [fanS, dutyS, legPeak] = [0, 0, y[HOT]!]
    legStarts.fill(0)
    if (leg.running) after = null
    else after ??= { seconds: 0, ah: 0, still: false }
    // higher up it boils sooner: what is then too hot goes off at once
    const boilsC = plant.boilsC()
    if (y[HOT]! > boilsC) {
      const before = plant.stored(y)
      y[HOT] = boilsC
      y[VENTED] = y[VENTED]! + before - plant.stored(y)
    }
    plant.blow(speeds)
    const perSecond = plant.fastest() / STABLE
    if (!(perSecond < FASTEST)) throw new StiffError(perSecond)
    const most = advance ? plant.roughS : min(roughly ? plant.roughS : stepS, 1 / perSecond)
    const last = leg === legs.at(-1)
    let left = leg.seconds + (last && !leg.running && !leg.live ? goOnS : 0)
    while (left > 1e-9 && ended === null && !over) {
      // what runs in this step; a ramp's duty changes within it, and counts as it stands at its middle
      let controllers = 0
      if (ramps) plant.rates(y, k1)
      const ahead = ramps ? 0.5 * min(most, left) : 0
      for (let f = 0; f < fans; f++) {
        const i = feels[f]!
        duties[f] = given
          ? given(t)
          : governors[f]!.duty(ramps && governors[f]!.ramps ? y[i]! + ahead * k1[i]! : y[i]!, leg.live)
        if (governors[f]!.powered(leg.live)) controllers = spec.controllerA
        const on = duties[f]! > 0 ? 1 : 0
        if (on && !wasOn[f]) {
          starts[f] = starts[f]! + 1
          legStarts[f] = legStarts[f]! + 1
        }
        wasOn[f] = on
      }
      bus.settle(charge, leg.running || leg.chargeA > 0 ? leg.chargeA : 0, leg.loadsA + controllers, motors, duties)
      let running = 0
      let duty = 0
      for (let f = 0; f < fans; f++) {
        speeds[f] = duties[f]! > 0 ? motors[f]!.speed(duties[f]! * bus.volts) : 0
        if (speeds[f]! > 0) {
          running = 1
          duty = max(duty, duties[f]!)
        }
      }
      // the day is over and everything stands
      if (last && running === 0 && t >= total - 1e-9) break
      plant.blow(speeds)
      if (t >= nextRow - 1e-9) {
        keep.add(t, y, bus.volts, charge, duties, speeds, y[HOT]! >= boilsC)
        nextRow = everyS * floor(t / everyS + 1 + 1e-9)
      }
      let h = min(most, left, max(nextRow - t, 1e-6), t < total ? max(total - t, 1e-6) : left)
      for (let f = 0; f < fans; f++) h = min(h, max(1e-6, governors[f]!.timerLeft(leg.live)))
      step(h)
      // cut where the probe passes a point, or the coolant begins to boil
      let share = 2
      let who = -1
      if (!given)
        for (let f = 0; f < fans; f++) {
          const s = governors[f]!.crossing(y[feels[f]!]!, next[feels[f]!]!)
          if (s < share) {
            share = s
            who = f
          }
        }
      const boils = y[HOT]! < boilsC && next[HOT]! > boilsC ? (boilsC - y[HOT]!) / (next[HOT]! - y[HOT]!) : 2
      if (boils < share) {
        share = boils
        who = -2
      }
      if (share < 1) {
        h = max(share * h, 1e-9)
        step(h)
      }
      if (next[HOT]! > boilsC) {
        // what rounding left above boiling goes off as vapour
        const before = plant.stored(next)
        next[HOT] = boilsC
        next[VENTED] = next[VENTED]! + before - plant.stored(next)
      }
      if (next[VENTED]! > y[VENTED]! + 1e-9) {
        boilingS += h
        boilsAtS ??= t
      }
      y.set(next)
      t += h
      left -= h
      if (who >= 0) governors[who]!.on = !governors[who]!.on
      for (let f = 0; f < fans; f++) {
        governors[f]!.pass(leg.live, h)
        if (who !== f && !given) governors[f]!.look(y[feels[f]!]!)
      }
      charge = min(1, max(0, charge + (bus.netA * h) / 3600 / bus.capacityAh))
      if (charge === 0 && bus.netA < 0) flatAtS ??= t
      leastV = min(leastV, bus.volts)
      fanS += running * h
      dutyS += duty * h
      if (after) {
        after.seconds += running * h
        after.ah += (running * bus.fanA * h) / 3600
        after.still = running === 1
      }
      if (y[HOT]! > peakC) {
        peakC = y[HOT]!
        peakAtS = t
      }
      if (y[HOT]! > legPeak) legPeak = y[HOT]!
      if (y[VENTED]! / LATENT > MOST_VENTED * spec.coolantKg) ended = 'coolant gone'
      if (until?.(y[HOT]!, t)) over = true
      if (progress && t >= nextWord) {
        nextWord = t + total / 50
        if (progress(t / total)) return null
      }
    }
    sums.push({
      leg,
      fromS,
      fanS,
      dutyS,
      starts: legStarts.reduce((a, b) => max(a, b), 0),
      peakC: legPeak,
      lastC: y[HOT]!,
    })
    if (ended || over) break
  }
  keep.add(t, y, bus.volts, charge, duties, speeds, y[HOT]! >= plant.boilsC())
  return {
    trace: keep.cut(),
    legs: sums,
    peakC,
    peakAtS,
    boilingS,
    boilsAtS,
    ventedKg: y[VENTED]! / LATENT,
    ended,
    starts: [...starts],
    after,
    startCharge: bus.startCharge,
    endCharge: charge,
    leastV: Number.isFinite(leastV) ? leastV : 0,
    flatAtS,
    lengthS: t,
    energy: {
      brought: y[BROUGHT]!,
      carried: y[CARRIED]!,
      shed: y[SHED]!,
      vented: y[VENTED]!,
      stored: plant.stored(y) - storedBefore,
    },
  }
}
