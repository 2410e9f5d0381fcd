import { readFileSync } from 'node:fs'
import path from 'node:path'
import { readJobFile, readShelfFile } from '..'
import type { Job } from '../../core/job'
import type { Part, PartKind, PartOf } from '../../core/parts'

const EXAMPLES = path.join(__dirname, '..', '..', '..', 'examples')
const text = (name: string): string => readFileSync(path.join(EXAMPLES, name), 'utf8')

/** A job of the demo yard. @throws Error if it cannot be read */
export function example(name: string): Job {
  const read = readJobFile(text(`${name}.job.json`))
  if (!read.ok) throw new Error(`${name}: ${read.message}`)
  return read.job
}

/** Every part of the demo shelf. */
export function exampleShelf(): Part[] {
  const read = readShelfFile(text('shelf.json'))
  if (!read.ok) throw new Error(read.message)
  return read.parts
}

/** The demo shelf's parts of one kind. */
export const examplesOf = <K extends PartKind>(kind: K): (PartOf<K> & Part)[] =>
  exampleShelf().filter((p): p is PartOf<K> & Part => p.kind === kind)

/** Jobs of the demo yard, one of each machine in each stage: signed, being built, ready, in a bay, on a trailer. */
export const demoJobs = (): Job[] =>
  [
    'fell-bike-signed',
    'fell-bike-mid-build',
    'vineyard-buggy-ready',
    'churchyard-digger-bay',
    'market-cold-trailer',
  ].map(example)
