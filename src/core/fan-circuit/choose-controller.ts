import { changeSetting, type Job, replaceRun, USUAL_SPAN_K } from '../job'
import type { ControllerPart, ProbePart } from '../parts'
import { proposedSetting } from './proposed-setting'

/** The controller of the first run, with the probe that comes with it and a proposed setting. */
export function chooseController(job: Job, part: ControllerPart, supplied: ProbePart | null): Job {
  const probes = supplied ? job.probes.map((p, i) => (i === 0 ? { ...p, part: supplied } : p)) : job.probes
  const chosen = replaceRun(
    {
      ...job,
      probes,
      controllers: [
        { id: 'controller1', part, setC: 90, bandK: 5, spanK: USUAL_SPAN_K },
        ...job.controllers.filter((c) => c.id !== 'controller1'),
      ],
    },
    { controller: 'controller1' },
  )
  const setting = proposedSetting(chosen)
  return setting ? changeSetting(chosen, 'controller1', setting.setC, setting.bandK) : chosen
}
