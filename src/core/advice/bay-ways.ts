import { firstCircuit, suitsVoltage } from '../fan-circuit'
import { airSideOf, bayFlow, flywheelHelps, runningAir, type Side } from '../cooling'
import { changePlace, chooseFan, type Job, lookupOf, type Panel, turnFan } from '../job'
import type { FanPart } from '../parts'
import { depthStack } from '../placing'
import { Bench } from '../reading'

/** One way of moving air through a bay with one fan: a panel and a direction, or no fan at all. */
export interface BayWay {
  readonly panel: Panel | null
  /** the side that the fan is put on */
  readonly side: Side | null
  /** the way that the air then goes: the other one where its wires are swapped */
  readonly blows: Side | null
  /** what is missing for it to fit, m; null where it has room */
  readonly lacksM: { readonly what: 'depth' | 'width'; readonly byM: number } | null
  /** through the fan, m³/s; negative where the flywheel fan drives it back */
  readonly fanFlow: number
  readonly flow: number
  readonly bayC: number
  readonly intakeC: number
  readonly operator:
    | 'hot air is blown at the operator'
    | 'hot air leaves at every gap, also towards the operator'
    | 'cool air is drawn in at every gap'
    | 'nothing is blown'
  /** whether the engine's own fan helps it; null where it has none there */
  readonly flywheel: boolean | null
}

function intakeOf(job: Job, panel: Panel | null, side: Side | null, bayC: number, outsideC: number): number {
  const aimed = panel?.faces === 'engine intake'
  // the intake breathes the bay, unless the fan pushes cool air at it; outside it breathes what is there, unless hot
  // air is blown at it
  if (job.bay?.intakeFrom === 'outside') return aimed && side === 'puller' ? bayC : outsideC
  return aimed && side === 'pusher' ? outsideC : bayC
}

const operatorSide = (panel: Panel | null, side: Side | null): BayWay['operator'] => {
  if (side === null) return 'nothing is blown'
  if (side === 'pusher') return 'hot air leaves at every gap, also towards the operator'
  return panel?.faces === 'operator' ? 'hot air is blown at the operator' : 'cool air is drawn in at every gap'
}

/** A fan of the shelf in the place of the chosen one, with its wires and blade as that one's are. */
function asWired(job: Job, part: FanPart): Job {
  const [was] = job.fans
  const next = chooseFan(job, part)
  const { fan } = firstCircuit(next)
  if (!was || !fan) return next
  return turnFan(next, fan.id, { wiresSwapped: was.wiresSwapped, bladeTurned: was.bladeTurned })
}

/**
 * Pulling out, pushing in and no fan, on each panel, with one fan.
 * @returns the way without a fan last; empty where the job has no bay
 * @see engineering §2.7
 */
export function bayWays(job: Job, part: FanPart): BayWay[] {
  const { bay } = job
  if (!bay) return []
  const way = (panel: Panel | null, side: Side | null): BayWay => {
    const with_ = panel && side ? changePlace(asWired(job, part), { panel: panel.id, side }) : job
    const bench = new Bench(lookupOf(with_))
    const circuit = firstCircuit(with_)
    const running = panel && side && circuit.fan ? runningAir(bench, { ...circuit, fan: circuit.fan }) : null
    const found = bayFlow(bench, with_, running ? [running] : [], panel, side ?? 'puller')
    const blows = side && running ? airSideOf(side, running) : null
    const stack = depthStack(with_)
    const depthShort = stack.requiredM - stack.leftM
    const wideShort = panel ? part.housingM.value - Math.min(panel.wideM.value, panel.highM.value) : 0
    const lacksDepth = depthShort > 1e-9 ? { what: 'depth' as const, byM: depthShort } : null
    const tooWide = wideShort > 0 && wideShort >= depthShort
    const lacks = tooWide ? { what: 'width' as const, byM: wideShort } : lacksDepth
    return {
      panel,
      side,
      blows,
      lacksM: panel ? lacks : null,
      fanFlow: found.fanFlow,
      flow: found.flow,
      bayC: found.bayC,
      intakeC: intakeOf(job, panel, blows, found.bayC, job.surroundings.hottestC.value),
      operator: operatorSide(panel, blows),
      flywheel: panel && blows && bay.flywheel ? flywheelHelps(panel, blows) : null,
    }
  }
  return [...bay.panels.flatMap((p) => [way(p, 'puller'), way(p, 'pusher')]), way(null, null)]
}

/** The next smaller fan of the shelf for this voltage, by its blades; null where there is none. */
export const nextSizeDown = (job: Job, part: FanPart, shelf: readonly FanPart[]): FanPart | null =>
  shelf
    .filter((p) => suitsVoltage(p, job.machine.systemV) && p.diameterM.value < part.diameterM.value - 1e-6)
    .reduce<FanPart | null>((a, b) => (a === null || b.diameterM.value > a.diameterM.value ? b : a), null)
