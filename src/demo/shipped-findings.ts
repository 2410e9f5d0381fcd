import { readFileSync } from 'node:fs'
import path from 'node:path'
import { z } from 'zod'
import { allKnown } from '../core/evidence'
import type { Job } from '../core/job'
import { CORE_VERSION, type Findings, findingsSchema } from '../core/margins'
import { runKey } from '../core/run'

/**
 * What the runs of a demo job come to: as written down beside the examples where that was this core and this state of
 * the job, else run now.
 * @param at moment that they are told as of, ISO
 * @param folder of the examples
 */
export function shippedFindings(job: Job, at: string, folder: string): Findings | null {
  const file = path.join(folder, 'findings.json')
  const shipped = z.array(findingsSchema).parse(JSON.parse(readFileSync(file, 'utf8')))
  const found = shipped.find((f) => f.key === runKey(job) && f.coreVersion === CORE_VERSION)
  return found ? { ...found, at } : allKnown(job, at)
}
