import { mountOf } from '../job'
import { type FasteningFigure } from '../job'
import { type ChosenFan, type FannedCircuit, fannedCircuits, firstCircuit } from '../fan-circuit'
import { HUB_SHARE } from '../air'
import { holesOf, longestScrew, nearestGap, offTheGaps, snapToGaps, tieLength } from '../fit'
import { type Job, lookupOf, panelOf, type Seat } from '../job'
import { airThroughCores, boilsAt, cooledAt, dutiesOf, movedBy } from '../cooling'
import { Bench } from '../reading'
import { format, percent } from '../units'
import { say } from '../words'

const TIES = 4
/** four ties hold at most this much fan, kg (estimate) */
const KG_PER_FOUR_TIES = 0.35
/** thickness of a fan's frame where a tie or screw goes through it, m (estimate) */
const FRAME_M = 0.004

/** The holes that ties go through, from the fan's middle; null without a fan on a core. */
const tieHoles = (job: Job, fan: ChosenFan | null) => {
  return fan?.seat && job.cooling
    ? {
        seat: fan.seat,
        pitch: job.cooling.tubePitchM.value,
        holes: holesOf(fan.part.fixings, fan.part.boltCircleM.value),
        massKg: fan.part.massKg.value,
      }
    : null
}

export interface Ties {
  /** gaps that the ties go through, from the core's left, m */
  readonly gapsM: readonly number[]
  /** how far the worst hole is from the middle of its gap, m */
  readonly offM: number
  /** the same fan a little to the side, where its holes meet the gaps best */
  readonly snapped: Seat
  readonly snappedOffM: number
  /** length of each tie, m */
  readonly lengthM: number
  readonly tooHeavy: boolean
  /** a hole lies beside the fins, where no tie can go through */
  readonly besideFins: boolean
}

/**
 * Ties through the fins: which gaps, how long, how far off; null where the fan is not tied.
 * @see engineering §7, typical.md
 */
export function tiesOf(job: Job, { fan } = firstCircuit(job)): Ties | null {
  const tied = mountOf(job).throughFins ? tieHoles(job, fan) : null
  if (!tied) return null
  const { seat, pitch, holes, massKg } = tied
  const snapped = snapToGaps(seat.xM, holes, pitch)
  return {
    gapsM: [...new Set(holes.map((h) => nearestGap(seat.xM + h.x, pitch).toFixed(4)))]
      .map(Number)
      .sort((a, b) => a - b),
    offM: offTheGaps(seat.xM, holes, pitch),
    snapped: { ...seat, xM: snapped.xM },
    snappedOffM: snapped.offM,
    lengthM: tieLength(job.cooling!.coreThicknessM.value, job.place.standOffM.value, FRAME_M),
    tooHeavy: massKg > KG_PER_FOUR_TIES,
    besideFins: holes.some(
      (h) =>
        seat.xM + h.x < 0 ||
        seat.xM + h.x > job.cooling!.coreWidthM.value ||
        seat.yM + h.y < 0 ||
        seat.yM + h.y > job.cooling!.coreHeightM.value,
    ),
  }
}

export interface Leak {
  readonly gapM: number
  /** through the gap instead of the fins, m³/s */
  readonly leakM3s: number
  /** what closing it would bring through the fins, m³/s, and of heat, W */
  readonly gainM3s: number
  readonly gainW: number
}

/** What the gap round a shroud costs, standing; null without a shroud or a fan. @see engineering §2.6 */
export function shroudLeak(job: Job): Leak | null {
  if (!mountOf(job).shrouded || !job.cooling || !job.engine || !job.fans.length) return null
  const bench = new Bench(lookupOf(job))
  const [open, shut] = [airThroughCores(bench, job, null), airThroughCores(bench, job, null, { gapM: 0 })]
  const through = (air: typeof open): number => air.fans.reduce((sum, f) => sum + f.flows.covered, 0)
  const duty = dutiesOf(job)[0]!
  const coolantC = boilsAt(bench, job).at.c - job.limits.boilKeepK
  return {
    gapM: job.place.gapM.value,
    leakM3s: open.fans.reduce((sum, f) => sum + f.flows.gap, 0),
    gainM3s: through(shut) - through(open),
    gainW: cooledAt(bench, job, duty, coolantC, { gapM: 0 }).carriedW - cooledAt(bench, job, duty, coolantC).carriedW,
  }
}

const INLET_OVER_ANNULUS = 1.2

/**
 * Opening that lets the fans breathe, 1.2 × their annuli, against the vents in; null without a bay or a fan.
 * @see engineering §2.7
 */
