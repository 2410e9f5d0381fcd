import { expect, go, openJob, ready, saved, test, type } from './test-support/yard'

const BIKE = 'Fell team bike 1'

test('a station that was never looked at, with the server away: it waits alone, and comes when the server does', async ({
  page,
  yard,
}) => {
  // nothing is there from a visit before, nothing is fetched ahead
  await (await page.context().newCDPSession(page)).send('Network.clearBrowserCache')
  await page.addInitScript(() => {
    window.requestIdleCallback = () => 0
  })
  await openJob(page, yard, BIKE)
  await yard.kill()
  await page.keyboard.press('6')
  await expect(page.getByText('This part is on its way').first()).toBeVisible({ timeout: 40_000 })
  await expect(page.locator('[data-margin="air"] .word')).toBeVisible()
  // the rest of the page goes on: units, and another station that is there already
  await page.keyboard.press('1')
  await expect(page.getByTestId('complaint')).toBeVisible()
  await page.keyboard.press('6')
  await yard.start()
  await expect(page.getByRole('tab', { name: 'Ladder and run' })).toBeVisible({ timeout: 60_000 })
})

test('the core comes behind the page: until it has, the margins stand as the server told them, and say when they are behind', async ({
  page,
  yard,
}) => {
  await page.addInitScript(() => {
    window.requestIdleCallback = () => 0
  })
  const address = await openJob(page, yard, BIKE)
  await saved(page)
  // only what the page itself names comes; what it fetches afterwards waits
  const html = await (await page.request.get(`${yard.url}${address}`)).text()
  let held = true
  await page.route('**/_next/static/chunks/*.js', (route) => {
    const name = new URL(route.request().url()).pathname.split('/').at(-1)!
    return held && !html.includes(name) ? route.abort() : route.continue()
  })
  await page.goto(`${yard.url}${address}`)
  await ready(page)
  const rail = page.getByRole('region', { name: 'Margins' })
  const air = page.locator('[data-margin="air"] .figure-text')
  const before = await air.textContent()
  await expect(rail).toHaveAttribute('aria-busy', 'false')
  await type(page, 'load share, standing', '30 %')
  await expect(rail).toHaveAttribute('aria-busy', 'true')
  // told beside the margins, and on a phone in their place
  await expect(rail.getByText('being worked out')).toHaveCount(2)
  await expect(air).toHaveText(before!)
  held = false
  await expect(rail).toHaveAttribute('aria-busy', 'false')
  await expect(air).not.toHaveText(before!)
  await saved(page)
})

test('a browser that keeps nothing: changes go out, and “saved” is said of what was acknowledged', async ({
  page,
  yard,
}) => {
  await page.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  const address = await openJob(page, yard, BIKE)
  await yard.kill()
  await type(page, 'usual day it works', '19')
  await expect(page.getByText('This browser keeps nothing')).toBeVisible()
  await expect(page.locator('[data-state]').first()).toHaveText('not saved: only on this page')
  await yard.start()
  await saved(page)
  await page.goto(`${yard.url}${address}`)
  await expect(page.getByLabel('usual day it works', { exact: true })).toHaveValue('19')
})

test('a waiting change that cannot be read is shown, can be taken out as a file, and is never thrown away by itself', async ({
  page,
  yard,
}) => {
  const address = await openJob(page, yard, BIKE)
  const id = address.split('/').at(-1)!
  const text = JSON.stringify([{ from: 1, key: 'an-older-key', job: { format: 'pyraxis-job', version: 99 } }])
  await page.evaluate(([key, value]) => localStorage.setItem(key!, value!), [`pyraxis-unsaved:${id}:gone`, text])
  await page.reload()
  await ready(page)
  const note = page.getByText('cannot be read by this Pyraxis')
  await expect(note).toBeVisible()
  // further changes are saved beside it, and it is still there after a reload
  await type(page, 'usual day it works', '18')
  await saved(page)
  await page.reload()
  await ready(page)
  await expect(note).toBeVisible()
  const href = await page.getByRole('link', { name: 'Take it out as a file' }).getAttribute('href')
  expect(decodeURIComponent(href!.split(',').slice(1).join(','))).toBe(text)
  await page.getByRole('button', { name: 'throw it away' }).click()
  await expect(note).toHaveCount(0)
})

test('one leg too many is refused in words where it is added; what came before stands, what comes after is saved', async ({
  page,
  yard,
}) => {
  const address = await openJob(page, yard, BIKE)
  await go(page, 'Place')
  const name = page.getByLabel('Name of the leg')
  await page.getByLabel('Leg of which lead').selectOption('fan')
  for (let n = 1; n <= 8; n++) {
    await name.fill(`leg ${n}`)
    await name.press('Enter')
  }
  await expect(page.getByText('no more than 8 legs of one lead')).toBeVisible()
  await go(page, 'Machine')
  await type(page, 'usual day it works', '17')
  await saved(page)
  await expect(page.getByText('no more than 8 legs of one lead')).toHaveCount(0)
  await page.goto(`${yard.url}${address}`)
  await expect(page.getByLabel('usual day it works', { exact: true })).toHaveValue('17')
})
