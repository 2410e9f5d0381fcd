import { isSet, opensCoolant } from '../asks'
import type { StepRule } from '../step'
import { say } from '../../words'

/** Coolant back, power last, covers when all is proved. */
export const togetherRules: readonly StepRule[] = [
  {
    id: 'refill',
    title: say`Refill and purge`,
    minutes: 15,
    needs: ['core-on', 'probe', 'fasten'],
    at: 'under the covers',
    when: opensCoolant,
  },
  {
    id: 'test-setting',
    title: say`Controller to its test setting`,
    minutes: 3,
    needs: ['controller'],
    at: 'under the covers',
    when: isSet,
  },
  {
    id: 'battery-on',
    title: say`Battery on, fuse still out`,
    minutes: 5,
    needs: 'all before',
    at: 'under the covers',
  },
  {
    id: 'fuse-in',
    title: say`Fuse in, last of all`,
    minutes: 1,
    needs: 'all before',
    at: 'under the covers',
  },
  {
    id: 'working-setting',
    title: say`Working setting put back`,
    minutes: 3,
    needs: ['fuse-in'],
    at: 'under the covers',
    when: isSet,
  },
  {
    id: 'covers',
    title: say`Everything back that came off`,
    minutes: 15,
    needs: 'all before',
    hides: ['under the covers'],
    waitsForProofs: true,
  },
  {
    id: 'last-look',
    title: say`All closed: moved once more`,
    minutes: 4,
    needs: ['covers'],
  },
]
