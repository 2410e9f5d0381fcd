import {
  acceptAndSign,
  buildAll,
  expect,
  go,
  openJob,
  proveAll,
  saved,
  startJob,
  test,
  type,
  verdict,
  takeSize,
} from './test-support/yard'
import { execFileSync } from 'node:child_process'
import type { Page } from '@playwright/test'

/** What is asked of every machine before anything comes apart. */
async function before(page: Page, hot: string): Promise<void> {
  await page.getByLabel('Is there a battery?').selectOption('yes')
  await page.getByLabel('Is its output DC?').selectOption('yes')
  await type(page, 'after', '40 min')
  await page.locator('summary', { hasText: 'Is a fan the cure?' }).click()
  for (const out of await page.getByRole('button', { name: /: ruled out$/ }).all()) await out.click()
  await expect(page.locator('summary', { hasText: 'all ruled out' })).toBeVisible()
  await page.locator('summary', { hasText: 'Baseline' }).click()
  await page.getByLabel('Baseline run').selectOption('taken')
  await type(page, 'got as hot as', hot)
  await page.locator('summary', { hasText: 'What the owner allows' }).click()
}

test('an air-cooled digger, from start to signature: a bay, no coolant, the hole asked for', async ({ page, yard }) => {
  await startJob(page, yard, /digger, air-cooled/, 'Quarry digger')
  for (const margin of ['boil']) await expect(page.locator(`[data-margin="${margin}"]`)).toHaveCount(0)
  await before(page, '102 C')
  await page.getByLabel('The owner allows').selectOption('undoable only')
  await expect(page.getByText('not allowed')).toBeVisible()
  await page.getByLabel('The owner allows').selectOption('anything')
  await expect(page.getByText('not allowed')).toHaveCount(0)
  await page.locator('summary', { hasText: 'Where it lives' }).click()
  await page.getByLabel('It lives').selectOption('rain')
  await page.getByLabel('The hot air will blow on').selectOption('open air')
  await type(page, 'hottest it may get', '85 C')

  await go(page, 'Measure')
  await expect(page.getByLabel('coolant', { exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'type in the whole sheet' }).click()
  // the sheet is typed back with Enter alone, from line to line
  const field = page.getByLabel('space inside', { exact: true })
  await field.fill('310 L')
  await field.press('Enter')
  await page.keyboard.type('340 cm2')
  await page.keyboard.press('Enter')
  await page.keyboard.type('0.03 m2')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('vents in', { exact: true })).toHaveValue('340')
  await expect(page.getByLabel('vents out', { exact: true })).toHaveValue('0.03 m2')
  await type(page, 'free behind the panel', '90 mm')

  await go(page, 'Place')
  await type(page, 'probe lead, to the controller', '0.9 m')
  await page.getByRole('button', { name: 'Choose Wheatear 150' }).click()
  await page.getByLabel('Probe', { exact: true }).selectOption({ label: 'Panel probe, 1.5 m, Skarn Works' })
  await type(page, 'fan lead, to the joint', '0.3 m')
  await go(page, 'Trigger')
  await page.getByLabel('Controller').selectOption({ label: 'Beadwheel, Skarn Works' })
  await expect(page.getByRole('slider', { name: 'on collar' })).toHaveAttribute(
    'aria-valuetext',
    /on 79 °C at the probe: bay/,
  )
  await expect(verdict(page, 'trigger')).not.toHaveText('short')
  await page.keyboard.press('Escape')
  await go(page, 'Place')
  await page.getByLabel('Probe', { exact: true }).selectOption({ label: 'Panel probe, 1.5 m, Skarn Works' })

  await go(page, 'Wire')
  await page.getByLabel('Switched by').selectOption('controller')
  // an override behind the key would feed back through it, and the key would carry the fan
  await expect(page.getByRole('region', { name: 'Not as asked' })).toContainText(
    'it holds itself: the fan runs, you asked for key only',
  )
  for (const [choice, is] of [
    ['Run by', 'thermostat'],
    ['Controller dead', 'nothing'],
    ['Override is', 'none'],
  ] as const)
    await page.getByLabel(choice, { exact: true }).selectOption(is)
  await expect(page.getByRole('region', { name: 'Not as asked' })).toHaveCount(0)
  await takeSize(page, '1.5 mm²')
  await page.getByLabel('Rating').selectOption('10')
  await go(page, 'Power')
  await page.getByLabel('Known by').selectOption('points')
  for (const [state, amps] of [
    ['idle', '11 A'],
    ['slow work', '15'],
    ['cruise', '15.5'],
  ] as const)
    await type(page, `charging current at ${state}`, amps)
  await type(page, 'other loads', '2.8 A')
  await expect(page.locator('.word.verdict-short')).toHaveCount(0)

  await go(page, 'Build')
  await expect(page.getByRole('button', { name: 'Bucket down, pressure off' })).toBeVisible()
  await expect(page.getByRole('button', { name: /Drain/ })).toHaveCount(0)
  await buildAll(page)
  await proveAll(page)
  await acceptAndSign(page, 'Bench two')
  await page.getByRole('link', { name: /sheet/ }).click()
  await expect(page.getByText('as it was signed')).toBeVisible()
  await expect(page.getByText('The bay may get as hot as 85 °C.')).toBeVisible()
})

