import { isRaw, type Raw, within } from './raw'

/**
 * Version 9 had no place for what air felt like, for what else was noticed with the complaint and how often, for claims
 * of fuel or power, nor for a mechanical fan that comes off.
 */
export function fromVersion9(job: Raw): Raw {
  const seen = Array.isArray(job.observations) ? (job.observations as unknown[]) : []
  return {
    ...job,
    version: 10,
    ...within(job, 'complaint', (c) => ({ signs: [], times: null, ...c })),
    observations: seen.map((o) => (isRaw(o) ? { place: '', ...o } : o)),
    mechanicalFan: null,
    claims: [],
  }
}
