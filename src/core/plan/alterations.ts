import { mountOf } from '../job'
import { type AlterationKind, hasWire, type Job, jobKinds } from '../job'
import { holeMove } from '../placing'
import { say } from '../words'

/** What is done to the machine that was not so before. */
export interface Alteration {
  readonly id: string
  readonly kind: AlterationKind
  readonly what: string
  readonly undoable: boolean
  readonly clashes: boolean
  readonly fromPlan: boolean
}

/** Whether each kind can be taken back to standard with ordinary work. */
export const alterationWords: Readonly<Record<AlterationKind, { readonly name: string; readonly undoable: boolean }>> =
  {
    cut: { name: say`cut`, undoable: false },
    hole: { name: say`drilled hole`, undoable: false },
    tap: { name: say`tapped thread`, undoable: false },
    weld: { name: say`weld`, undoable: false },
    splice: { name: say`splice`, undoable: true },
  }

const clash = (job: Job, undoable: boolean): boolean =>
  job.machine.ownerAllows === 'nothing that leaves a mark' || (job.machine.ownerAllows === 'undoable only' && !undoable)

/**
 * Every cut, hole, tap, weld and splice of the plan, its own and those noted by hand, held against what the owner
 * allows.
 */
export function alterationsOf(job: Job): Alteration[] {
  const alters = jobKinds[job.kind].mountsFan ? mountOf(job).alters : null
  const own: { id: string; kind: AlterationKind; what: string }[] = [
    ...(alters ? [{ id: 'mount', ...alters }] : []),
    ...(Math.abs(holeMove(job) ?? 0) > 0.0005
      ? [{ id: 'pins', kind: 'hole' as const, what: say`pin holes moved for the new core` }]
      : []),
    ...(job.runs.some((r) => r.source === 'key switch') ||
    (job.engine !== null &&
      job.fans.length > 0 &&
      job.controllers.length > 0 &&
      job.wiring.controlFrom === 'key' &&
      hasWire(job, 'control'))
      ? [{ id: 'key-wire', kind: 'splice' as const, what: say`a joint into the wire behind the key switch` }]
      : []),
  ]
  return [
    ...own.map((a) => ({ ...a, fromPlan: true })),
    ...job.alterations.map((a) => ({ ...a, fromPlan: false })),
  ].map((a) => {
    const { undoable } = alterationWords[a.kind]
    return { ...a, undoable, clashes: clash(job, undoable) }
  })
}
