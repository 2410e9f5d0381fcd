import { readFileSync } from 'node:fs'
import path from 'node:path'
import { example } from '@/formats/test-support/examples'
import { allKnown } from '../core/evidence'
import { CORE_VERSION, type Findings } from '../core/margins'
import { runKey, runWaitsFor } from '../core/run'
import { shippedFindings } from './shipped-findings'

const names = [
  'churchyard-digger-bay',
  'fell-bike-level-check',
  'fell-bike-mid-build',
  'fell-bike-short-at-idle',
  'fell-bike-signed',
  'market-cold-trailer',
  'vineyard-buggy-unsure',
]
const EXAMPLES = path.join(__dirname, '..', '..', 'examples')
const shipped = JSON.parse(readFileSync(path.join(EXAMPLES, 'findings.json'), 'utf8')) as Findings[]

test('every demo job that can be run has its findings beside it, of this core (npm run findings writes them anew)', () => {
  for (const name of names) {
    expect(runWaitsFor(example(name))).toBeNull()
    expect(shipped.find((f) => f.key === runKey(example(name)))?.coreVersion).toBe(CORE_VERSION)
  }
})

test('what is shipped is what a run comes to', () => {
  const at = '2026-05-05T05:05:05.000Z'
  const job = example('market-cold-trailer')
  expect(shippedFindings(job, at, EXAMPLES)).toEqual(JSON.parse(JSON.stringify(allKnown(job, at))))
})
