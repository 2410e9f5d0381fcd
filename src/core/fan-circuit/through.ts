import { controlKindOf } from '../control'
import { bladeFuseOhm, CRIMP_OHM, LOOM_OHM, RELAY_CONTACT_OHM, SWITCH_OHM } from '../electrical'
import type { Job, Run } from '../job'

/** What stands in a feed that somebody else laid, before the fan's own wire begins, ohm. */
function borrowedOhm({ wiring }: Job, source: Run['source']): number {
  switch (source) {
    case 'key switch':
      return SWITCH_OHM + LOOM_OHM + (wiring.loomFuseA === null ? 0 : bladeFuseOhm(wiring.loomFuseA))
    case 'accessory block':
    case 'existing plug':
      return RELAY_CONTACT_OHM + LOOM_OHM + (wiring.feedRatedA === null ? 0 : bladeFuseOhm(wiring.feedRatedA))
    case 'road lights':
      return LOOM_OHM
    case 'battery':
      return 0
  }
}

/**
 * Contacts that a fan's current goes through besides its wires, joints and fuse: relay or controller, isolator, and
 * what
 * a borrowed feed has before it. As the circuit has them.
 * @returns ohm
 * @see engineering §1.2, §5
 */
export function contactsOhm(job: Job, run: Run): number {
  const part = job.controllers.find((c) => c.id === run.controller)?.part
  const plainWire = run.switchedBy === 'controller' && part !== undefined && controlKindOf(part).decidedBy === 'nothing'
  return (
    (plainWire ? 2 * CRIMP_OHM : RELAY_CONTACT_OHM) +
    (job.wiring.isolator ? SWITCH_OHM : 0) +
    borrowedOhm(job, run.source)
  )
}