test('a trailer, from start to signature: tow plug, charger, standing alone; a 24 V fan is refused in words', async ({
  page,
  yard,
}) => {
  await startJob(page, yard, /trailer/, 'Cheese trailer')
  await before(page, '51 C')
  await page.getByLabel('The owner allows').selectOption('anything')
  await go(page, 'Place')
  await page.getByRole('button', { name: 'Choose Curlew 225' }).click()
  await page.locator('[data-margin="supply"]').click()
  await expect(page.getByRole('complementary', { name: 'Working of Supply' })).toContainText(
    'the fan is for 24 V, the machine has 12 V',
  )
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Choose Swift 92' }).click()
  await go(page, 'Measure')
  await type(page, 'free behind the panel', '120 mm')
  await go(page, 'Place')
  await type(page, 'probe lead, to the controller', '0.6 m')
  await type(page, 'fan lead, to the joint', '0.25 m')
  await go(page, 'Trigger')
  await page.getByLabel('Controller').selectOption({ label: 'Beadwheel, Skarn Works' })
  await go(page, 'Wire')
  await page.getByLabel('Switched by').selectOption('controller')
  await takeSize(page, '1 mm²')
  await page.getByLabel('Rating').selectOption('5')
  await go(page, 'Power')
  await expect(page.getByLabel('starter takes')).toHaveCount(0)
  await expect(page.getByText('Road-lighting circuits are never the source')).toBeVisible()
  await page.getByLabel('Tow cable').selectOption('0.5 mm²')
  await expect(verdict(page, 'charge')).toHaveText('short')
  await page.getByLabel('Tow cable').selectOption('4 mm²')
  await expect(verdict(page, 'charge')).not.toHaveText('short')
  await type(page, 'has to last standing alone', '2 h')
  await expect(verdict(page, 'battery')).not.toHaveText('short')
  await expect(page.locator('.word.verdict-short')).toHaveCount(0)
  await buildAll(page)
  await proveAll(page)
  await acceptAndSign(page, 'Bench two')
})

test('a job can end without a fan, and says so in the yard; it can be taken up again', async ({ page, yard }) => {
  await startJob(page, yard, /older vehicle/, 'Lane pick-up', 'wiring or controller only')
  await page.getByLabel('Is there a battery?').selectOption('no')
  await expect(verdict(page, 'supply')).toHaveText('short')
  await page.locator('summary', { hasText: 'Is a fan the cure?' }).click()
  await page.getByRole('button', { name: 'Coolant low or old: looks like it' }).click()
  await expect(page.getByText('Mend that first and run it again')).toBeVisible()
  await page.locator('summary', { hasText: 'End the job here' }).click()
  await page.getByLabel('What was found or done').fill('two litres low, hose clip loose')
  await page.getByLabel('Ended by').fill('Bench one')
  await page.getByRole('button', { name: 'End it' }).click()
  await expect(page.getByText(/Ended without a fan: no direct current|Ended without a fan: another cure/)).toBeVisible()
  await saved(page)
  await page.goto(yard.url)
  await expect(page.getByRole('link', { name: 'Lane pick-up' })).toContainText('Ended without a fan')
  await page.getByRole('link', { name: 'Lane pick-up' }).click()
  await page.getByRole('button', { name: 'Take the job up again' }).click()
  await saved(page)
  await page.goto(yard.url)
  await expect(page.getByRole('link', { name: 'Lane pick-up' })).not.toContainText('Ended')
})

/** A kind of machine that no errand above brings to its end, its parts chosen; all of them do in `to-the-end.test`. */
test('a side-by-side with a thicker core and a shroud: built, proved and signed', async ({ page, yard }) => {
  const chosen = ['--import', 'tsx', 'e2e/test-support/chosen-job.ts', 'side-by-side', 'thicker-core', 'shroud']
  const file = execFileSync(process.execPath, chosen)
  const taken = await page.request.post(`${yard.url}/api/import`, { data: file.toString() })
  expect(taken.ok()).toBe(true)
  await openJob(page, yard, 'side-by-side thicker-core', '?station=build')
  await buildAll(page)
  await proveAll(page)
  await acceptAndSign(page, 'Bench two')
})
