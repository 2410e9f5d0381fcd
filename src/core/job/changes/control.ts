import { type ProbePlace, probePlaces } from '../../control'
import type { ProbePart, RelayPart, SwitchPart } from '../../parts'
import { typical } from '../../reading'
import type { Job } from '../document'
import { replaceRun } from './run'

export const chooseProbe = (job: Job, part: ProbePart): Job => ({
  ...job,
  probes: job.probes.map((p, i) => (i === 0 ? { ...p, part } : p)),
})

export const chooseRelay = (job: Job, part: RelayPart): Job =>
  replaceRun(
    { ...job, relays: [{ id: 'relay1', part }, ...job.relays.filter((r) => r.id !== 'relay1')] },
    { relay: 'relay1', switchedBy: 'relay' },
  )

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
export const changeProbePlace = (job: Job, place: ProbePlace): Job => ({
  ...job,
  probes: job.probes.map((p, i) =>
    i === 0
      ? {
          ...p,
          place,
          kappa: typical(probePlaces[place].kappa, place === 'threaded' ? 0 : 0.1),
          overshootK: typical(probePlaces[place].overshootK),
        }
      : p,
  ),
})
