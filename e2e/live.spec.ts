import { spawn, type ChildProcess } from 'node:child_process'
import { expect, openJob, ready, saved, test } from './test-support/yard'

/** The bench that ships with the application, so many times faster than the clock. */
const standIn = (port: number): ChildProcess =>
  spawn(process.execPath, ['--import', 'tsx', 'tools/stand-in.ts', '--port', String(port), '--speed', '25'], {
    stdio: 'ignore',
  })

test(
  'a logger is followed through its own and the server’s end, recognised, and answers proofs of a job ' +
    'that is reopened',
  async ({ page, yard }) => {
    const address = await openJob(page, yard, 'Fell team bike 2', '?station=prove')
    const logger = page.getByRole('region', { name: 'From a logger' })
    await logger.getByRole('button', { name: 'Listen to the logger' }).click()
    await expect(logger).toContainText('Nothing speaks there')
    let bench = standIn(yard.loggerPort)
    try {
      await expect(logger).toContainText('It speaks.')
      const chart = logger.getByRole('img', { name: /Probe and clamp over time/ })
      await expect(chart).toHaveAccessibleName(/on at 8\d(\.\d)? °C, off at 8\d(\.\d)? °C/)
      const switched = async (): Promise<number> => ((await chart.getAttribute('aria-label')) ?? '').split(', ').length
      // the server goes and comes back: the page listens again by itself, and keeps what it has
      await yard.kill()
      await expect(logger).toContainText('Nothing speaks there')
      const before = await switched()
      await yard.start()
      await expect(logger).toContainText('It speaks.')
      await expect.poll(switched).toBeGreaterThan(before)
      // the logger is switched off and on: its clock begins anew, the trace goes on
      bench.kill('SIGKILL')
      await expect(logger).toContainText('Nothing speaks there')
      bench = standIn(yard.loggerPort)
      await expect(logger).toContainText('Its clock began anew once.')
    } finally {
      bench.kill('SIGKILL')
    }
    await logger.getByRole('button', { name: 'Stop listening' }).click()
    for (const name of [
      'Starts, as the probe shows',
      'Stops, as the probe shows',
      'Running current',
      'Voltage at the fan',
    ])
      await expect(logger.getByRole('row', { name: new RegExp(name) })).toContainText('as predicted')
    await logger.getByRole('button', { name: 'take it: Starts, as the probe shows' }).click()
    await page.getByRole('button', { name: 'Reopen it' }).click()
    const starts = page.getByRole('region', { name: 'Starts, as the probe shows', exact: true })
    await expect(starts.getByLabel('measured')).toHaveValue(/^8\d/)
    await expect(logger.getByRole('row', { name: /Starts/ })).toContainText('answers its proof')
    await logger.getByRole('button', { name: 'Keep the trace with the job' }).click()
    await saved(page)
    await page.reload()
    await ready(page)
    await logger.getByRole('button', { name: 'show it' }).click()
    await expect(logger.getByRole('row', { name: /Running current/ })).toContainText('as predicted')
    const csv = await (await page.request.get(`${yard.url}/api${address}/trace.csv?trace=trace1`)).text()
    expect(csv).toMatch(/^time_s,probe_c,clamp_a,battery_v,fan_v\n0,/)
    await page.getByLabel('or a table (CSV)').setInputFiles({
      name: 'notes.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('bananas,pears\n1,2'),
    })
    await expect(logger).toContainText('notes.csv: This is no trace')
  },
)
