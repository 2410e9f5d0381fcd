import { GROUND } from '../circuit'
import { controlKindOf } from '../control'
import { conductorName, type Job } from '../job'
import { nodeInWords } from './ends'
import { netlistOf } from './netlist'
import { say } from '../words'

export interface GroundLine {
  readonly conductor: string
  readonly name: string
  readonly from: string
  /** where it ends */
  readonly at: 'battery −' | 'frame, clean metal'
  /** carries a fan's current, or only signals */
  readonly carries: 'fan' | 'signals'
  readonly wrong: string | null
}

/**
 * Every wire of the job that ends on negative, and where. A controller's ground and a fan's never share a stud on the
 * frame: the fan's start lifts it, and the controller reads that as heat.
 * @see engineering §1.2
 */
export function groundPlan(job: Job): GroundLine[] {
  const net = netlistOf(job)
  return net.elements.flatMap((e): GroundLine[] => {
    if (e.kind !== 'wire' || e.conductor === null) return []
    const ends = [e.a, e.b]
    const frame = ends.find((n) => net.nodes.get(n)?.is === 'frame')
    if (frame === undefined && !ends.includes(GROUND)) return []
    const own = job.conductors.find((c) => c.id === e.conductor)!
    const carries = own.role === 'return' ? 'fan' : 'signals'
    const pulses = job.runs.some((r) => r.frame && r.conductors.includes(own.id) && pulsed(job, r.controller))
    return [
      {
        conductor: own.id,
        name: conductorName(job, own.id),
        from: nodeInWords(job, net.nodes, ends.find((n) => n !== GROUND && n !== frame) ?? e.a),
        at: frame === undefined ? 'battery −' : 'frame, clean metal',
        carries,
        wrong: pulses ? say`pulses must not come back through the frame` : null,
      },
    ]
  })
}

const pulsed = (job: Job, controller: string | null): boolean =>
  job.controllers.some((c) => c.id === controller && controlKindOf(c.part).pulses)
