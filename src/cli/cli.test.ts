import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { evaluationSchema } from '../core/margins'
import { runCli } from './run'

const ROOT = path.join(__dirname, '..', '..')
const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-cli-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** The command line in this process; files are named from the project's folder. */
function run(...args: string[]): { readonly status: number; readonly stdout: string; readonly stderr: string } {
  const told = { stdout: '', stderr: '' }
  const here = process.cwd()
  process.chdir(ROOT)
  try {
    const status = runCli(args, {
      out: (text) => void (told.stdout += text),
      err: (text) => void (told.stderr += text),
    })
    return { status, ...told }
  } finally {
    process.chdir(here)
  }
}

test('as a program of its own it prints the same, and its exit status tells', () => {
  const program = (...args: string[]) =>
    spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/index.ts', ...args], { cwd: ROOT, encoding: 'utf8' })
  const args = ['evaluate', 'examples/market-cold-trailer.job.json', '--quick']
  expect(program(...args)).toMatchObject(run(...args))
  expect(program('dance')).toMatchObject({
    status: 2,
    stdout: '',
    stderr: expect.stringContaining('not a command') as string,
  })
})

test('evaluate prints the evaluation; --quick leaves the sampling out', () => {
  const full = run('evaluate', 'examples/fell-bike-short-at-idle.job.json')
  expect(full).toMatchObject({ status: 0, stderr: '' })
  const evaluation = evaluationSchema.parse(JSON.parse(full.stdout))
  expect(evaluation.margins.map((m) => m.id)).toEqual([
    'fit',
    'air',
    'supply',
    'wire',
    'fuse',
    'contacts',
    'charge',
    'battery',
    'trigger',
    'boil',
  ])
  expect(evaluation.margins[6]).toMatchObject({
    verdict: 'short',
    part: 'idle',
    unit: 'A',
    chanceShort: expect.any(Number) as number,
  })
  const quick = evaluationSchema.parse(
    JSON.parse(run('evaluate', 'examples/fell-bike-short-at-idle.job.json', '--quick').stdout),
  )
  expect(quick.margins[6]).not.toHaveProperty('chanceShort')
})

test('evaluate --run tells from the run; simulate prints it second by second, with what it came to beside it', () => {
  const evaluation = evaluationSchema.parse(
    JSON.parse(run('evaluate', 'examples/fell-bike-short-at-idle.job.json', '--run').stdout),
  )
  expect(evaluation.margins.find((m) => m.id === 'boil')).toMatchObject({ basis: 'run' })
  const day = path.join(folder, 'day.csv')
  writeFileSync(
    day,
    'minutes;speed_kmh;load_share;rpm;ambient_c;grade_pct\n4;0;0,04;1700;18;\n20;8;0,18;3200;18;\n5;0;0;0;18;\n',
  )
  const { status, stdout, stderr } = run('simulate', 'examples/fell-bike-short-at-idle.job.json', day)
  expect(status).toBe(0)
  const lines = stdout.trim().split('\n')
  expect(lines[0]).toBe(
    't_s,coolant_c,metal_c,outlet_c,probe_c,fan_share,fan_speed,battery_v,battery_share,thermostat,boiling',
  )
  const told = JSON.parse(stderr) as { summary: { peakC: number; lengthS: number }; words: string[] }
  expect(told.summary.lengthS).toBeCloseTo(29 * 60, 3)
  expect(Math.max(...lines.slice(1).map((l) => Number(l.split(',')[1])))).toBeCloseTo(told.summary.peakC, 1)
  expect(told.words[0]).toMatch(/^Coolant peaks at/)
  for (const [args, words] of [
    [['examples/vineyard-buggy-ready.job.json'], /cannot be run yet/],
    [['examples/fell-bike-short-at-idle.job.json', 'package.json'], /no column of minutes|no line of headings/],
    [['examples/fell-bike-short-at-idle.job.json', '--season', 'monsoon'], /no season/],
  ] as const) {
    const wrong = run('simulate', ...args)
    expect([wrong.status, wrong.stdout]).toEqual([2, ''])
    expect(wrong.stderr).toMatch(words)
  }
})

test('what is not a job is told plainly on stderr, exit 2, nothing on stdout', () => {
  const file = path.join(folder, 'x.json')
  writeFileSync(file, '{"format":"pyraxis-job","version":42}')
  for (const [args, words] of [
    [['evaluate', file], /newer Pyraxis/],
    [['evaluate', 'no-such-file.json'], /cannot be read/],
    [['evaluate', 'package.json'], /not a Pyraxis job/],
    [['dance'], /not a command/],
    [[], /Usage/],
    [['evaluate', file, '--loud'], /--loud is not known/],
  ] as const) {
    const { status, stdout, stderr } = run(...args)
    expect(status).toBe(2)
    expect(stdout).toBe('')
    expect(stderr).toMatch(words)
    expect(stderr).not.toMatch(/at .*:\d+:\d+/)
  }
})

test('circuit prints nodes, branches and loads of a state, or the same as a netlist; what it cannot be is told', () => {
  const told = run('circuit', 'examples/vineyard-buggy-ready.job.json', '--state', 'key=on,engine=on,heat=hot')
  expect(told).toMatchObject({ status: 0, stderr: '' })
  const { nodes, branches, loads } = JSON.parse(told.stdout) as {
    nodes: Record<string, number>
    branches: Record<string, number>
    loads: Record<string, { amps: number; speed?: number }>
  }
  // the fan's current comes out of the source and goes round in one loop; the coil's beside it
  expect(branches.feed1_a).toBeCloseTo(branches.fan1!, 4)
  expect(branches.battery).toBeCloseTo(branches.fan1! + branches.coil1! + branches.controller1_draw!, 4)
  expect(loads.fan1!.speed).toBeGreaterThan(1)
  const netlist = run(
    'circuit',
    'examples/vineyard-buggy-ready.job.json',
    '--state=heat=hot',
    '--fault=bad:return1',
    '--spice',
  ).stdout
  for (const node of Object.keys(nodes)) expect(netlist).toMatch(new RegExp(`^rleak_${node} ${node} 0 `, 'm'))
  expect(netlist).toContain('.options reltol=1e-6')
  for (const [args, words] of [
    [['--state', 'heat=mild'], /heat can be/],
    [['--state', 'moon=full'], /no part of a state/],
    [['--fault', 'rust:fan1'], /no fault that this circuit can have.*jammed:fan1/],
    [['--fault'], /wants something/],
    [['--loud'], /not known/],
  ] as const) {
    const { status, stdout, stderr } = run('circuit', 'examples/vineyard-buggy-ready.job.json', ...args)
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr).toMatch(words)
  }
})
