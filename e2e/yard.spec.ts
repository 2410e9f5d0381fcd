import { copyFileSync, readFileSync } from 'node:fs'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { expect, go, openJob, ready, saved, test, verdict } from './test-support/yard'

test('the first morning: from an empty yard to margins, with parts that stand on no shelf', async ({ page, yard }) => {
  await yard.startAs({ empty: true })
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(yard.url)
  await ready(page)
  const start = page.getByRole('button', { name: 'Start a job' })
  expect((await start.boundingBox())!.y).toBeLessThan(120)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.getByRole('link', { name: 'the shelf' }).click()
  await page.getByRole('button', { name: 'Begin with generic parts' }).click()
  await expect(page.getByRole('status')).toContainText('generic parts stand here')
  await page.getByRole('button', { name: 'Begin with generic parts' }).click()
  await expect(page.getByRole('status')).toContainText('stand here already')
  await page.getByRole('link', { name: 'Yard' }).click()
  await start.click()
  await page.getByLabel('Job', { exact: true }).fill('First of all')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'First of all' })).toBeVisible()
  // one field and no choice: some margins are told already, by what is typical
  await expect(page.locator('[data-margin="charge"] .word')).toBeVisible()
  await go(page, 'Place')
  const fan = page.getByLabel('Fan', { exact: true })
  await fan.selectOption({ label: 'Generic fan 120 mm, with brushes, 12 V' })
  await expect(verdict(page, 'fit')).not.toHaveText('open')
  // one that is not on the shelf: what its box says, in watts
  await fan.selectOption({ label: 'not on the shelf: add it here …' })
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('fan current, rated').fill('80 W')
  await dialog.getByRole('button', { name: 'Put it on the shelf and take it' }).click()
  await expect(dialog.getByText('Nothing is written here.')).toBeVisible()
  await expect(dialog.getByText(/At what voltage is that/)).toBeVisible()
  await dialog.getByLabel('name (needed)').fill('Market fan')
  await dialog.getByLabel('fan current, rated').fill('80 W at 12 V')
  await dialog.getByLabel('blade diameter').fill('5 in')
  await dialog.getByRole('button', { name: 'Put it on the shelf and take it' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(fan).toHaveValue(/^fan-/)
  await go(page, 'Trigger')
  await page
    .getByLabel('Controller', { exact: true })
    .selectOption({ label: 'Generic controller, below the set point' })
  await saved(page)
  const file = (await (await page.request.get(`${yard.url}/api${new URL(page.url()).pathname}/file`)).json()) as {
    fans: { part: { ratedA: { value: number }; depthM: { source: string }; diameterM: { value: number } } }[]
  }
  // 80 / 12 = 6.67, rounded up to a tenth
  expect(file.fans[0]!.part).toMatchObject({ ratedA: { value: 6.7 }, depthM: { source: 'typical' } })
  expect(file.fans[0]!.part.diameterM.value).toBeCloseTo(0.127)
})

