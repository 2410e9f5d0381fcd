import { changesOfLife, type LifeEvent } from './life-events'
import type { Job } from '../job'

export type { LifeEvent } from './life-events'

/**
 * Everything that was done to a machine and seen of it, over all of its jobs, the newest first.
 * @param jobs of one machine, with their ids
 */
export const machineLife = (jobs: readonly { readonly id: string; readonly job: Job }[]): LifeEvent[] =>
  jobs
    .flatMap(({ id, job }) => changesOfLife(job).map((e) => ({ ...e, job: id, title: job.title })))
    .sort((a, b) => (a.at < b.at ? 1 : -1))
