import { formFor, type FuseForm } from '../../electrical'
import { typical } from '../../reading'
import type { WireSize } from '../../units'
import type { Job, Run } from '../document'
import { sharesContact } from '../shares-contact'
import { freshId } from './fresh-id'

/** Changes of a job by one choice. Each returns a new job and leaves the old one as it was. */

export const replaceRun = (job: Job, change: Partial<Run>): Job => ({
  ...job,
  runs: job.runs.map((r, i) => (i === 0 ? { ...r, ...change } : r)),
})

/** Another way for one of the runs. */
export const changeRunOf = (job: Job, id: string, change: Partial<Run>): Job => ({
  ...job,
  runs: job.runs.map((r) => (r.id === id ? { ...r, ...change } : r)),
})

/** How the first run is fed, switched and brought back. */
export const changeRun = (
  job: Job,
  change: Partial<Pick<Run, 'source' | 'switchedBy' | 'frame' | 'crimps' | 'rings'>>,
): Job => replaceRun(job, change)

export const changeConductor = (job: Job, id: string, change: Partial<Job['conductors'][number]>): Job => ({
  ...job,
  conductors: job.conductors.map((c) => (c.id === id ? { ...c, ...change } : c)),
})

/** Another size for wires: what is bought by its print or reel. */
export const changeSizes = (
  job: Job,
  size: WireSize | null,
  ids: readonly string[] = job.runs.flatMap((r) => r.conductors),
): Job => ({
  ...job,
  conductors: job.conductors.map((c) => (ids.includes(c.id) ? { ...c, size, sizeFrom: 'printed on it' } : c)),
})

/**
 * Puts a fuse into a run and every run that hangs on the same one, or takes it out (null): without one the job cannot
 * be signed.
 * @param n which run, 0 the first
 */
export function changeFuse(job: Job, ratingA: number | null, form?: FuseForm, n = 0): Job {
  const run = job.runs[n]!
  const here = (r: Run): boolean =>
    r.id === run.id || (run.fuse !== null && r.fuse === run.fuse) || sharesContact(r, run)
  const old = job.fuses.find((f) => f.id === run.fuse)
  if (ratingA === null)
    return {
      ...job,
      fuses: job.fuses.filter((f) => f.id !== run.fuse),
      runs: job.runs.map((r) => (here(r) ? { ...r, fuse: null } : r)),
    }
  const fuse = {
    ...(old ?? {
      id: freshId('fuse', job.fuses),
      kind: 'blade' as const,
      fromPostM: typical(0.15),
      lies: job.bay ? ('bay' as const) : ('engine' as const),
      ambientC: typical(40),
    }),
    ratingA,
    kind: form ?? formFor(ratingA, old?.kind),
  }
  return {
    ...job,
    fuses: old ? job.fuses.map((f) => (f.id === fuse.id ? fuse : f)) : [...job.fuses, fuse],
    runs: job.runs.map((r) => (here(r) ? { ...r, fuse: fuse.id } : r)),
  }
}