test('every day: named anew, copied, put away and had back, shown by owner; what is signed is not deleted', async ({
  page,
  yard,
}) => {
  await page.goto(yard.url)
  await ready(page)
  const more = (title: string) => page.getByRole('button', { name: `more: ${title}` })
  await more('Fell team bike 3').click()
  const names = page.getByRole('form', { name: 'Names and day' })
  await names.getByLabel('Job').fill('=cmd|bike <b>3</b>')
  await names.getByRole('button', { name: 'Keep the names' }).click()
  await expect(page.getByText('=cmd|bike <b>3</b>')).toBeVisible()
  await more('=cmd|bike <b>3</b>').click()
  const copy = page.getByRole('form', { name: 'Copy for the next machine alike' })
  await copy.getByRole('button', { name: 'Copy it' }).click()
  await expect(copy.getByText('Give the job a name.')).toBeVisible()
  await copy.getByLabel('New job').fill('Fell team bike 5')
  await copy.getByLabel('Serial number').fill('C-0005')
  await copy.getByRole('button', { name: 'Copy it' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Fell team bike 5' })).toBeVisible()
  await expect(page.getByLabel('Serial number', { exact: true })).toHaveValue('C-0005')
  // a note of one's own at a station, and what comes next told there
  await go(page, 'Wire')
  await expect(page.getByTestId('next')).toContainText('Next: ')
  await page.getByLabel('Note on Wire').fill('loom is brittle by the headstock')
  await page.getByRole('button', { name: 'Keep the note' }).click()
  await saved(page)
  await page.reload()
  await ready(page)
  await expect(page.getByText('loom is brittle by the headstock')).toBeVisible()
  await page.goto(`${yard.url}/?sort=owner`)
  await ready(page)
  await expect(page.locator('.yard-group').first()).toBeVisible()
  await page.getByRole('textbox', { name: 'Holds' }).fill('bike 5')
  await page.getByRole('textbox', { name: 'Holds' }).press('Enter')
  await expect(page.locator('.yard-row')).toHaveCount(1)
  await more('Fell team bike 5').click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByRole('status')).toContainText('deleted')
  await expect(page.locator('.yard-row')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('.yard-row')).toHaveCount(1)
  await page.goto(`${yard.url}/?show=signed`)
  await ready(page)
  await more('Fell team bike 4').click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByText(/archive it instead/)).toBeVisible()
  await page.getByRole('button', { name: 'Archive', exact: true }).click()
  await page.getByLabel('Show').selectOption({ label: 'archived' })
  await expect(page.locator('.yard-row')).toHaveCount(1)
  for (const nonsense of ['?show=cake&sort=-1&kind=boat&from=9e9', `?text=${'x'.repeat(300)}`, '?text=%00%E2%80%AE'])
    expect((await page.goto(`${yard.url}/${nonsense}`))!.status()).toBe(200)
})

test('the workshop’s own page: name and units for all new jobs, a copy made, and put back as it was', async ({
  page,
  yard,
}) => {
  await yard.startAs({ backups: path.join(path.dirname(yard.database), 'copies') })
  await page.goto(`${yard.url}/workshop`)
  await ready(page)
  await page.getByLabel('Height above the sea where most machines work').fill('high')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(/This is not a height/)).toBeVisible()
  await page.getByLabel('Height above the sea where most machines work').fill('900 ft')
  await page.getByLabel('Name of the workshop').fill('Lower Yard')
  await page.getByLabel('Units of new jobs').selectOption('imperial')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('status')).toHaveText('Kept.')
  await page.getByRole('button', { name: 'Make a copy now' }).click()
  await expect(page.getByText(/Copied: .* 8 jobs/)).toBeVisible({ timeout: 120_000 })
  await page.goto(yard.url)
  await ready(page)
  await expect(page.getByRole('heading', { level: 1, name: 'Lower Yard' })).toBeVisible()
  await page.getByRole('button', { name: 'more: Fell team bike 3' }).click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByRole('status')).toContainText('deleted')
  await page.goto(`${yard.url}/workshop`)
  await ready(page)
  // on a slow machine the day's own copy may stand there as well
  await page
    .getByRole('button', { name: /^put back: copy of/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Put it back', exact: true }).click()
  await expect(page.getByText(/is in place: 8 jobs/)).toBeVisible({ timeout: 120_000 })
  await page.goto(yard.url)
  await ready(page)
  await expect(page.getByRole('button', { name: 'more: Fell team bike 3' })).toBeVisible()
  expect((await page.request.get(`${yard.url}/api/health`)).ok()).toBe(true)
})

test('stopped as a service is: the file alone has all that was acknowledged', async ({ page, yard }) => {
  await openJob(page, yard, 'Fell team bike 3')
  await page.getByLabel('Serial number', { exact: true }).fill('C-77')
  await page.getByLabel('Serial number', { exact: true }).press('Enter')
  await saved(page)
  await yard.stop()
  const alone = path.join(path.dirname(yard.database), 'alone.db')
  copyFileSync(yard.database, alone)
  const db = new Sqlite(alone, { readonly: true })
  expect(db.prepare("select max(head) as n from jobs where title = 'Fell team bike 3'").get()).toEqual({ n: 2 })
  db.close()
})

