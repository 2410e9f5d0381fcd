import { readFileSync } from 'node:fs'
import { createServer, get } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { APIRequestContext } from '@playwright/test'
import { expect, openJob, ready, test, type, verdict, takeSize } from './test-support/yard'

const fresh = JSON.parse(readFileSync('src/formats/test-support/fresh.job.json', 'utf8')) as Record<string, unknown>
const post = async (
  request: APIRequestContext,
  url: string,
  data: unknown,
): Promise<{ status: number; body: Record<string, unknown> }> => {
  const answer = await request.post(url, {
    data: Buffer.from(typeof data === 'string' ? data : JSON.stringify(data)),
    headers: { 'content-type': 'application/json' },
  })
  return { status: answer.status(), body: (await answer.json()) as Record<string, unknown> }
}

test('every door of the server parses what it is given and answers in words', async ({ request, yard }) => {
  const { body } = await post(request, `${yard.url}/api/import`, fresh)
  const id = String(body.id)
  const doors: readonly (readonly [string, unknown, number, RegExp])[] = [
    ['/api/jobs', '', 400, /empty/],
    ['/api/jobs', '{"title":', 400, /cut off/],
    ['/api/jobs', { title: 'x' }, 400, /kind/],
    [
      '/api/jobs',
      { title: ' ', kind: 'trail-bike', machineName: 'm', owner: '', units: 'metric', promisedOn: null, heightM: 0 },
      400,
      /title/,
    ],
    [
      '/api/jobs',
      { title: 'x', kind: 'submarine', machineName: 'm', owner: '', units: 'metric', promisedOn: 'soon', heightM: 1e9 },
      400,
      /heightM/,
    ],
    ['/api/fault', { title: 'x', kind: 'trail-bike', units: 'metric', amps: -5, relay: true, fuseA: 1e9 }, 400, /amps/],
    ['/api/import', { ...fresh, title: 'x'.repeat(2_100_000) }, 400, /too large/],
    ['/api/import', { ...fresh, version: 99 }, 400, /newer Pyraxis/],
    ['/api/import', { format: 'pyraxis-jobs', version: 1 }, 400, /no list/],
    ['/api/parts', { part: { id: 'x', kind: 'fan' }, isNew: true }, 400, /part/],
    ['/api/parts/nothing', { retired: true }, 404, /not on the shelf/],
    ['/api/parts/file', '\u0000\u0001PNG', 400, /not a text file/],
    ['/api/parts/file', 'kind,name\nwarp drive,Nine', 400, /1 row is wrong/],
    [`/api/jobs/${id}/revisions`, { from: 1, key: 'a-good-key', job: { ...fresh, machine: null } }, 400, /machine/],
    [`/api/jobs/${id}/revisions`, { from: -1, key: 'short', job: fresh }, 400, /key/],
    [
      `/api/jobs/${id}/revisions`,
      {
        from: 1,
        key: 'a-good-key',
        job: { ...fresh, signature: { by: 'me', at: '2026-01-01T00:00:00Z', coreVersion: '1' } },
      },
      409,
      /signed again/,
    ],
    ['/api/jobs/nowhere/revisions', { from: 1, key: 'a-good-key', job: fresh }, 404, /not in this yard/],
    [`/api/jobs/${id}/sign`, { from: 1, by: '  ' }, 400, /by/],
    [`/api/jobs/${id}/sign`, { from: 1, by: 'me' }, 409, /No fan|fuse/],
    ['/api/jobs/nowhere/sign', { from: 1, by: 'me' }, 409, /not in this yard/],
  ]
  for (const [path, data, status, words] of doors) {
    const answer = await post(request, `${yard.url}${path}`, data)
    expect({ path, ...answer }).toMatchObject({ path, status })
    expect(String(answer.body.message)).toMatch(words)
  }
  const stale = await post(request, `${yard.url}/api/jobs/${id}/revisions`, { from: 0, key: 'a-good-key', job: fresh })
  expect(stale).toMatchObject({ status: 409, body: { kind: 'stale', theirs: { revision: 1 } } })
})

test('out as a file and in again is the same job', async ({ page, yard }) => {
  const address = await openJob(page, yard, 'Fell team bike 3', '/sheet')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Job file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('fell-team-bike-3.job.json')
  const file = await download.path()
  await page.goto(yard.url)
  await ready(page)
  await page.getByLabel('Job file').setInputFiles(file)
  await expect(page.getByRole('heading', { level: 1, name: 'Fell team bike 3' })).toBeVisible()
  await expect(page).not.toHaveURL(new RegExp(address))
  const again = await page.request.get(`${yard.url}/api${new URL(page.url()).pathname}/file`)
  expect(await again.text()).toBe(readFileSync(file, 'utf8'))
})

