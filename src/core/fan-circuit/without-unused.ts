import type { Job, Run } from '../job'

/** Lists of what fans may share, with how a run names its own. */
const shared = {
  controllers: 'controller',
  probes: 'probe',
  relays: 'relay',
  fuses: 'fuse',
} as const satisfies Partial<Record<keyof Job, keyof Run>>

/** The job without what no fan has any more: it would be drawn from, bought and asked for all the same. */
export const withoutUnused = (job: Job): Job =>
  (Object.keys(shared) as (keyof typeof shared)[]).reduce((j, list) => {
    const used = new Set(j.runs.map((r) => r[shared[list]]))
    return j[list].every((e) => used.has(e.id)) ? j : { ...j, [list]: j[list].filter((e) => used.has(e.id)) }
  }, job)
