import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { expect, go, ready, test, type Yard } from './test-support/yard'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
interface Found {
  readonly violations: readonly {
    readonly id: string
    readonly nodes: readonly { readonly target: readonly string[]; readonly failureSummary: string }[]
  }[]
}

/** What axe finds wrong on the page as it stands. @param only some rules; all where nobody says */
async function findings(page: Page, only?: readonly string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe)
  const found = await page.evaluate(async (rules) => {
    const { run } = (window as unknown as { axe: { run: (on: Document, options: object) => Promise<Found> } }).axe
    // targets under 24 px are looked for only where that is asked
    const looked = rules ? { runOnly: rules } : { rules: { 'target-size': { enabled: true } } }
    return (await run(document, { resultTypes: ['violations'], ...looked })).violations
  }, only)
  return found.flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}: ${n.failureSummary.split('\n')[1] ?? ''}`),
  )
}

/**
 * Looks at pages in light colours, and at the contrast of the dark ones: all else is the same in both.
 * @param inDark those with colours of their own; the rest has the same ones
 */
function looker(page: Page, inDark: RegExp | null) {
  const wrong: Record<string, string[]> = {}
  const look = async (name: string): Promise<void> => {
    const light = await findings(page)
    if (!inDark?.test(name)) {
      if (light.length) wrong[name] = light
      return
    }
    await page.emulateMedia({ colorScheme: 'dark' })
    await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark')
    const dark = await findings(page, ['color-contrast'])
    await page.emulateMedia({ colorScheme: 'light' })
    await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'light')
    if (light.length + dark.length) wrong[name] = [...light, ...dark.map((d) => `dark: ${d}`)]
  }
  const visit = async (name: string, address: string): Promise<void> => {
    await page.goto(address)
    await ready(page)
    await look(name)
  }
  const visitJob = async (
    yard: Yard,
    title: string,
    stations: readonly string[],
    pages: readonly string[],
  ): Promise<string> => {
    const job = `${yard.url}${yard.addressOf(title)}`
    await page.goto(job)
    await ready(page)
    for (const station of stations) {
      await go(page, station)
      await look(`${title}, ${station}`)
    }
    for (const under of pages) await visit(`${title}, ${under}`, `${job}${under}`)
    return job
  }
  return { wrong, look, visit, visitJob }
}

const allStations = ['Machine', 'Measure', 'Place', 'Power', 'Wire', 'Trigger', 'Build', 'Prove', 'After']
const allPages = ['?station=wire&margin=charge', '/history', '/sheet', '/measuring']

test('axe finds nothing wrong: yard, shelf, formulas, and a bike in every view', async ({ page, yard }) => {
  test.setTimeout(400_000)
  const { wrong, look, visit, visitJob } = looker(page, /yard|part, open|Place|Wire|Trigger|Prove|margin|sheet|setting/)
  await visit('yard', yard.url)
  await page.getByRole('button', { name: 'Start a job' }).click()
  await page.getByRole('dialog').waitFor()
  await look('start a job')
  await visit('shelf', `${yard.url}/shelf`)
  await visit('part', `${yard.url}/shelf?part=fan-gale-140`)
  await page.getByRole('dialog').waitFor()
  await look('part, open')
  await page.goto(`${yard.url}/engineering`)
  await look('formulas')
  const bike = await visitJob(yard, 'Fell team bike 3', allStations, allPages)
  await page.goto(`${bike}?station=trigger`)
  await ready(page)
  for (const view of ['The day', 'Which setting', 'Season and height', 'What was seen', 'From a log']) {
    await page.getByRole('tab', { name: view }).click()
    await page.locator('.tab-pane.active h2').first().waitFor()
    await look(`trigger, ${view}`)
  }
  await page.goto(`${yard.url}/jobs/nowhere`)
  await look('no such job')
  expect(wrong).toEqual({})
})

test('axe finds nothing wrong: where a digger, a trailer and a signed job differ, and what unfolds', async ({
  page,
  yard,
}) => {
  test.setTimeout(400_000)
  const { wrong, look, visitJob } = looker(page, null)
  await visitJob(yard, 'Fell team bike 2', ['Prove', 'After'], ['/sheet'])
  await visitJob(
    yard,
    'Market cold trailer',
    ['Machine', 'Measure', 'Place', 'Power', 'Wire', 'Trigger'],
    ['/measuring'],
  )
  const job = await visitJob(yard, 'Churchyard digger', ['Machine', 'Measure', 'Place', 'Trigger', 'Build'], ['/sheet'])
  await page.goto(`${job}?station=machine`)
  await ready(page)
  for (const fold of await page.locator('summary').all()) await fold.click()
  await look('machine, unfolded')
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('/')
  await page.keyboard.type('fell')
  await page.getByRole('listbox', { name: 'Found' }).getByRole('option').first().waitFor()
  await look('find')
  await page.goto(`${job}?station=wire`)
  await ready(page)
  await page.locator('.drawing').getByRole('button').first().waitFor()
  await page.getByLabel('figures').check()
  await look('circuit')
  for (const view of [
    'Ways to wire it',
    'Sizes and fuse',
    'Cut list',
    'Harness',
    'Pins',
    'Way and joints',
    'Unknown wires',
  ] as const) {
    await page.getByRole('tab', { name: view }).click()
    if (view === 'Ways to wire it') await page.getByRole('list', { name: view }).waitFor()
    if (view === 'Unknown wires') {
      await page.getByLabel('Its wires, by colour').fill('red, black')
      await page.getByRole('button', { name: 'Find out' }).click()
    }
    await look(view)
  }
  await page.goto(`${job}?station=prove`)
  await ready(page)
  await page.getByRole('tab', { name: 'Find the fault' }).click()
  await page.getByRole('button', { name: 'Begin a search' }).click()
  await page.getByLabel('Engine running and hot, the fan').selectOption('stands')
  await page.getByRole('region', { name: 'What it may be' }).locator('summary').first().click()
  await page.getByText('It is found and put right').click()
  await look('a search')
  await page.goto(`${yard.url}/practice?seed=gate&level=one%20break`)
  await ready(page)
  await page.getByRole('button', { name: 'Begin the round' }).click()
  await page.getByText('It is brought in with:').waitFor()
  await look('a round')
  await page.getByRole('tab', { name: 'Drills' }).click()
  await look('drills')
  for (const under of ['/fault', '/library', '/library/twice-as-thick']) {
    await page.goto(`${yard.url}${under}`)
    await look(under)
  }
  expect(wrong).toEqual({})
})

test('on a phone: what is wider than the screen can be moved by keys too', async ({ page, yard }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const { wrong, visit } = looker(page, null)
  for (const station of ['place', 'wire', 'after'])
    await visit(station, `${yard.url}${yard.addressOf('Fell team bike 3')}?station=${station}`)
  await visit('what fits what', `${yard.url}/fits`)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await visit('workshop', `${yard.url}/workshop`)
  expect(wrong).toEqual({})
})
