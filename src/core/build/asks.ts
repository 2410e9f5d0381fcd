import { circuitsOf, eachOnce, type FanCircuit, isSettable, isThermostat } from '../fan-circuit'
import { type Job, jobKinds, mountOf, type Obstacle, wiresInUse } from '../job'

import type { HarnessPart } from '../parts'
import { kitConductors } from '../wiring'
import { say } from '../words'

/** What the steps of a job turn on. */

export const mountsFan = (job: Job): boolean => jobKinds[job.kind].mountsFan
export const engined = (job: Job): boolean => job.engine !== null
export const digs = (job: Job): boolean => /^digger/.test(job.machine.kind)
export const isBike = (job: Job): boolean => /bike$/.test(job.machine.kind)
export const byRelay = (job: Job): boolean => job.runs.some((r) => r.switchedBy === 'relay')

/** The core comes off for it. */
export const coreOff = (job: Job): boolean =>
  job.newCore !== null || (job.cooling !== null && mountsFan(job) && mountOf(job).coreComesOff)

/** It goes by a probe, or is one itself: a thermo-switch is placed like any other. */
export const feels = ({ controller }: FanCircuit): boolean => controller === null || isThermostat(controller.part)

const threaded = (job: Job): boolean =>
  job.cooling !== null && circuitsOf(job).some((c) => feels(c) && c.probe.place === 'threaded')

/** The coolant is opened: the core comes off, or a probe is threaded into it, whatever holds the fan. */
export const opensCoolant = (job: Job): boolean => coreOff(job) || threaded(job)

/** What stands near the core and is moved for the fan, or taken off. */
export const dealtWith = (job: Job): readonly Obstacle[] =>
  mountsFan(job) ? job.place.obstacles.filter((o) => o.dealt !== 'stays') : []

/** The new core's pin sits elsewhere: its hole moves by so much, m. */
export const pinMovesM = ({ newCore }: Job): number =>
  newCore === null ? 0 : newCore.pinNewM.value - newCore.pinOldM.value

export const isSet = (job: Job): boolean =>
  circuitsOf(job).some((c) => c.controller === null || isSettable(c.controller.part))

export const sizes = (job: Job): string =>
  [...new Set(wiresInUse(job).map((c) => c.size ?? say`a size still to choose`))].join(say` and `)

/** Whether a ready-made harness brings a thing. */
export const kitBrings = (job: Job, what: HarnessPart['brings'][number]): boolean =>
  job.wiring.kit?.part.brings.includes(what) ?? false

/** Share of the wires in use that come ready made, 0…1. */
export function readyMade(job: Job): number {
  const wires = wiresInUse(job)
  const made = kitConductors(job)
  return wires.length ? wires.filter((w) => made.has(w.id)).length / wires.length : 0
}

/** "fan 1", "fan 2"; the first circuit that has a thing shared by several names it. */
export const fanOf = ({ suffix }: FanCircuit): string => suffix.replace(', ', '') || say`the fan`

/** "15 A", "7.5 A for fan 1 and 3 A for fan 2"; null where none is chosen. */
export function fusesInWords(job: Job): string | null {
  const fuses = eachOnce(job, 'fuse')
  const several = fuses.length > 1
  return fuses.map(([f, c]) => `${f.ratingA} A${several ? say` for ${fanOf(c)}` : ''}`).join(say` and `) || null
}
