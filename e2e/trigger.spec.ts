import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, go, openJob, ready, saved, test, type, verdict } from './test-support/yard'

const view = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('tab', { name }).click()
}

test('a day is run: chart, sentences and margins from it; scrubbed, supposed otherwise, kept for the sheet', async ({
  page,
  yard,
}) => {
  const job = await openJob(page, yard, 'Fell team bike 3', '?station=trigger')
  const says = page.locator('.run-says')
  await expect(says).toContainText(
    new RegExp(
      'Coolant boils after 1\\d min, for 1\\d min in all without the fan; ' +
        'with the proposed it peaks at 10\\d °C, 1\\d K over the 10 K kept free',
    ),
  )
  await expect(says).toContainText('% of “slow climb”')
  await page.locator('[data-margin="boil"]').click()
  await expect(page.getByRole('complementary', { name: 'Working of Boil' })).toContainText(
    /From the run of \d\d:\d\d: a slow climb.*peak of the run on the hottest day/s,
  )
  await page.keyboard.press('Escape')
  // a moment of it, by keys
  const moment = page.getByRole('slider', { name: 'Moment of the run' })
  await moment.focus()
  await moment.fill('1500')
  await expect(page.locator('.moment')).toContainText(
    /25 min, slow climb: coolant 10\d.*probe 9\d.*fan 1\d\d % of its speed/,
  )
  // with a dead probe the fan stays off, and coolant boils
  await page.getByLabel('Suppose').selectOption('probe lead open')
  await expect(says).toContainText(/with the proposed it boils after/)
  await expect(says).toContainText('The fan never starts.')
  await page.getByLabel('Suppose').selectOption('as it is')
  await page.getByLabel('On', { exact: true }).selectOption('coldest')
  await expect(says).toContainText(/peaks at (99|10\d)/)
  await page.goto(`${yard.url}${job}/sheet`)
  await page.getByText('Annex:').click()
  await expect(page.getByText(/Boil: from the run of/).first()).toBeVisible()
  // a change whose run nobody has waited for: the sheet says so, and makes it
  await page.goto(`${yard.url}${job}?station=machine`)
  await ready(page)
  await type(page, 'hottest day it works', '24')
  await saved(page)
  await page.goto(`${yard.url}${job}/sheet`)
  await expect(page.getByText('The day is being run')).toBeVisible()
  await page.getByText('Annex:').click()
  await expect(page.getByText(/rule of thumb/).first()).toBeVisible()
  await expect(page.getByText(/Boil: from the run of/).first()).toBeVisible({ timeout: 120_000 })
  await expect(page.getByText(/rules? of thumb/)).toHaveCount(0)
})

test('a collar is dragged and the run follows; a map of settings recommends one, and it is set', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=trigger')
  await expect(page.locator('.run-says')).toContainText(/peaks at 10\d °C/)
  const on = page.getByRole('slider', { name: 'on collar' })
  const box = (await on.boundingBox())!
  const [x, y] = [box.x + box.width - 12, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 1; i <= 12; i++) await page.mouse.move(x, y - 4 * i)
  // the run has moved before the button is let go
  await expect(page.locator('.run-says')).toContainText(/peaks at 1(0[7-9]|1\d) °C/)
  await page.mouse.up()
  await expect(page.getByLabel('set', { exact: true })).not.toHaveValue('87')
  await saved(page)
  await view(page, 'Which setting')
  await page.getByRole('button', { name: 'Propose a setting' }).click()
  await expect(page.getByText(/those outlined get no hotter/)).toBeVisible({ timeout: 120_000 })
  const best = page.getByRole('button', { name: /, recommended/ }).first()
  await best.focus()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Set it so' }).click()
  await expect(page.getByText('It is set so.')).toBeVisible()
  await expect(verdict(page, 'trigger')).not.toHaveText('short')
  await view(page, 'Season and height')
  await expect(
    page.getByText(/Holds up to \d\d °C at 1150 m, or up to \d\d °C with a third of the core blocked/),
  ).toBeVisible({ timeout: 120_000 })
})

