import { Circuit, runningHot } from '../core/circuit'
import { circuitDrawing, circuitGraph, type Drawing } from '../core/drawing'
import type { Job } from '../core/job'
import { netlistOf, wireNames } from '../core/wiring'
import { say } from '../core/words'

/** A job's circuit laid out and drawn as it runs, figures beside the wires: for sheets and files. */
export async function circuitPlan(job: Job): Promise<Drawing> {
  const net = netlistOf(job)
  const graph = circuitGraph(net)
  // the layout library is large: a server that draws no sheet does not wait for it
  const { layOut } = await import('./circuit-layout')
  return circuitDrawing(
    say`Circuit, running hot`,
    net,
    graph,
    await layOut(graph, false, true),
    { conditions: runningHot, solution: new Circuit(net).solve(runningHot), figures: true },
    net.problems.flatMap((p) => (p.at && p.level !== 'waits' ? [p.at] : [])),
    wireNames(job),
  )
}
