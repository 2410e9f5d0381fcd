import { type ProbePlace, probePlaces } from '../../control'
import type { ProbePart, RelayPart, SwitchPart } from '../../parts'
import { typical } from '../../reading'
import type { Job } from '../document'
import { freshId } from './fresh-id'
import { changeRunOf, replaceRun } from './run'

/** The probe of a run, the first if none is said; fans that share it share it still. */
export const chooseProbe = (job: Job, part: ProbePart, n = 0): Job => ({
  ...job,
  probes: job.probes.map((p) => (p.id === job.runs[n]!.probe ? { ...p, part } : p)),
})

/** The relay of a run, the first if none is said; fans that hang on it hang on it still. */
export const chooseRelay = (job: Job, part: RelayPart, n = 0): Job => {
  const run = job.runs[n]!
  const old = job.relays.find((r) => r.id === run.relay)
  const id = old?.id ?? (job.relays.some((r) => r.id === 'relay1') ? freshId('relay', job.relays) : 'relay1')
  const relays = old ? job.relays.map((r) => (r.id === id ? { id, part } : r)) : [...job.relays, { id, part }]
  return changeRunOf({ ...job, relays }, run.id, { relay: id, switchedBy: 'relay' })
}

export const chooseKeySwitch = (job: Job, part: SwitchPart): Job =>
  replaceRun(
    { ...job, switches: [{ id: 'key1', part }, ...job.switches.filter((x) => x.id !== 'key1')] },
    { keySwitch: 'key1' },
  )

/** A ramp's span. */
export const changeSpan = (job: Job, controllerId: string, spanK: number): Job => ({
  ...job,
  controllers: job.controllers.map((c) => (c.id === controllerId ? { ...c, spanK } : c)),
})

export const changeSetting = (job: Job, controllerId: string, setC: number, bandK: number): Job => ({
  ...job,
  controllers: job.controllers.map((c) => (c.id === controllerId ? { ...c, setC, bandK } : c)),
})

/** Another place for the probe brings its own share and overshoot, typical again. */
export const changeProbePlace = (job: Job, place: ProbePlace, n = 0): Job => ({
  ...job,
  probes: job.probes.map((p) =>
    p.id === job.runs[n]!.probe
      ? {
          ...p,
          place,
          kappa: typical(probePlaces[place].kappa, place === 'threaded' ? 0 : 0.1),
          overshootK: typical(probePlaces[place].overshootK),
        }
      : p,
  ),
})

/** A probe of its own for a run that has shared one: as the shared one is, until it is moved. */
export function ownProbe(job: Job, n: number): Job {
  const run = job.runs[n]!
  const shared = job.probes.find((p) => p.id === run.probe)
  if (!shared || !job.runs.some((r) => r.id !== run.id && r.probe === run.probe)) return job
  const id = freshId('probe', job.probes)
  return changeRunOf({ ...job, probes: [...job.probes, { ...shared, id }] }, run.id, { probe: id })
}

/** A run that feels what another one's probe feels; a probe that nobody has any more goes. */
export function shareProbe(job: Job, n: number, withRun = 0): Job {
  const shared = changeRunOf(job, job.runs[n]!.id, { probe: job.runs[withRun]!.probe })
  return { ...shared, probes: shared.probes.filter((p) => shared.runs.some((r) => r.probe === p.id)) }
}
