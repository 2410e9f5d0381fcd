import type { Job } from './document'
import { say } from '../words'

const order = [say`first core`, say`second core`, say`third core`, say`fourth core`]

/** "left core" and "right core" of two, else by number; seen from behind. */
export const coreName = (job: Job, core: number): string =>
  (job.cooling?.cores ?? 1) === 1
    ? say`core`
    : job.cooling!.cores === 2
      ? core === 0
        ? say`left core`
        : say`right core`
      : order[core]!
