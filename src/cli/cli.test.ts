import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { evaluationSchema } from '../core/job'

const ROOT = path.join(__dirname, '..', '..')
const run = (...args: string[]) => spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/index.ts', ...args], { cwd: ROOT, encoding: 'utf8' })

test('evaluate prints the evaluation; --quick leaves the sampling out', () => {
  const full = run('evaluate', 'examples/fell-bike-short-at-idle.job.json')
  expect(full).toMatchObject({ status: 0, stderr: '' })
  const evaluation = evaluationSchema.parse(JSON.parse(full.stdout))
  expect(evaluation.margins.map((m) => m.id)).toEqual(['fit', 'air', 'supply', 'wire', 'fuse', 'contacts', 'charge', 'battery', 'trigger', 'boil'])
  expect(evaluation.margins[6]).toMatchObject({ verdict: 'short', part: 'idle', unit: 'A', chanceShort: expect.any(Number) as number })
  const quick = evaluationSchema.parse(JSON.parse(run('evaluate', 'examples/fell-bike-short-at-idle.job.json', '--quick').stdout))
  expect(quick.margins[6]).not.toHaveProperty('chanceShort')
}, 60_000)

test('what is not a job is told plainly on stderr, exit 2, nothing on stdout', () => {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'pyraxis-cli-')), 'x.json')
  writeFileSync(file, '{"format":"pyraxis-job","version":42}')
  for (const [args, words] of [[['evaluate', file], /newer Pyraxis/], [['evaluate', 'no-such-file.json'], /cannot be read/], [['evaluate', 'package.json'], /not a Pyraxis job/], [['dance'], /not a command/], [[], /Usage/], [['evaluate', file, '--loud'], /--loud is not known/]] as const) {
    const { status, stdout, stderr } = run(...args)
    expect(status).toBe(2)
    expect(stdout).toBe('')
    expect(stderr).toMatch(words)
    expect(stderr).not.toMatch(/at .*:\d+:\d+/)
  }
}, 60_000)
