import { changeRunOf, changeSetting, freshId, type Job, USUAL_SPAN_K } from '../job'
import type { ControllerPart, ProbePart } from '../parts'
import { circuitsOf } from './circuit'
import { withoutUnused } from './without-unused'
import { proposedSetting } from './proposed-setting'

/** so much later than the first a second fan comes on (estimate) @see engineering §3.2 rule 5 */
const SECOND_LATER_K = 5

/** A probe that came with the controller before goes with it; one that was chosen by itself stays. */
function withSupplied(job: Job, n: number, supplied: ProbePart | null): Job {
  if (!supplied) return job
  const run = job.runs[n]!
  const before = job.controllers.find((c) => c.id === run.controller)?.part.suppliedProbeId ?? null
  return {
    ...job,
    probes: job.probes.map((p) =>
      p.id === run.probe && (p.part === null || p.part.id === before) ? { ...p, part: supplied } : p,
    ),
  }
}

/**
 * The controller of a run, the first if none is said, with a proposed setting, and with the probe that comes with it
 * unless another was chosen. Fans that one controller calls are called by the new one.
 */
export function chooseController(job: Job, part: ControllerPart, supplied: ProbePart | null, n = 0): Job {
  const run = job.runs[n]!
  const probed = withSupplied(job, n, supplied)
  const old = job.controllers.find((c) => c.id === run.controller)
  const id =
    old?.id ??
    (job.controllers.some((c) => c.id === 'controller1') ? freshId('controller', job.controllers) : 'controller1')
  const entry = { id, part, setC: 90, bandK: 5, spanK: USUAL_SPAN_K }
  const controllers = old ? job.controllers.map((c) => (c.id === id ? entry : c)) : [...job.controllers, entry]
  return withProposal(changeRunOf({ ...probed, controllers }, run.id, { controller: id }), n)
}

/** The setting that is proposed for a run's controller. */
function withProposal(job: Job, n: number): Job {
  const circuit = circuitsOf(job)[n]!
  const setting = proposedSetting(job, circuit)
  return setting && circuit.controller ? changeSetting(job, circuit.controller.id, setting.setC, setting.bandK) : job
}

/** A controller of its own for a run that has shared one: the same part, set to come on later. */
export function ownController(job: Job, n: number): Job {
  const run = job.runs[n]!
  const shared = job.controllers.find((c) => c.id === run.controller)
  if (!shared || !job.runs.some((r) => r.id !== run.id && r.controller === run.controller)) return job
  const id = freshId('controller', job.controllers)
  const own = { ...shared, id, setC: shared.setC + SECOND_LATER_K }
  return changeRunOf({ ...job, controllers: [...job.controllers, own] }, run.id, { controller: id })
}

/** A run that another one's controller calls; a controller that calls nobody any more goes. */
export const shareController = (job: Job, n: number, withRun = 0): Job =>
  withoutUnused(changeRunOf(job, job.runs[n]!.id, { controller: job.runs[withRun]!.controller }))
