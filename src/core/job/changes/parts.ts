import type { Part } from '../../parts'
import type { Job } from '../document'

/** Parts that a job keeps copies of, with the lists they stand in. */
const lists = ['fans', 'controllers', 'relays', 'switches', 'probes'] as const

/** Every part that the job has chosen, as it was when chosen. */
export const chosenParts = (job: Job): Part[] =>
  lists.flatMap((l) => job[l].flatMap((e): Part[] => (e.part ? [e.part] : [])))

/** Takes up a part as the shelf has it now, in place of the copy with the same id; what was set stays as it is. */
export function takeUpPart(job: Job, part: Part): Job {
  const swap = <E extends { readonly part: Part | null }>(entries: readonly E[]): E[] =>
    entries.map((e) => (e.part?.id === part.id && e.part.kind === part.kind ? { ...e, part } : e))
  return {
    ...job,
    fans: swap(job.fans),
    controllers: swap(job.controllers),
    relays: swap(job.relays),
    switches: swap(job.switches),
    probes: swap(job.probes),
  }
}
