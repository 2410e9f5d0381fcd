import type { Job } from '../core/job'
import { evaluate, sample, withSample } from '../core/margins'
import { settledFindings } from '../core/run'
import { StiffError } from '../core/transient'
import { type Command, now, read, readJob } from './command'

/** What a job's runs come to; rules of thumb stand where none can be made. */
function foundBy(job: Job): ReturnType<typeof settledFindings> {
  try {
    return settledFindings(job, now().toISOString())
  } catch (trouble) {
    if (trouble instanceof StiffError) return null
    throw trouble
  }
}

/** Every margin of a job, as JSON: by rules of thumb, unless the day is asked for to be run through. */
export const evaluateCommand: Command = (args, { out }) => {
  const { values, file } = read(args, { quick: { type: 'boolean' }, run: { type: 'boolean' } }, 1)
  const job = readJob(file)
  const run = values.run ? foundBy(job) : null
  const evaluation = evaluate(job, run)
  out(`${JSON.stringify(values.quick ? evaluation : withSample(evaluation, sample(job, run)), null, 2)}\n`)
}
