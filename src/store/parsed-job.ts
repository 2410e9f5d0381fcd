import type { Job } from '../core/job'
import { readJob } from '../formats'
import { jsonOr } from './json-or'
import { StoreTrouble } from './trouble'
import { say } from '../core/words'

/** @throws StoreTrouble for a document that is no job any more */
export function parsedJob(document: string, file: string): Job {
  const read = readJob(jsonOr(document, null))
  if (!read.ok) throw new StoreTrouble(say`A job in ${file} cannot be read. ${read.message}`, 'broken')
  return read.job
}
