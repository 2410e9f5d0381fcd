import type { ClaimKind } from '../choices'
import type { Job } from '../document'
import { mostOf, tooMany } from '../limits'
import { freshId } from './fresh-id'
import { say } from '../../words'

type Claim = Job['claims'][number]

/** Notes what is claimed of the fan. @returns the job, or why it can take no more */
export const addClaim = (job: Job, what: ClaimKind, by: string): Job | { readonly full: string } =>
  job.claims.length >= mostOf('claims')
    ? { full: tooMany('claims') }
    : {
        ...job,
        claims: [
          ...job.claims,
          {
            id: freshId('claim', job.claims),
            what,
            share: null,
            by,
            unit: what === 'fuel' ? say`l per 100 km` : 'kW',
            runs: [],
          },
        ],
      }

export const changeClaim = (job: Job, id: string, change: Partial<Omit<Claim, 'id' | 'runs'>>): Job => ({
  ...job,
  claims: job.claims.map((c) => (c.id === id ? { ...c, ...change } : c)),
})

export const removeClaim = (job: Job, id: string): Job => ({ ...job, claims: job.claims.filter((c) => c.id !== id) })

/** Notes a run of a claim. @returns the job, or why it can take no more */
export function addClaimRun(
  job: Job,
  id: string,
  run: Omit<Claim['runs'][number], 'id'>,
): Job | { readonly full: string } {
  const claim = job.claims.find((c) => c.id === id)
  if (!claim) return job
  if (claim.runs.length >= mostOf('claimRuns')) return { full: tooMany('claimRuns') }
  const runs = [...claim.runs, { ...run, id: freshId('run', claim.runs) }]
  return { ...job, claims: job.claims.map((c) => (c.id === id ? { ...c, runs } : c)) }
}

export const removeClaimRun = (job: Job, id: string, run: string): Job => ({
  ...job,
  claims: job.claims.map((c) => (c.id === id ? { ...c, runs: c.runs.filter((r) => r.id !== run) } : c)),
})
