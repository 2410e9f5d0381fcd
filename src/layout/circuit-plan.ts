import { Circuit, type Conditions } from '../core/circuit'
import { circuitDrawing, circuitGraph, type Drawing } from '../core/drawing'
import type { Job } from '../core/job'
import { netlistOf } from '../core/wiring'

/** everything on and hot: the state in which most flows */
export const runningState: Conditions = {
  key: true,
  engine: true,
  isolator: true,
  override: false,
  call: false,
  timer: false,
  heat: 'hot',
}

/** A job's circuit laid out and drawn as it runs, figures beside the wires: for sheets and files. */
export async function circuitPlan(job: Job): Promise<Drawing> {
  const net = netlistOf(job)
  const graph = circuitGraph(net)
  // the layout library is large: a server that draws no sheet does not wait for it
  const { layOut } = await import('./circuit-layout')
  return circuitDrawing(
    'Circuit, running hot',
    net,
    graph,
    await layOut(graph),
    { conditions: runningState, solution: new Circuit(net).solve(runningState), figures: true },
    net.problems.flatMap((p) => (p.at && p.level !== 'waits' ? [p.at] : [])),
  )
}
