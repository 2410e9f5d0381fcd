import { allKnown } from '../core/evidence'
import type { Job } from '../core/job'
import { evaluate, type Findings, judge } from '../core/margins'
import { StiffError } from '../core/transient'
import { type Command, now, read, readJob } from './command'

/** What a job's runs come to, and what was seen tells; rules of thumb stand where no run can be made. */
function knownBy(job: Job): Findings | null {
  try {
    return allKnown(job, now().toISOString())
  } catch (trouble) {
    if (trouble instanceof StiffError) return null
    throw trouble
  }
}

/**
 * Every margin of a job, as JSON: by rules of thumb, unless the day is asked for to be run through; then what was seen
 * of the machine stands beside them.
 */
export const evaluateCommand: Command = (args, { out }) => {
  const { values, file } = read(args, { quick: { type: 'boolean' }, run: { type: 'boolean' } }, 1)
  const job = readJob(file)
  const known = values.run ? knownBy(job) : null
  out(`${JSON.stringify(values.quick ? evaluate(job, known) : judge(job, known), null, 2)}\n`)
}
