import { digs, engined, isBike } from '../asks'
import type { StepRule } from '../step'

/** What comes before the first bolt, and what makes a machine safe to take apart. */
export const beforeRules: readonly StepRule[] = [
  {
    id: 'have-all',
    title: 'Lay out every part, tool and fuse',
    minutes: 10,
  },
  {
    id: 'baseline',
    title: 'Baseline run, before anything comes apart',
    minutes: 20,
  },
  {
    id: 'cool',
    title: 'Let it cool',
    minutes: 0,
    waitMinutes: 60,
    needs: ['baseline'],
    when: engined,
  },
  {
    id: 'bucket',
    title: 'Bucket down, pressure off',
    minutes: 3,
    when: digs,
  },
  {
    id: 'unplug',
    title: 'Tow plug out, charger off',
    minutes: 3,
    when: (job) => job.trailer !== null,
  },
  {
    id: 'battery-off',
    title: 'Battery off',
    minutes: 5,
    needs: ['have-all', 'baseline', 'unplug'],
  },
  {
    id: 'fuel',
    title: 'Fuel shut, its level noted',
    minutes: 5,
    needs: ['cool', 'battery-off'],
    at: 'under the covers',
    when: isBike,
  },
]
