import type { SwitchPart } from '../../parts'
import type { Job } from '../document'

export const changeWiring = (job: Job, change: Partial<Job['wiring']>): Job => ({
  ...job,
  wiring: { ...job.wiring, ...change },
})

export const changeIntent = (job: Job, change: Partial<Job['wiring']['intent']>): Job =>
  changeWiring(job, { intent: { ...job.wiring.intent, ...change } })

/** The part that override or isolator is. */
export const chooseSwitch = (job: Job, role: 'override' | 'isolator', part: SwitchPart): Job =>
  changeWiring(
    { ...job, switches: [...job.switches.filter((x) => x.id !== role), { id: role, part }] },
    role === 'override' ? { overrideSwitch: role } : { isolatorSwitch: role },
  )
