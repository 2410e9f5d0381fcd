import { controlKindOf } from '../../control'
import { circuitsOf } from '../../fan-circuit'
import { byRelay, coreOff, feels, mountsFan } from '../asks'
import type { StepRule } from '../step'
import { say } from '../../words'

/** Fan, probe, controller and relay. */
export const fanRules: readonly StepRule[] = [
  {
    id: 'mount',
    title: say`Mount the fan`,
    minutes: 25,
    needs: ['strip', 'make-room', 'mechanical-fan-off', 'core-off'],
    at: 'the core on the bench',
    when: mountsFan,
  },
  {
    id: 'spin',
    title: say`Spin it by hand`,
    minutes: 2,
    needs: ['mount'],
    at: 'the core on the bench',
    when: mountsFan,
  },
  {
    id: 'probe',
    title: say`Place the probe`,
    minutes: 8,
    needs: ['strip', 'drain', 'mount', 'spin'],
    at: 'the core on the bench',
    when: (job) => circuitsOf(job).some(feels),
  },
  {
    id: 'core-on',
    title: say`Core back on`,
    minutes: 20,
    needs: ['core-off', 'pin-hole', 'mount', 'spin'],
    hides: ['the core on the bench'],
    at: 'under the covers',
    when: coreOff,
  },
  {
    id: 'controller',
    title: say`Fix the controller`,
    minutes: 10,
    needs: ['strip'],
    at: 'under the covers',
    when: (job) =>
      circuitsOf(job).some((c) => c.controller === null || controlKindOf(c.controller.part).decidedBy !== 'nothing'),
  },
  {
    id: 'relay',
    title: say`Fit the relay`,
    minutes: 10,
    needs: ['strip'],
    at: 'under the covers',
    when: byRelay,
  },
]
