import type { Job } from './document'
import { say } from '../words'

const order = [say`first core`, say`second core`, say`third core`, say`fourth core`]

/** "left core" and "right core" of two, else by number; seen from behind. */
export function coreName(job: Job, core: number): string {
  const cores = job.cooling?.cores ?? 1
  if (cores === 1) return say`core`
  if (cores > 2) return order[core]!
  return core === 0 ? say`left core` : say`right core`
}
