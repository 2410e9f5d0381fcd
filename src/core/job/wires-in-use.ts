import { type ConductorRole } from './choices'
import { controlKindOf } from '../control'
import type { Job } from './document'

const hasElectronics = (job: Job): boolean => job.controllers.some((c) => controlKindOf(c.part).electronic)

const byRelay = (job: Job): boolean => job.runs.some((r) => r.switchedBy === 'relay')

const toGround = (job: Job): boolean => job.wiring.side === 'ground'

/** Several relays on one call, or several controllers on one feed. */
const linked = (job: Job): boolean => {
  const electronic = job.controllers.filter((c) => controlKindOf(c.part).electronic)
  const relays = new Set(job.runs.flatMap((r) => (r.switchedBy === 'relay' ? [r.relay ?? r.id] : [])))
  return relays.size > 1 || electronic.length > 1
}

/** Whether anything of the circuit takes its current where coil and controller do. */
const hasControl = (job: Job): boolean => byRelay(job) || hasElectronics(job)

const hasTimer = (job: Job): boolean =>
  job.wiring.timer && job.wiring.controlFrom === 'key' && job.engine !== null && hasControl(job)

/**
 * Whether the job's circuit has a wire of a role at all; one that it has not keeps what was measured until it is wanted
 * again.
 */
const rules: Readonly<Record<ConductorRole, (job: Job) => boolean>> = {
  feed: () => true,
  return: () => true,
  control: hasControl,
  'coil-feed': (job) => byRelay(job) && toGround(job) && hasElectronics(job),
  trigger: byRelay,
  'coil-return': byRelay,
  'supply-return': hasElectronics,
  link: linked,
  override: ({ wiring }) => wiring.override !== 'none',
  'override-out': ({ wiring }) => wiring.override !== 'none',
  call: ({ wiring }) => wiring.call,
  'call-out': ({ wiring }) => wiring.call,
  timer: hasTimer,
  'timer-out': hasTimer,
  lamp: ({ wiring }) => wiring.lamp,
  'lamp-return': ({ wiring }) => wiring.lamp,
}

export const hasWire = (job: Job, role: ConductorRole): boolean => rules[role](job)

/** Conductors that the job's circuit has. */
export const wiresInUse = (job: Job): Job['conductors'] =>
  job.conductors.filter((c) =>
    c.role === 'feed' || c.role === 'return' ? job.runs.some((r) => r.conductors.includes(c.id)) : hasWire(job, c.role),
  )
