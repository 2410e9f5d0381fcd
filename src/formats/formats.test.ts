import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import fc from 'fast-check'
import { JOB_VERSION } from '../core/job'
import { withDigest } from './signed-file'
import { jobJsonSchema, readJobFile, readShelfFile, writeJobFile } from '.'

const ROOT = path.join(__dirname, '..', '..')
const text = (name: string): string => readFileSync(path.join(ROOT, 'examples', name), 'utf8')
const fresh = JSON.parse(readFileSync(path.join(__dirname, 'test-support', 'fresh.job.json'), 'utf8')) as Record<
  string,
  unknown
>
const message = (value: unknown): string => {
  const read = readJobFile(typeof value === 'string' ? value : JSON.stringify(value))
  return read.ok ? 'taken' : read.message
}

test('out and in again is the same', () => {
  for (const name of readdirSync(path.join(ROOT, 'examples')).filter((f) => f.endsWith('.job.json'))) {
    const read = readJobFile(text(name))
    expect(read.ok && writeJobFile(withDigest(read.job))).toBe(text(name))
  }
  expect(readShelfFile(text('shelf.json'))).toMatchObject({ ok: true })
})

test('what is not a valid job is refused with where and why', () => {
  expect(message('')).toMatch(/empty/)
  expect(message('{"format":')).toMatch(/cut off/)
  expect(message([])).toMatch(/not a Pyraxis job/)
  expect(message({ ...fresh, version: JOB_VERSION + 1 })).toMatch(/newer Pyraxis/)
  expect(message({ ...fresh, colour: 'red' })).toMatch(/"colour" is not known here/)
  expect(message({ ...fresh, title: '' })).toMatch(/title/)
  expect(message({ ...fresh, runs: [{ ...(fresh.runs as object[])[0], fuse: 'ghost' }] })).toMatch(
    /runs\.0\.fuse: there is no "ghost"/,
  )
  expect(
    message({ ...fresh, place: { ...(fresh.place as object), freeDepthM: { value: -1, source: 'measured' } } }),
  ).toMatch(/place\.freeDepthM\.value/)
  expect(message('x'.repeat(3_000_000))).toMatch(/too large/)
})

test('no text makes the reader throw', () => {
  fc.assert(
    fc.property(fc.oneof(fc.string({ maxLength: 60 }), fc.json()), (t) => {
      expect(typeof message(t)).toBe('string')
    }),
  )
})

test('the published schema is the one of this document (npm run schema)', () => {
  expect(JSON.parse(readFileSync(path.join(ROOT, 'docs', 'job.schema.json'), 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(jobJsonSchema())),
  )
})
