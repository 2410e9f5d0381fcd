import { withPart } from './part'
import { each, type Raw, rawOr, within } from './raw'

/** Version 1 knew only fans on cores of three kinds of machine. */
export function fromVersion1(job: Raw): Raw {
  const complaint = rawOr(job.complaint)
  return {
    ...job,
    version: 2,
    kind: 'core',
    checks: [],
    alterations: [],
    newCore: null,
    bay: null,
    trailer: null,
    ended: null,
    baseline: { state: complaint.after ? 'taken' : 'not yet', hotC: null, airC: null, touchS: null, load: '' },
    ...within(job, 'machine', (m) => ({ ...m, ownerAllows: null })),
    ...within(job, 'surroundings', (s) => ({ ...s, livesIn: null, shielded: false })),
    ...within(job, 'place', (p) => ({ ...p, blowsOn: null })),
    ...each(job, 'fans', withPart),
    ...each(job, 'controllers', withPart),
    ...each(job, 'probes', withPart),
    ...each(job, 'relays', withPart),
    ...each(job, 'switches', withPart),
  }
}
