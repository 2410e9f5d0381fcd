import type { Job } from '../document'
import { mostOf, tooMany } from '../limits'
import { freshId } from './fresh-id'

export type Note = Job['notes'][number]

/** Adds a note of one's own; where there is no room, says how many there may be. */
export const addNote = (job: Job, note: Omit<Note, 'id'>): Job | { readonly full: string } =>
  job.notes.length >= mostOf('notes')
    ? { full: tooMany('notes') }
    : { ...job, notes: [...job.notes, { id: freshId('note', job.notes), ...note }] }

export const changeNote = (job: Job, id: string, words: string): Job => ({
  ...job,
  notes: job.notes.map((n) => (n.id === id ? { ...n, words } : n)),
})

export const removeNote = (job: Job, id: string): Job => ({ ...job, notes: job.notes.filter((n) => n.id !== id) })

/** Model and serial number, as they stand on the machine. */
export const setIdentity = (job: Job, change: Partial<Job['identity']>): Job => ({
  ...job,
  identity: { ...job.identity, ...change },
})
