import { each, type Raw, within } from './raw'

/**
 * Version 10 kept ticks of steps and answers of proofs, but not what came off, what coolant went out and in, what is
 * right for now only, what lay ready, locks gone past, times left, nor what was found at a proof before.
 */
export function fromVersion10(job: Raw): Raw {
  return {
    ...job,
    version: 11,
    ...within(job, 'build', (b) => ({
      passed: [],
      waits: [],
      torques: [],
      own: [],
      unplanned: [],
      have: [],
      left: [],
      ...b,
    })),
    ledger: [],
    coolant: { outM3: null, inM3: null },
    debts: [],
    photos: [],
    dial: [],
    ...each(job, 'proofs', (p) => ({ words: '', accepted: null, earlier: [], ...p })),
    ...each(job, 'after', (a) => ({ found: '', ...a })),
  }
}
