import { each, guess, type Raw, within } from './raw'

/**
 * Version 7 did not say how a size is known, how a plug goes together, how wires are joined and pass what is hot or
 * moves, nor what came ready made. Nobody has looked: so it is written down.
 */
export function fromVersion7(job: Raw): Raw {
  return {
    ...job,
    version: 8,
    ...each(job, 'conductors', (c) => ({ sizeFrom: 'printed on it', ...c })),
    ...each(job, 'fans', (f) => ({ plug: 'not looked', ...f })),
    ...within(job, 'machine', (m) => ({
      ...m,
      airConditioning: null,
      accessoryFeed: null,
      fanPlug: { search: 'not looked', where: '' },
    })),
    ...within(job, 'wiring', (w) => ({
      ...w,
      plugSpeed: 'one speed',
      plugResistorOhm: guess(0.5),
      joints: 'sealed crimp',
      passes: [],
      kit: null,
      ...each(w, 'edits', (e) => ({
        ...e,
        ...(e.kind === 'length' ? { was: null } : {}),
        ...(e.kind === 'breaker to fuse' ? { wasA: null } : {}),
      })),
    })),
  }
}
