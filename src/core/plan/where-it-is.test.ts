import { spawnSync } from 'node:child_process'
import path from 'node:path'

const ROOT = path.join(__dirname, '..', '..', '..')

/** What a program of its own prints, as JSON: a zone is one of a whole process. */
function printed(program: string): unknown {
  const { stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', program], {
    cwd: ROOT,
    encoding: 'utf8',
  })
  if (!stdout) throw new Error(stderr)
  return JSON.parse(stdout)
}

test('a job that is signed at five in the evening is signed that day, wherever the workshop is', () => {
  const told = printed(`
    import { readFileSync } from 'node:fs'
    const { readJobFile } = await import('./src/formats/index.ts')
    const { signed, callsOf, summaryOf } = await import('./src/core/plan/index.ts')
    const { ownersCard, benchSheet } = await import('./src/core/sheets/index.ts')
    const { evaluate } = await import('./src/core/margins/index.ts')
    const { job } = readJobFile(readFileSync('examples/fell-bike-signed.job.json', 'utf8'))
    const open = { ...job, signature: null, after: job.after.map((a) => ({ ...a, dueOn: null })) }
    const said = {}
    for (const [zone, at] of [
      // 17:10 there in each: the next day in Greenwich, the same, the one before
      ['America/Los_Angeles', '2026-01-16T01:10:00.000Z'],
      ['Europe/London', '2026-01-15T17:10:00.000Z'],
      ['Pacific/Auckland', '2026-01-15T04:10:00.000Z'],
      // nine in the morning there, the evening before in Greenwich
      ['Australia/Brisbane', '2026-01-14T23:00:00.000Z'],
    ]) {
      process.env.TZ = zone
      const done = signed(open, 'Bench one', at)
      said[zone] = [
        ownersCard(done).subtitle.match(/[0-9-]{10}/)[0],
        JSON.stringify(benchSheet(done, evaluate(done))).match(/Signed by Bench one on ([0-9-]{10})/)[1],
        summaryOf(done).signedOn,
        callsOf(done).map((c) => c.dueOn).sort()[0],
      ]
    }
    console.log(JSON.stringify(said))`)
  // the first call comes a week after it
  const day = ['2026-01-15', '2026-01-15', '2026-01-15', '2026-01-22']
  expect(told).toEqual({
    'America/Los_Angeles': day,
    'Europe/London': day,
    'Pacific/Auckland': day,
    'Australia/Brisbane': day,
  })
})
