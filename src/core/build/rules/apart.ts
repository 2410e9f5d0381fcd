import { coreOff, dealtWith, opensCoolant, pinMovesM } from '../asks'
import type { StepRule } from '../step'
import { say } from '../../words'

/** Taking apart: what comes off is written down as it does. */
export const apartRules: readonly StepRule[] = [
  {
    id: 'strip',
    title: say`Strip what is in the way`,
    minutes: 20,
    needs: ['have-all', 'baseline', 'cool', 'bucket', 'battery-off', 'fuel'],
    at: 'under the covers',
  },
  {
    id: 'mechanical-fan-off',
    title: say`Take the mechanical fan off`,
    minutes: 25,
    needs: ['strip'],
    at: 'under the covers',
    when: (job) => job.mechanicalFan !== null,
  },
  {
    id: 'make-room',
    title: say`Make room: move or take off what is near`,
    minutes: 15,
    needs: ['strip'],
    at: 'under the covers',
    when: (job) => dealtWith(job).length > 0,
  },
  {
    id: 'drain',
    title: say`Drain the coolant`,
    minutes: 15,
    needs: ['cool', 'battery-off', 'strip'],
    at: 'under the covers',
    when: opensCoolant,
  },
  {
    id: 'core-off',
    title: say`Take the core off`,
    minutes: 15,
    needs: ['drain'],
    at: 'under the covers',
    when: coreOff,
  },
  {
    id: 'pin-hole',
    title: say`Mark, drill and deburr the moved pin hole`,
    minutes: 20,
    needs: ['core-off'],
    at: 'the core on the bench',
    when: (job) => pinMovesM(job) !== 0,
  },
]