export function inletNeeded(job: Job): { readonly needM2: number; readonly haveM2: number } | null {
  const fans = fannedCircuits(job)
  if (!job.bay || !fans.length) return null
  const annuliM2 = fans.reduce(
    (sum, { fan }) => sum + (Math.PI / 4) * fan.part.diameterM.value ** 2 * (1 - HUB_SHARE ** 2),
    0,
  )
  return { needM2: INLET_OVER_ANNULUS * annuliM2, haveM2: job.bay.ventInM2.value }
}

const mm = (job: Job, m: number): string => format(m, 'length', job.units, 3)

/** What a way of fastening is done by on this machine, in its own figures. */
const words: Readonly<Record<FasteningFigure, (job: Job, circuit: FannedCircuit) => string[]>> = {
  screw: (job) => {
    const { bracketM, washerM, channelM } = job.place
    return [
      say`Longest screw ${mm(job, longestScrew(bracketM.value, washerM.value, channelM.value))} = bracket
        ${mm(job, bracketM.value)} + washer ${mm(job, washerM.value)} + channel ${mm(job, channelM.value)} −
        ${mm(job, 0.001)}: a longer one meets a tube.`,
      say`Torque ${format(2.5, 'torque', job.units)} into a thin channel, ${format(5, 'torque', job.units)} for M5
        into aluminium, where the maker says nothing (a guess); medium threadlocker.`,
    ]
  },
  ties: (job, circuit) => {
    const ties = tiesOf(job, circuit)
    if (ties?.besideFins)
      return [
        say`A fixing hole lies beside the fins: no tie can go through there. Move the fan, take a smaller one, or a
          bracket.`,
      ]
    return ties
      ? [
          say`Ties through the gaps ${ties.gapsM.map((g) => mm(job, g)).join(say` and `)} from the core's left edge;
            the worst hole is ${format(ties.offM, 'length', job.units, 2)} off the middle of its gap.`,
          say`${TIES} ties of at least ${mm(job, ties.lengthM)}; foam of ${mm(job, job.place.standOffM.value)} under
            each corner; trim to ${mm(job, 0.003)}.`,
        ]
      : []
  },
  'edge leak': (job) => {
    const leak = shroudLeak(job)
    if (!leak) return []
    return [
      leak.gapM > 0
        ? say`The gap of ${mm(job, leak.gapM)} lets ${format(leak.leakM3s, 'flow', job.units, 2)} past the fins; edge
          trim all round brings ${format(leak.gainM3s, 'flow', job.units, 2)} more through them,
          ${format(leak.gainW, 'heat', job.units, 2)} standing.`
        : say`The edge is closed all round: nothing leaks past the fins.`,
    ]
  },
  'stand-offs': (job) => {
    const { standOffM, bladeProudM } = job.place
    return [
      say`Stand-offs of ${mm(job, standOffM.value)}, blades stand out ${mm(job, bladeProudM.value)}:
        ${mm(job, standOffM.value - bladeProudM.value)} between blades and the ${panelOf(job)?.name ?? say`panel`}.`,
    ]
  },
  hose: (job, circuit) => {
    const through = movedBy(new Bench(lookupOf(job)), job, circuit)
    const box = circuit.fan.part.freeFlowM3s.value
    const { lengthM, bends, splitter, leadsTo } = job.place.duct
    const leads = splitter
      ? say`; now it leads to ${leadsTo === 'outside' ? say`the outside (summer)` : say`the cab (winter)`}`
      : ''
    return [
      say`Through ${format(lengthM.value, 'run', job.units)} of hose with ${bends}
        ${bends === 1 ? say`bend` : say`bends`}${
          splitter ? say` and a splitter` : ''
        } it moves ${format(through, 'flow', job.units, 2)} of the
        ${format(box, 'flow', job.units, 2)} on its box, ${percent(through / box)}${leads}.`,
    ]
  },
  inlet: (job) => {
    const inlet = inletNeeded(job)
    return inlet && inlet.haveM2 < inlet.needM2
      ? [
          say`It wants ${format(inlet.needM2, 'opening', job.units, 2)} of inlet, 1.2 × its annulus; there are
            ${format(inlet.haveM2, 'opening', job.units, 2)}.`,
        ]
      : []
  },
}

/** {@link words} of the chosen way for each fan, what is the same for all of them once; empty without a fan. */
export function fasteningWords(job: Job): string[] {
  const fans = fannedCircuits(job)
  const each = fans.map((c) => mountOf(job).figures.flatMap((f) => words[f](job, c)))
  const common = (line: string): boolean => each.every((lines) => lines.includes(line))
  return each.flatMap((lines, i) =>
    lines.flatMap((line) => {
      if (common(line)) return i === 0 ? [line] : []
      return [fans.length > 1 ? say`Fan ${fans[i]!.number}: ${line}` : line]
    }),
  )
}