test('on an upright phone: no sideways scrolling, a reading typed, a working read, a step ticked', async ({
  browser,
  yard,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  const page = await context.newPage()
  const address = yard.addressOf('Fell team bike 3')
  for (const station of ['machine', 'measure', 'place', 'power', 'wire', 'trigger', 'build', 'prove', 'after']) {
    await page.goto(`${yard.url}${address}?station=${station}`)
    await ready(page)
    await page.evaluate(() => document.fonts.ready)
    expect(await page.evaluate(() => document.documentElement.scrollWidth), station).toBeLessThanOrEqual(390)
    const low = (all: Element[]): (string | null)[] =>
      all.filter((b) => b.getBoundingClientRect().height < 43).map((b) => b.textContent)
    expect(
      await page.locator('.tray button:visible, .stage .btn:visible').evaluateAll(low),
      `${station}: buttons too low for a thumb`,
    ).toEqual([])
  }
  for (const sheet of ['sheet', 'measuring', 'history']) {
    await page.goto(`${yard.url}${address}/${sheet}`)
    await ready(page)
    await page.evaluate(() => document.fonts.ready)
    expect(await page.evaluate(() => document.documentElement.scrollWidth), sheet).toBeLessThanOrEqual(390)
  }
  await page.goto(`${yard.url}${address}?station=measure`)
  await ready(page)
  await type(page, 'free behind the core', '40 mm')
  await page.getByRole('button', { name: /all margins/ }).tap()
  for (const line of await page.locator('.rail li button').all())
    expect((await line.boundingBox())!.height).toBeGreaterThanOrEqual(44)
  await page.locator('[data-margin="fit"]').tap()
  await expect(page.getByRole('complementary', { name: 'Working of Fit' })).toContainText('short')
  await page.getByRole('button', { name: 'Close the working' }).tap()
  // a swipe along the spine goes one station on, and back
  const spine = (await page.getByRole('navigation', { name: 'Stations' }).boundingBox())!
  const swipe = async (from: number, to: number): Promise<void> => {
    const touch = await context.newCDPSession(page)
    const at = (x: number) => ({ touchPoints: [{ x, y: spine.y + 30 }] })
    await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', ...at(from) })
    for (let n = 1; n <= 5; n++)
      await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', ...at(from + ((to - from) * n) / 5) })
    await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  }
  // a browser takes a touch back that a page on a slow machine has not answered in time: it is drawn again
  const swiped = (from: number, to: number, station: string): Promise<void> =>
    expect(async () => {
      await swipe(from, to)
      await expect(page.locator('.spine .present')).toHaveText(station, { timeout: 3000 })
    }).toPass({ timeout: 60_000 })
  await swiped(300, 120, '3 · Place')
  await swiped(120, 300, '2 · Measure')
  // the driver's made-up touches swallow the first tap after them
  await expect(async () => {
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: /Build/ }).tap()
    await expect(page.locator('.spine .present')).toHaveText('7 · Build', { timeout: 1000 })
  }).toPass()
  // the first step is held until it is all there; the one after it is not
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled()
  await page.getByRole('button', { name: 'Baseline run, before anything comes apart' }).tap()
  await page.getByRole('button', { name: 'Done', exact: true }).tap()
  await expect(page.getByText('Step 1 of')).toBeVisible()
  await context.close()
})

test(
  "in inches and Fahrenheit: a bare number takes the field's unit, AWG sizes are offered, the margin reads " +
    'in inches',
  async ({ page, yard }) => {
    await openJob(page, yard, 'Fell team bike 3', '?station=measure')
    await page.keyboard.press('u')
    await type(page, 'free behind the core', '2 1/4')
    await expect(page.getByLabel('free behind the core', { exact: true })).toHaveValue('2.25')
    await type(page, 'engine thermostat opens', '172')
    // the same figure, confirmed with Enter, is no guess any more
    await page.getByLabel('glycol in the coolant', { exact: true }).focus()
    await page.keyboard.type('0.5')
    await page.getByLabel('glycol in the coolant', { exact: true }).press('Enter')
    await expect(page.getByRole('button', { name: 'glycol in the coolant is measured' })).toBeVisible()
    await expect(page.getByLabel('engine thermostat opens', { exact: true })).toHaveValue('172')
    // 120 mm of core less 116 mm of frame, half of it at each edge
    await expect(page.locator('[data-margin="fit"] .figure-text')).toHaveText('+0.079 in')
    await page.keyboard.press('Escape')
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: /Wire/ }).click()
    await takeSize(page, '18 AWG')
    await expect(verdict(page, 'wire')).toHaveText('holds')
  },
)

test('a page from elsewhere, or under another name, neither writes nor reads', async ({ page, yard }) => {
  const elsewhere = createServer((_, answer) => {
    answer.setHeader('content-type', 'text/html')
    answer.end(`<form method="post" action="${yard.url}/api/import" enctype="text/plain">
      <input name='${JSON.stringify(fresh).replaceAll("'", '&#39;').slice(0, -1)},"x":"' value='"}'>
      <button>Win</button></form>`)
  })
  await new Promise<void>((resolve) => elsewhere.listen(0, '127.0.0.1', resolve))
  const { port } = elsewhere.address() as AddressInfo
  await page.goto(`http://127.0.0.1:${port}`)
  const [answer] = await Promise.all([
    page.waitForResponse((r) => r.url().endsWith('/api/import')),
    page.getByRole('button', { name: 'Win' }).click(),
  ])
  expect(answer.status()).toBe(403)
  elsewhere.close()
  // a name of theirs that is pointed at this machine
  const status = await new Promise<number | undefined>((resolve, reject) => {
    const asked = get(`${yard.url}/api/export`, { headers: { host: 'elsewhere.example' } }, (r) => {
      r.resume()
      resolve(r.statusCode)
    })
    asked.on('error', reject)
  })
  expect(status).toBe(421)
  const own = await page.goto(yard.url)
  const headers = own!.headers()
  expect(headers).toMatchObject({ 'x-content-type-options': 'nosniff', 'x-frame-options': 'DENY' })
  expect(headers['content-security-policy']).not.toMatch(/script-src[^;]*unsafe/)
})
