// npm run findings: what the runs of the demo jobs come to, so that loading them does not run them again
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { allKnown } from '../src/core/evidence'
import { readJobFile } from '../src/formats'

const EXAMPLES = path.join(import.meta.dirname, '..', 'examples')
const found = readdirSync(EXAMPLES)
  .filter((f) => f.endsWith('.job.json'))
  .sort()
  .flatMap((name) => {
    const read = readJobFile(readFileSync(path.join(EXAMPLES, name), 'utf8'))
    if (!read.ok) throw new Error(`${name}: ${read.message}`)
    return allKnown(read.job, '2026-01-15T08:00:00.000Z') ?? []
  })
writeFileSync(path.join(EXAMPLES, 'findings.json'), `${JSON.stringify(found)}\n`)
