import { mountOf } from '../job'
import { circuitsOf, firstCircuit, suitsVoltage } from '../fan-circuit'
import { airThroughCores } from '../cooling'
import { apart, type Box, holesOf, inside, snapToGaps } from '../fit'
import { changePlace, chooseFan, type Job, jobKinds, lookupOf, moveFan, type Seat } from '../job'
import type { FanPart } from '../parts'
import { Bench } from '../reading'
import { depthStack } from './depth-stack'
import { reachOf } from './leads'
import { coreFace, fanBox, neighbours, obstacleBox, onFansSide } from './surroundings-of-fan'
import { say } from '../words'

export type CoreSide = Job['place']['side']

/** What a fan lacks to fit, and by how much, m. */
export interface Lacking {
  readonly what: 'depth' | 'width' | 'height' | 'voltage' | 'distance'
  readonly from: string
  readonly byM: number
}

/** The best place of one fan on one core and side. */
export interface Placement {
  readonly part: FanPart
  readonly core: number
  readonly side: CoreSide
  readonly seat: Seat
  /** through the fins, standing, m³/s */
  readonly flowM3s: number
  readonly ofBox: number
  readonly coverage: number
  /** tightest distance over what is required, m, and what it is to */
  readonly spareM: number
  readonly tightest: string
  /** lead over what its way asks for, m; negative where it wants lengthening */
  readonly leadOverM: number
  readonly lacking: Lacking | null
}

const COARSE = 24
const FINE_M = 0.001
const ROUNDS = 3
/** flows within this share of each other count as the same air: then room decides */
const SAME_AIR = 0.01

interface Candidate {
  readonly x: number
  readonly y: number
  readonly spare: number
  readonly tightest: string
}

/** Everything that a fan of this size must keep away from on one core. */
interface Neighbourhood {
  readonly face: { readonly w: number; readonly h: number }
  readonly boxes: readonly { readonly name: string; readonly box: Box; readonly needed: number }[]
  readonly housing: number
  readonly depth: number
  readonly standOff: number
}

function at({ face, boxes, housing, depth, standOff }: Neighbourhood, x: number, y: number): Candidate {
  const fan = fanBox({ xM: x, yM: y }, housing, depth, standOff)
  let spare = inside(fan, { x: 0, y: 0, ...face })
  let tightest = say`the core's edge`
  for (const { name, box, needed } of boxes) {
    const left = apart(fan, box) - needed
    if (left < spare) {
      spare = left
      tightest = name
    }
  }
  return { x, y, spare, tightest }
}

/**
 * Where on the face the fan has most room, first on a grid, then finer round the best; room at the core's own edge
 * counts only until it fits.
 */
function roomiest(n: Neighbourhood, preferred: Pick<Seat, 'xM' | 'yM'>): Candidate {
  const { face, housing } = n
  const spanX = Math.max(0, face.w - housing)
  const spanY = Math.max(0, face.h - housing)
  const from = { x: Math.min(face.w, housing) / 2, y: Math.min(face.h, housing) / 2 }
  const base = { x: spanX > 0 ? from.x : face.w / 2, y: spanY > 0 ? from.y : face.h / 2 }
  // among places that fit, the one nearest to where it sits now is as good as any: it moves nothing for nothing
  const value = (c: Candidate): number =>
    c.spare >= 0 ? 1 - Math.hypot(c.x - preferred.xM, c.y - preferred.yM) * 1e-3 + Math.min(c.spare, 0.004) : c.spare
  let best = at(n, base.x + spanX / 2, base.y + spanY / 2)
  const consider = (x: number, y: number): void => {
    const c = at(n, Math.min(base.x + spanX, Math.max(base.x, x)), Math.min(base.y + spanY, Math.max(base.y, y)))
    if (value(c) > value(best) + 1e-12) best = c
  }
  for (let i = 0; i <= COARSE; i++)
    for (let k = 0; k <= COARSE; k++) consider(base.x + (spanX * i) / COARSE, base.y + (spanY * k) / COARSE)
  let stepX = spanX / COARSE
  let stepY = spanY / COARSE
  for (let round = 0; round < ROUNDS && Math.max(stepX, stepY) > FINE_M / 2; round++) {
    const middle = best
    for (let i = -4; i <= 4; i++)
      for (let k = -4; k <= 4; k++) consider(middle.x + (stepX * i) / 4, middle.y + (stepY * k) / 4)
    stepX /= 4
    stepY /= 4
  }
  return best
}

