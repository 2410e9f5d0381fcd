import { chromium } from '@playwright/test'
import { expect, go, openJob, ready, saved, test } from './test-support/yard'

test('the network gone: an opened job opens again as it was saved last, is worked at, and syncs; a conflict is told', async ({
  yard,
  launchOptions,
}) => {
  const browser = await chromium.launch(launchOptions)
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  const page = await phone.newPage()
  const errors: string[] = []
  page.on('pageerror', (e) => errors.push(e.message))
  const address = await openJob(page, yard, 'Fell team bike 1', '?station=build')
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  // opened once more under the worker: it keeps the page from now on
  await page.reload()
  await ready(page)
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.locator('.big-step h2')).toHaveText('Fuse holder, without its fuse')
  await saved(page)
  await yard.kill()
  // the page that is kept is older than what was saved since; the job is not
  await page.reload()
  await ready(page)
  await expect(page.locator('.big-step h2')).toHaveText('Fuse holder, without its fuse')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.locator('.big-step h2')).toHaveText('Dry fit: every wire laid in its place')
  await expect(page.locator('[data-state]').first()).toHaveAttribute('data-state', 'waiting')
  // a station that was never looked at works, and what waits outlives another reload
  await page.goto(`${yard.url}${address}?station=build`)
  await ready(page)
  await expect(page.locator('.big-step h2')).toHaveText('Dry fit: every wire laid in its place')
  // workers too begin from what is kept: the day is run through
  await go(page, 'After')
  await expect(page.getByText('still being run through')).toHaveCount(0, { timeout: 120_000 })
  await expect(page.getByText('Days to come')).toBeVisible()
  await page.goto(`${yard.url}/jobs/never-opened`)
  await expect(page.getByRole('heading', { name: 'Not on this device yet' })).toBeVisible()
  await page.goto(`${yard.url}${address}?station=build`)
  await ready(page)
  await yard.start()
  await saved(page)
  const stored = await (await page.request.get(`${yard.url}/api${address}/file`)).json()
  const steps = (stored as { build: { done: { step: string }[] } }).build.done.map((d) => d.step)
  expect(steps).toEqual(expect.arrayContaining(['controller', 'fuse-holder']))
  // somebody else changes it while this one is away: told, not overwritten
  const away = await openJob(page, yard, 'Fell team bike 1', '?station=prove')
  await phone.setOffline(true)
  await page.getByLabel('Setting', { exact: true }).selectOption('working')
  await expect(page.locator('[data-state]').first()).toHaveAttribute('data-state', 'waiting')
  const desk = await (await browser.newContext()).newPage()
  await desk.goto(`${yard.url}${away}?station=after`)
  await ready(desk)
  await desk.getByLabel('Also to look after').fill('rinse it')
  await desk.getByRole('button', { name: 'Add it' }).click()
  await saved(desk)
  await phone.setOffline(false)
  await expect(page.getByRole('dialog')).toContainText('rinse it')
  expect(errors).toEqual([])
  await browser.close()
})
