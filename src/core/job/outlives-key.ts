import type { Job } from './document'

/** Whether the fan is wanted to run on once the key is off, and stop by itself: by its timer, or by its thermostat. */
export const outlivesKey = ({ use }: Pick<Job, 'use'>): boolean =>
  use.live === 'after-run' || use.live === 'whenever hot'
