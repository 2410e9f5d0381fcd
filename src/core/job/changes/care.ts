import type { Job } from '../document'
import { mostOf, tooMany } from '../limits'
import { careOf } from '../start'
import { freshId } from './fresh-id'

type Care = Job['after'][number]

export const changeCare = (job: Job, id: string, part: Partial<Omit<Care, 'id'>>): Job => ({
  ...job,
  after: job.after.map((a) => (a.id === id ? { ...a, ...part } : a)),
})

/** Something of one's own to look after. @returns the job, or why it can take no more */
export const addCare = (job: Job, what: string, dueOn: string | null): Job | { readonly full: string } =>
  job.after.length >= mostOf('care')
    ? { full: tooMany('care') }
    : { ...job, after: [...job.after, { ...careOf(freshId('own', job.after), what), dueOn }] }

export const removeCare = (job: Job, id: string): Job => ({ ...job, after: job.after.filter((a) => a.id !== id) })
