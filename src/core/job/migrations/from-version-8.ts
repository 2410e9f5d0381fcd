import { type Raw, within } from './raw'

/** Version 8 kept what was seen only as a sentence: nothing was noted beside it, and nobody had doubted it. */
export function fromVersion8(job: Raw): Raw {
  return {
    ...job,
    version: 9,
    ...within(job, 'complaint', (c) => ({ doubted: false, ...c })),
    observations: [],
  }
}
