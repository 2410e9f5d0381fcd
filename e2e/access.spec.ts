import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { expect, openJob, ready, test } from './test-support/yard'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
interface Finding {
  readonly id: string
  readonly nodes: readonly { readonly target: readonly string[]; readonly failureSummary: string }[]
}

/** What axe finds wrong on the page as it stands. */
async function findings(page: Page): Promise<string[]> {
  await page.evaluate(axe)
  const found = await page.evaluate(
    async () =>
      (
        await (
          window as unknown as {
            axe: { run: (context: Document, options: object) => Promise<{ violations: Finding[] }> }
          }
        ).axe.run(document, { resultTypes: ['violations'] })
      ).violations,
  )
  return found.flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}: ${n.failureSummary.split('\n')[1] ?? ''}`),
  )
}

for (const colorScheme of ['light', 'dark'] as const) {
  test.describe(`${colorScheme} colours`, () => {
    test.use({ colorScheme })
    test('axe finds nothing wrong in any view', async ({ page, yard }) => {
      test.setTimeout(400_000)
      const wrong: Record<string, string[]> = {}
      const look = async (name: string): Promise<void> => {
        const list = await findings(page)
        if (list.length) wrong[name] = list
      }
      const visit = async (name: string, address: string): Promise<void> => {
        await page.goto(`${yard.url}${address}`)
        await ready(page)
        await look(name)
      }
      await visit('yard', '/')
      await expect(page.locator('html')).toHaveAttribute('data-bs-theme', colorScheme)
      await page.getByRole('button', { name: 'Start a job' }).click()
      await look('start a job')
      await visit('shelf', '/shelf')
      await visit('part', '/shelf?part=fan-gale-140')
      await page.getByRole('dialog').waitFor()
      await look('part, open')
      for (const title of ['Fell team bike 3', 'Churchyard digger', 'Market cold trailer', 'Fell team bike 2']) {
        const job = await openJob(page, yard, title)
        for (const station of ['machine', 'measure', 'place', 'power', 'wire', 'trigger', 'build', 'prove', 'after'])
          await visit(`${title}, ${station}`, `${job}?station=${station}`)
        await visit(`${title}, working`, `${job}?station=wire&margin=charge`)
        await visit(`${title}, history`, `${job}/history`)
        await visit(`${title}, sheet`, `${job}/sheet`)
        await visit(`${title}, measuring sheet`, `${job}/measuring`)
      }
      const bike = await openJob(page, yard, 'Fell team bike 3')
      await page.goto(`${yard.url}${bike}?station=trigger`)
      await ready(page)
      for (const view of ['The day', 'Which setting', 'Season and height', 'From a log']) {
        await page.getByRole('tab', { name: view }).click()
        await page.locator('.tab-pane.active h2').first().waitFor()
        await look(`trigger, ${view}`)
      }
      const job = await openJob(page, yard, 'Churchyard digger')
      await page.goto(`${yard.url}${job}?station=machine`)
      await ready(page)
      for (const fold of await page.locator('summary').all()) await fold.click()
      await look('machine, unfolded')
      await page.getByRole('heading', { level: 1 }).click()
      await page.keyboard.press('/')
      await page.keyboard.type('fell')
      await page.getByRole('listbox', { name: 'Found' }).getByRole('option').first().waitFor()
      await look('find')
      await page.goto(`${yard.url}${job}?station=wire`)
      await ready(page)
      await page.locator('.drawing').getByRole('button').first().waitFor()
      await page.getByLabel('figures').check()
      await look('circuit')
      for (const view of ['Ways to wire it', 'Sizes and fuse', 'Cut list', 'Harness', 'Unknown wires'] as const) {
        await page.getByRole('tab', { name: view }).click()
        if (view === 'Ways to wire it') await page.getByRole('list', { name: view }).waitFor()
        if (view === 'Unknown wires') {
          await page.getByLabel('Its wires, by colour').fill('red, black')
          await page.getByRole('button', { name: 'Find out' }).click()
        }
        await look(view)
      }
      await page.goto(`${yard.url}/jobs/nowhere`)
      await look('no such job')
      expect(wrong).toEqual({})
    })
  })
}
