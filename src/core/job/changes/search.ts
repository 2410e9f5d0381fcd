import type { Job } from '../document'
import { mostOf, tooMany } from '../limits'
import { freshId } from './fresh-id'

export type Search = Job['searches'][number]
export type FoundInSearch = Search['found'][number]
type Taken = Job | { readonly full: string }

/** The search that is under way; null where none is. */
export const openSearch = (job: Job): Search | null => job.searches.find((s) => s.ended === null) ?? null

/** The fault that is being sought: a search under way in which something was said. */
export const faultSought = (job: Job): Search | null =>
  job.searches.find((s) => s.ended === null && s.found.length > 0) ?? null

const changed = (job: Job, id: string, change: (s: Search) => Search): Job => ({
  ...job,
  searches: job.searches.map((s) => (s.id === id ? change(s) : s)),
})

/** Begins to seek a fault, with what is known of it already; one that is under way goes on with it. */
export function beginSearch(job: Job, found: readonly Omit<FoundInSearch, 'at'>[], at: string): Taken {
  const under = openSearch(job)
  if (under) return found.reduce<Taken>((j, f) => ('full' in j ? j : noteFound(j, under.id, f, at)), job)
  if (job.searches.length >= mostOf('searches')) return { full: tooMany('searches') }
  const search = { id: freshId('search', job.searches), at, found: found.map((f) => ({ ...f, at })), ended: null }
  return { ...job, searches: [...job.searches, search] }
}

/** Notes what was found at a move; what was found there before is taken out. */
export function noteFound(job: Job, id: string, found: Omit<FoundInSearch, 'at'>, at: string): Taken {
  const others = job.searches.find((s) => s.id === id)?.found.filter((f) => f.move !== found.move) ?? []
  if (others.length >= mostOf('foundInSearch')) return { full: tooMany('foundInSearch') }
  return changed(job, id, (s) => ({ ...s, found: [...others, { ...found, at }] }))
}

export const takeFoundBack = (job: Job, id: string, move: string): Job =>
  changed(job, id, (s) => ({ ...s, found: s.found.filter((f) => f.move !== move) }))

/** Ends a search with what it was, how it was put right and what showed it. */
export const endSearch = (job: Job, id: string, ended: NonNullable<Search['ended']>): Job =>
  changed(job, id, (s) => ({ ...s, ended }))

/** Takes a search out: it was begun by mistake. */
export const dropSearch = (job: Job, id: string): Job => ({ ...job, searches: job.searches.filter((s) => s.id !== id) })
