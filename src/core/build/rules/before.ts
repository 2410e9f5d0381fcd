import { digs, engined, isBike } from '../asks'
import type { StepRule } from '../step'
import { say } from '../../words'

/** What comes before the first bolt, and what makes a machine safe to take apart. */
export const beforeRules: readonly StepRule[] = [
  {
    id: 'have-all',
    title: say`Lay out every part, tool and fuse`,
    minutes: 10,
  },
  {
    id: 'baseline',
    title: say`Baseline run, before anything comes apart`,
    minutes: 20,
  },
  {
    id: 'cool',
    title: say`Let it cool`,
    minutes: 0,
    waitMinutes: 60,
    needs: ['baseline'],
    when: engined,
  },
  {
    id: 'bucket',
    title: say`Bucket down, pressure off`,
    minutes: 3,
    when: digs,
  },
  {
    id: 'unplug',
    title: say`Tow plug out, charger off`,
    minutes: 3,
    when: (job) => job.trailer !== null,
  },
  {
    id: 'battery-off',
    title: say`Battery off`,
    minutes: 5,
    needs: ['have-all', 'baseline', 'unplug'],
  },
  {
    id: 'fuel',
    title: say`Fuel shut, its level noted`,
    minutes: 5,
    needs: ['cool', 'battery-off'],
    at: 'under the covers',
    when: isBike,
  },
]