test('a file that was brought in before is asked about, a signed one that was changed by hand is told', async ({
  page,
  yard,
}) => {
  const all = await (await page.request.get(`${yard.url}/api/export`)).body()
  await page.goto(yard.url)
  await ready(page)
  const many = { name: 'yard.jobs.json', mimeType: 'application/json', buffer: all }
  await page.getByLabel('Job file').setInputFiles(many)
  await expect(page.getByRole('dialog')).toContainText('8 jobs brought in')
  await page.getByRole('button', { name: 'Good' }).click()
  await page.getByLabel('Job file').setInputFiles(many)
  await expect(page.getByRole('dialog')).toContainText('This file was brought in already')
  await page.getByRole('button', { name: 'Leave it' }).click()
  const signed = readFileSync('examples/fell-bike-signed.job.json', 'utf8').replace(
    '"title": "Fell team bike 2"',
    '"title": "Fell bike 9"',
  )
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'changed.job.json', mimeType: 'application/json', buffer: Buffer.from(signed) })
  await expect(page.getByRole('dialog')).toContainText('Nobody signed that')
  await page.getByRole('button', { name: 'Take it without its signature' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Fell bike 9' })).toBeVisible()
  const file = (await (await page.request.get(`${yard.url}/api${new URL(page.url()).pathname}/file`)).json()) as {
    signature: unknown
  }
  expect(file.signature).toBeNull()
})

test('the workshop speaks Dutch: pages, what is worked out beside them, figures and what is typed', async ({
  page,
  yard,
}) => {
  await yard.startAs({ kept: true })
  const wrong: string[] = []
  page.on(
    'console',
    (m) => void (m.type() === 'error' && !/ERR_|Failed to fetch/.test(m.text()) && wrong.push(m.text())),
  )
  await page.goto(`${yard.url}/workshop`)
  await ready(page)
  await page.getByLabel('Language of everything here').selectOption('Nederlands')
  await expect(page.getByRole('heading', { name: 'Werkplaats', level: 1 })).toBeVisible({ timeout: 30_000 })
  await expect(page.locator('html')).toHaveAttribute('lang', 'nl')
  await page.goto(`${yard.url}${yard.addressOf('Fell team bike 3')}?station=trigger`)
  await ready(page)
  await expect(page.getByRole('heading', { name: 'Instelling', exact: true })).toBeVisible()
  // what a worker tells of the day
  await expect(page.getByText(/Na het afzetten/).first()).toBeVisible({ timeout: 60_000 })
  await page.goto(page.url().replace('trigger', 'measure'))
  await ready(page)
  const wide = page.getByLabel('koelblok breed', { exact: true })
  await wide.fill('301,5')
  await wide.press('Enter')
  await expect(page.getByText(/bewaard \d/)).toBeVisible()
  await expect(wide).toHaveValue('301,5')
  // what is kept is the figure, however it is written here
  const file = (await (await page.request.get(`${yard.url}/api${new URL(page.url()).pathname}/file`)).json()) as {
    cooling: { coreWidthM: { value: number } }
  }
  expect(file.cooling.coreWidthM.value).toBeCloseTo(0.3015, 6)
  // a choice is kept as what it is, not by its word
  await page.goto(`${yard.url}/shelf?part=fan-gale-140`)
  const form = page.getByRole('dialog')
  await form.getByLabel('Gegeven over').selectOption({ value: 'diameterM' })
  await form.getByLabel('Gegeven gevonden').selectOption('in het blad')
  await form.getByLabel('Wat het zegt').fill('142 mm')
  await form.getByRole('button', { name: 'Noteer het' }).click()
  await form.getByRole('button', { name: 'Bewaar de wijziging' }).click()
  await expect(form).toHaveCount(0)
  const { parts } = (await (await page.request.get(`${yard.url}/api/parts/file?as=json`)).json()) as {
    parts: { id: string; facts: { from: string; typed: string }[] }[]
  }
  expect(parts.find((p) => p.id === 'fan-gale-140')!.facts.at(-1)).toMatchObject({
    from: 'in the sheet',
    typed: '142 mm',
  })
  await page.goto(`${yard.url}/workshop`)
  await ready(page)
  await page.getByLabel('Taal van alles hier').selectOption('English')
  await expect(page.getByRole('heading', { name: 'Workshop', level: 1 })).toBeVisible({ timeout: 30_000 })
  expect(wrong).toEqual([])
})
