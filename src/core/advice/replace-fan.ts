import { firstCircuit, ratingOf } from '../fan-circuit'
import { movedBy } from '../cooling'
import { runningFan } from '../electrical'
import { engagement, type Engagement } from '../fit'
import { chooseFan, type Job, lookupOf } from '../job'
import type { FanPart } from '../parts'
import { type Bench, corners, NotingBench } from '../reading'
import { format, type UnitSystem, percent } from '../units'
import { say } from '../words'

/** A figure with what the readings leave open. */
export interface Spread {
  readonly value: number
  readonly low: number
  readonly high: number
}

export interface Replacement {
  /** air on this core or bay, m³/s, and current, A, of the fan that is there now and of the new one */
  readonly air: { readonly old: Spread; readonly new: Spread; readonly overlap: boolean }
  readonly amps: { readonly old: Spread; readonly new: Spread; readonly overlap: boolean }
  readonly fixing: Engagement
}

function spread(job: Job, compute: (bench: Bench) => number, own: RegExp): Spread {
  const lookup = lookupOf(job)
  const bench = new NotingBench(lookup)
  const value = compute(bench)
  // both fans stand on the same core behind the same wire: only what is known of the fans themselves tells them apart
  const { worst, best } = corners(
    compute,
    lookup,
    bench.touched.filter((a) => own.test(a)),
    value,
  )
  return { value, low: worst, high: best }
}

const overlap = (a: Spread, b: Spread): boolean => a.low <= b.high && b.low <= a.high

/**
 * The fan that is there now against the one that takes its place, on the same core, at the same voltage.
 * @returns null where either is missing
 * @see engineering §1.6, §1.11, §2.6, §7
 */
export function replacement(job: Job): Replacement | null {
  const next = firstCircuit(job).fan?.part
  if (!next || !job.oldFan) return null
  const of = (part: FanPart) => {
    const with_ = { ...chooseFan(job, part), oldFan: null }
    return {
      air: spread(with_, (b) => movedBy(b, with_), /^fans\./),
      amps: spread(
        with_,
        (b) => runningFan(ratingOf(b, firstCircuit(with_).fan!), b.value('charging.regulatorV')).currentA,
        /^fans\./,
      ),
    }
  }
  const [before, after] = [of(job.oldFan.part), of(next)]
  const frame = (p: FanPart) => ({ count: p.fixings, circleM: p.boltCircleM.value })
  return {
    air: { old: before.air, new: after.air, overlap: overlap(before.air, after.air) },
    amps: { old: before.amps, new: after.amps, overlap: overlap(before.amps, after.amps) },
    fixing: engagement(frame(next), frame(job.oldFan.part)),
  }
}

function turnsInWords(turns: readonly string[]): string {
  if (turns.length > 1) return say`, turned by ${turns.join(', ')}: take the one that brings its lead nearest`
  return turns[0] === '0°' ? say`, as it stands` : say`, turned by ${turns[0]}`
}

/** "Swift 116 moves 14 % more for 0.6 A less; the spreads do not overlap." */
export function replacementInWords(job: Job, { air, amps, fixing }: Replacement, units: UnitSystem): readonly string[] {
  const { name } = firstCircuit(job).fan!.part
  const more = air.new.value / air.old.value - 1
  const amp = amps.new.value - amps.old.value
  const sameAir = Math.abs(more) < 0.005
  const turns = fixing.turns.slice(0, 6).map((t) => `${t}°`)
  const airSays = sameAir ? say`as much air` : say`${percent(Math.abs(more))} ${more > 0 ? say`more` : say`less`} air`
  const ampsSay =
    Math.abs(amp) < 0.005
      ? say`the same current`
      : `${format(Math.abs(amp), 'current', units, 2)} ${amp > 0 ? say`more` : say`less`}`
  const overlapSays = air.overlap
    ? say`the spreads of their air overlap: it may be the other way round`
    : say`the spreads of their air do not overlap`
  return [
    say`${name} moves ${airSays} for ${ampsSay}; ${overlapSays}.`,
    fixing.engaged === fixing.of
      ? say`All ${fixing.of} fixing points meet the old housing${turnsInWords(turns)}.`
      : say`${fixing.engaged} of ${fixing.of} fixing points meet the old
        housing${
          fixing.engaged && turns.length ? say` (turned by ${turns[0]})` : ''
        }: the others want new holes or an adapter ring.`,
  ]
}
