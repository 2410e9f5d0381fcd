import { type Job, typicalMachines } from '../../job'
import { kitBrings, readyMade } from '../asks'
import type { StepRule } from '../step'
import { say } from '../../words'

const steers = (job: Job): boolean => typicalMachines[job.machine.kind].steers

/** of the joints, where every wire comes ready made (estimate) */
const JOINTS_SAVED = 15

/** Laid, joined, sleeved, tied, and measured before any battery. */
export const wireRules: readonly StepRule[] = [
  {
    id: 'fuse-holder',
    title: say`Fuse holder, without its fuse`,
    minutes: 8,
    saved: (job) => (kitBrings(job, 'fuse holder') ? 5 : 0),
    needs: ['battery-off'],
    at: 'under the covers',
  },
  {
    id: 'dry-fit',
    title: say`Dry fit: every wire laid in its place`,
    minutes: 15,
    needs: ['fuse-holder', 'controller', 'relay', 'mount', 'probe', 'core-on'],
    at: 'wires still loose',
  },
  {
    id: 'harness',
    title: say`Change the harness`,
    minutes: 15,
    needs: ['dry-fit'],
    at: 'wires still loose',
    when: (job) => job.wiring.edits.length > 0,
  },
  {
    id: 'joints',
    title: say`Crimp and seal the joints`,
    minutes: 20,
    saved: (job) => Math.round(JOINTS_SAVED * readyMade(job)),
    needs: ['dry-fit', 'harness'],
    at: 'wires still loose',
  },
  {
    id: 'sleeves',
    title: say`Sleeves on`,
    minutes: 8,
    when: (job) => !(kitBrings(job, 'sleeve') && readyMade(job) === 1),
    needs: ['joints'],
    at: 'wires still loose',
  },
  {
    id: 'route',
    title: say`Run the wires, loose`,
    minutes: 15,
    needs: ['sleeves', 'core-on'],
    at: 'wires still loose',
  },
  {
    id: 'locks',
    title: say`Steering from lock to lock`,
    minutes: 3,
    needs: ['route', 'core-on', 'mount'],
    at: 'wires still loose',
    when: steers,
  },
  {
    id: 'clear',
    title: say`Everything that moves, moved`,
    minutes: 3,
    needs: ['route', 'core-on', 'mount'],
    at: 'wires still loose',
    when: (job) => !steers(job),
  },
  {
    id: 'fasten',
    title: say`Fasten the wires`,
    minutes: 10,
    needs: ['locks', 'clear', 'route'],
    hides: ['wires still loose'],
    at: 'under the covers',
  },
  {
    id: 'continuity',
    title: say`Continuity, before the battery`,
    minutes: 6,
    needs: ['fasten'],
    at: 'under the covers',
    asks: ['continuity'],
  },
  {
    id: 'insulation',
    title: say`Insulation, before the battery`,
    minutes: 4,
    needs: ['fasten'],
    at: 'under the covers',
    asks: ['insulation'],
  },
]