test('the day comes from legs by hand, a track and a table; what cannot be one is refused and nothing is lost', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=trigger')
  await view(page, 'The day')
  await page.getByLabel('time, leg 3').fill('0.5 h')
  await page.getByLabel('time, leg 3').press('Enter')
  await expect(page.getByText('6 legs, 65 min in all')).toBeVisible()
  await page.getByLabel('load share, leg 3').fill('steep')
  await page.getByLabel('load share, leg 3').press('Tab')
  await expect(page.getByText('This is not a share. Write it like 0.45 or 45 %.')).toBeVisible()
  await page.getByLabel('load share, leg 3').fill('20 %')
  await page.getByLabel('load share, leg 3').press('Enter')
  await page.getByRole('button', { name: 'remove, leg 2' }).click()
  await page.getByRole('button', { name: 'Add a leg' }).click()
  await expect(page.getByText(/6 legs, 70 min in all/)).toBeVisible()
  await saved(page)
  const bring = (name: string, text: string) =>
    page.getByLabel('From a file').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })
  await bring('cake.gpx', '<cake/>')
  await expect(page.getByText('This is not a GPX track: there is no <gpx> in it.')).toBeVisible()
  await expect(page.getByText(/6 legs, 70 min in all/)).toBeVisible()
  const point = (i: number) =>
    `<trkpt lat="${(46 + i * 1e-4).toFixed(5)}" ` +
    `lon="8"><ele>${1000 + i * 1.2}</ele>` +
    `<time>${new Date(Date.UTC(2026, 0, 10) + 5000 * i).toISOString()}</time></trkpt>`
  await bring(
    'pass.gpx',
    `<gpx><trk><name>over the ` +
      `pass</name><trkseg>${Array.from({ length: 1200 }, (_, i) => point(i)).join('')}</trkseg></trk></gpx>`,
  )
  await expect(page.getByText(/“over the pass” is the day now: 600 legs, 99.9 min/)).toBeVisible({ timeout: 120_000 })
  await bring('day.csv', 'minutes;speed_kmh;load_share;rpm;ambient_c;grade_pct\n10;8;0,18;3200;22;\n5;fast;;;;\n')
  await expect(page.getByText('Line 3: "fast" cannot be a speed; it is between 0 and 288.')).toBeVisible()
  await bring('day.csv', 'minutes;speed_kmh;load_share;rpm;ambient_c;grade_pct\n30;8;0,18;3200;22;\n')
  await expect(page.getByText(/“day” is the day now: 1 leg, 30 min/)).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Run as CSV' }).click()
  const lines = readFileSync(await (await download).path(), 'utf8')
    .trim()
    .split('\n')
  expect(lines[0]).toMatch(/^t_s,coolant_c,metal_c/)
  expect(lines.length).toBeGreaterThan(1800)
  await saved(page)
  await page.reload()
  await ready(page)
  await view(page, 'The day')
  await expect(page.getByText('1 leg, 30 min in all')).toBeVisible()
})

test('a log fixes two readings of this machine, which are measured from then on; a flat one is refused', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=trigger')
  await view(page, 'From a log')
  const flat = `time_s;coolant_c\n${Array.from({ length: 200 }, (_, i) => `${5 * i};84,${i % 10}`).join('\n')}`
  await page
    .getByLabel('Log, as CSV')
    .setInputFiles({ name: 'flat.csv', mimeType: 'text/csv', buffer: Buffer.from(flat) })
  await page.getByRole('button', { name: 'Fit the model to it' }).click()
  await expect(page.getByText(/This log is flat: the coolant moves by 0.9 K only/)).toBeVisible()
  // headings that say nothing are chosen by hand
  const odd = `t;one;two\n0;20;80\n30;20;81\n60;20;82\n`
  await page
    .getByLabel('Log, as CSV')
    .setInputFiles({ name: 'odd.csv', mimeType: 'text/csv', buffer: Buffer.from(odd) })
  await expect(page.getByText(/no column of coolant/)).toBeVisible()
  await page.getByLabel('coolant', { exact: true }).selectOption('two')
  await expect(page.getByText(/odd.csv: 3 lines/)).toContainText('coolant 80 °C to 82 °C')
  await page.getByRole('button', { name: 'Try with a simulated log' }).click()
  await expect(page.getByText(/a simulated log: \d+ lines/)).toBeVisible({ timeout: 120_000 })
  await page.getByRole('button', { name: 'Fit the model to it' }).click()
  await expect(page.getByText(/now 0\.\d+ K are left/)).toBeVisible({ timeout: 120_000 })
  // the made-up machine gives a tenth more heat than 0.9
  await expect(page.getByRole('row', { name: /^heat over brake power/ })).toContainText(/0\.(98|99)\d* ±|1\.00?\d* ±/)
  await page.getByRole('button', { name: 'Take them as measured' }).click()
  await saved(page)
  await go(page, 'Machine')
  await expect(page.getByLabel('heat over brake power', { exact: true })).toHaveValue(/^(0\.9[789]|1\.0)/)
  await expect(page.locator('[data-address="engine.heatShare"]').getByRole('button').first()).toHaveAccessibleName(
    /measured/,
  )
})

test('on a phone the run fits, and the day and the map stay within the page', async ({ page, yard }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openJob(page, yard, 'Churchyard digger', '?station=trigger')
  await expect(page.locator('.run-says')).toContainText(/The air of the bay peaks at/)
  for (const name of ['Ladder and run', 'The day', 'Which setting', 'Season and height', 'From a log']) {
    await view(page, name)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  }
  await view(page, 'Ladder and run')
  await type(page, 'set', '60')
  await expect(page.locator('.run-says')).toContainText(/with the proposed it peaks at [78]\d/)
})
