import type { Job } from './document'

const order = ['first', 'second', 'third', 'fourth']

/** "left core" and "right core" of two, else by number; seen from behind. */
export const coreName = (job: Job, core: number): string =>
  (job.cooling?.cores ?? 1) === 1
    ? 'core'
    : job.cooling!.cores === 2
      ? core === 0
        ? 'left core'
        : 'right core'
      : `${order[core]} core`
