import { type ConductorRole } from './choices'
import { controlKindOf } from '../control'
import type { Job } from './document'

const hasElectronics = (job: Job): boolean => job.controllers.some((c) => controlKindOf(c.part).electronic)

const byRelay = (job: Job): boolean => job.runs.some((r) => r.switchedBy === 'relay')

/**
 * Whether the job's circuit has a wire of a role at all; one that it has not keeps what was measured until it is wanted
 * again.
 */
const rules: Readonly<Record<ConductorRole, (job: Job) => boolean>> = {
  feed: () => true,
  return: () => true,
  control: (job) => byRelay(job) || hasElectronics(job),
  trigger: byRelay,
  'coil-return': byRelay,
  'supply-return': hasElectronics,
  override: ({ wiring }) => wiring.override !== 'none',
  call: ({ wiring }) => wiring.call,
  lamp: ({ wiring }) => wiring.lamp,
  timer: (job) =>
    job.wiring.timer &&
    job.wiring.controlFrom === 'key' &&
    job.engine !== null &&
    (byRelay(job) || hasElectronics(job)),
}

export const hasWire = (job: Job, role: ConductorRole): boolean => rules[role](job)

/** Conductors that the job's circuit has. */
export const wiresInUse = (job: Job): Job['conductors'] =>
  job.conductors.filter((c) =>
    c.role === 'feed' || c.role === 'return' ? job.runs.some((r) => r.conductors.includes(c.id)) : hasWire(job, c.role),
  )
