import type { Job } from './document'
import { say } from '../words'

const order = ['first', 'second', 'third', 'fourth']

/** "left core" and "right core" of two, else by number; seen from behind. */
export const coreName = (job: Job, core: number): string =>
  (job.cooling?.cores ?? 1) === 1
    ? 'core'
    : job.cooling!.cores === 2
      ? core === 0
        ? say`left core`
        : say`right core`
      : say`${order[core]} core`
