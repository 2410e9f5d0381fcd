import type { Job } from '../document'
import { mostOf, tooMany } from '../limits'
import type { Observation } from '../schema/observation'
import { freshId } from './fresh-id'

/** Notes what was seen. @returns the job, or why it can take no more */
export const addObservation = (job: Job, seen: Omit<Observation, 'id'>): Job | { readonly full: string } =>
  job.observations.length >= mostOf('observations')
    ? { full: tooMany('observations') }
    : { ...job, observations: [...job.observations, { ...seen, id: freshId('seen', job.observations) }] }

/** What was seen is doubted, or is not any more: it is kept, and tells nothing while it is. */
export const doubtSeen = (job: Job, id: string, doubted: boolean): Job =>
  id === 'complaint'
    ? { ...job, complaint: { ...job.complaint, doubted } }
    : { ...job, observations: job.observations.map((o) => (o.id === id ? { ...o, doubted } : o)) }

/** Takes out what was noted by mistake. */
export const removeObservation = (job: Job, id: string): Job => ({
  ...job,
  observations: job.observations.filter((o) => o.id !== id),
})