function place(job: Job, part: FanPart, core: number, side: CoreSide): Placement {
  const with_ = changePlace(chooseFan(job, part), { side })
  const bench = new Bench(lookupOf(with_))
  const face = coreFace(bench)
  const stack = depthStack(with_)
  const housing = part.housingM.value
  const own = firstCircuit(with_).fan!
  const boxes = [
    ...with_.place.obstacles
      .filter((o) => o.core === core && onFansSide(with_, o))
      .map((o) => ({
        name: o.name,
        box: obstacleBox(with_, o).at(bench),
        needed: neighbours[o.kind].requiredMm / 1000,
      })),
    // two frames cannot stand in one place
    ...circuitsOf(with_).flatMap(({ fan, suffix }) =>
      fan && fan.id !== own.id && fan.seat?.core === core
        ? [
            {
              name: say`the other fan${suffix}`,
              box: fanBox(fan.seat, fan.part.housingM.value, fan.part.depthM.value, with_.place.standOffM.value),
              needed: 0,
            },
          ]
        : [],
    ),
  ]
  const now = own.seat!
  const around = { face, boxes, housing, depth: part.depthM.value, standOff: with_.place.standOffM.value }
  let found = roomiest(around, now)
  if (mountOf(with_).throughFins && with_.cooling) {
    const snapped = snapToGaps(found.x, holesOf(part.fixings, part.boltCircleM.value), with_.cooling.tubePitchM.value)
    const c = at(around, snapped.xM, found.y)
    if (c.spare >= Math.min(0, found.spare)) found = c
  }
  const seat: Seat = { core, xM: Math.round(found.x * 1e4) / 1e4, yM: Math.round(found.y * 1e4) / 1e4 }
  const seated = moveFan(with_, own.id, seat)
  const seatedBench = new Bench(lookupOf(seated))
  const air = airThroughCores(seatedBench, seated, null).fans.find((f) => f.circuit.fan.id === own.id)
  const flowM3s = air?.flows.covered ?? 0
  const depthOver = stack.leftM - stack.requiredM + 1e-9
  const lacks: Lacking[] = [
    ...(!suitsVoltage(part, job.machine.systemV)
      ? [{ what: 'voltage' as const, from: `${part.ratedV} V`, byM: Number.POSITIVE_INFINITY }]
      : []),
    ...(depthOver < 0
      ? [{ what: 'depth' as const, from: neighbours[with_.place.neighbour].name, byM: -depthOver }]
      : []),
    ...(housing > face.w ? [{ what: 'width' as const, from: say`the core`, byM: housing - face.w }] : []),
    ...(housing > face.h ? [{ what: 'height' as const, from: say`the core`, byM: housing - face.h }] : []),
    ...(found.spare < 0 && found.tightest !== "the core's edge"
      ? [{ what: 'distance' as const, from: found.tightest, byM: -found.spare }]
      : []),
  ]
  return {
    part,
    core,
    side,
    seat,
    flowM3s,
    ofBox: flowM3s / part.freeFlowM3s.value,
    coverage: air ? air.areaM2 / (face.w * face.h) : 0,
    spareM: Math.min(found.spare, depthOver),
    tightest: depthOver < found.spare ? neighbours[with_.place.neighbour].name : found.tightest,
    leadOverM: part.leadM.value - reachOf(seated, 'fan', seat)(seatedBench).value,
    lacking: lacks.reduce<Lacking | null>((worst, l) => (worst === null || l.byM > worst.byM ? l : worst), null),
  }
}

/** Air in steps of a hundredth, so that what counts as the same is the same for all. */
const airStep = ({ flowM3s }: Placement): number => Math.round(Math.log(Math.max(flowM3s, 1e-9)) / SAME_AIR)

/** Those that fit first, by the air that they really move and of equals by their room; then by how little they lack. */
export function ranked(placements: readonly Placement[]): Placement[] {
  return [...placements].sort((a, b) => {
    if ((a.lacking === null) !== (b.lacking === null)) return a.lacking === null ? -1 : 1
    if (a.lacking && b.lacking) return a.lacking.byM - b.lacking.byM
    return airStep(b) - airStep(a) || b.spareM - a.spareM
  })
}

/**
 * The best place for each fan on each core and side, one after another, so that a search can be watched and given up.
 * Ranked by the air that it will really move through fins, not by diameter.
 * @returns empty where the job has no core, or puts no fan on it
 * @see engineering §2.6, §7
 */
export function* searchPlacements(job: Job, parts: readonly FanPart[]): Generator<Placement, void> {
  if (!job.cooling || !jobKinds[job.kind].mountsFan) return
  const sides: readonly CoreSide[] = ['puller', 'pusher']
  for (const part of parts)
    for (let core = 0; core < job.cooling.cores; core++) for (const side of sides) yield place(job, part, core, side)
}

export const placementCount = (job: Job, fans: number): number => (job.cooling ? fans * job.cooling.cores * 2 : 0)

/** Takes a proposal up: the fan, its place and its side. */
export const takePlacement = (job: Job, { part, side, seat }: Placement): Job => {
  const chosen = changePlace(chooseFan(job, part), { side })
  return moveFan(chosen, firstCircuit(chosen).fan!.id, seat)
}

export const isPlaced = (job: Job, { part, side, seat }: Placement): boolean => {
  const { fan } = firstCircuit(job)
  return (
    fan?.part.id === part.id &&
    job.place.side === side &&
    fan.seat !== null &&
    fan.seat.core === seat.core &&
    Math.hypot(fan.seat.xM - seat.xM, fan.seat.yM - seat.yM) < 0.001
  )
}
