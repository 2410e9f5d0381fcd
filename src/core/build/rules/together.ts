import { isSet, opensCoolant } from '../asks'
import type { StepRule } from '../step'

/** Coolant back, power last, covers when all is proved. */
export const togetherRules: readonly StepRule[] = [
  {
    id: 'refill',
    title: 'Refill and purge',
    minutes: 15,
    needs: ['core-on', 'probe', 'fasten'],
    at: 'under the covers',
    when: opensCoolant,
  },
  {
    id: 'test-setting',
    title: 'Controller to its test setting',
    minutes: 3,
    needs: ['controller'],
    at: 'under the covers',
    when: isSet,
  },
  {
    id: 'battery-on',
    title: 'Battery on, fuse still out',
    minutes: 5,
    needs: 'all before',
    at: 'under the covers',
  },
  {
    id: 'fuse-in',
    title: 'Fuse in, last of all',
    minutes: 1,
    needs: 'all before',
    at: 'under the covers',
  },
  {
    id: 'working-setting',
    title: 'Working setting put back',
    minutes: 3,
    needs: ['fuse-in'],
    at: 'under the covers',
    when: isSet,
  },
  {
    id: 'covers',
    title: 'Everything back that came off',
    minutes: 15,
    needs: 'all before',
    hides: ['under the covers'],
    waitsForProofs: true,
  },
  {
    id: 'last-look',
    title: 'All closed: moved once more',
    minutes: 4,
    needs: ['covers'],
  },
]
