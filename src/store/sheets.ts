import { canBeKnown } from '../core/evidence'
import { judge } from '../core/margins'
import { benchSheet, type Sheet } from '../core/sheets'
import { circuitPlan } from '../layout/circuit-plan'
import { readRevision } from './history'
import { readHead } from './jobs'
import { findingsFor } from './kept-findings'
import type { Store } from './patience'
import { newestSeal } from './seals'

/**
 * The bench sheet of a job or of one of its revisions: as it was signed where it was, else as the core of today reads
 * it.
 * @returns null if there is no such job or revision; `unsettled`: what its run comes to is not known yet, and the sheet
 * tells rules of thumb
 */
export async function sheetOf(
  store: Store,
  id: string,
  revision?: number,
): Promise<{
  readonly sheet: Sheet
  readonly sealed: boolean
  readonly unsettled: boolean
  readonly title: string
} | null> {
  const found = revision === undefined ? await readHead(store, id) : await readRevision(store, id, revision)
  if (!found) return null
  const { job } = found
  // aftercare goes on under a signature: the newest revision then carries the signature of an older seal
  const seal = job.signature ? await newestSeal(store, id, job.signature) : null
  if (seal) return { sheet: seal.sheet, sealed: true, unsettled: false, title: job.title }
  const findings = await findingsFor(store, id, job)
  return {
    sheet: benchSheet(job, judge(job, findings), await circuitPlan(job)),
    sealed: false,
    unsettled: findings === null && canBeKnown(job),
    title: job.title,
  }
}
