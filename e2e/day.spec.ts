import { expect, go, openJob, ready, saved, test, type } from './test-support/yard'

test('a day at the bench: moved by keys and by drag, another order, two people; it is kept, and nonsense is told', async ({
  page,
  yard,
}) => {
  await page.goto(`${yard.url}/day`)
  await ready(page)
  await page.getByRole('link', { name: 'day after' }).click()
  await expect(page.getByRole('link', { name: 'today' })).toBeVisible()
  const bars = page.locator('.day-bar')
  const lane = page.locator('.day-lane', { hasText: 'Fell team bike 1' })
  const first = lane.locator('.day-bar').first()
  await expect(first).toHaveAccessibleName(/^Fell team bike 1, 08:00 to /)
  await first.press('ArrowRight')
  await first.press('ArrowRight')
  await expect(first).toHaveAccessibleName(/^Fell team bike 1, 08:10 to .*, held$/)
  // the time that came free goes to the next job
  await expect(
    page.locator('.day-lane', { hasText: 'Fell team bike 3' }).locator('.day-bar').first(),
  ).toHaveAccessibleName(/08:00 to 08:10/)
  const box = (await first.boundingBox())!
  await page.mouse.move(box.x + 20, box.y + 20)
  await page.mouse.down()
  await page.mouse.move(box.x + 140, box.y + 20, { steps: 6 })
  await page.mouse.up()
  await expect(first).toHaveAccessibleName(/^Fell team bike 1, (09|10):\d\d to .*, held$/)
  await page.waitForTimeout(600)
  await page.reload()
  await ready(page)
  await expect(first).toHaveAccessibleName(/, (09|10):\d\d to .*, held$/)
  await first.press('Delete')
  await expect(first).toHaveAccessibleName(/, 08:00 to /)
  await page.getByRole('button', { name: 'later: Fell team bike 1' }).click()
  await expect(page.locator('.day-lane').first()).toContainText('Fell team bike 3')
  await page.getByRole('checkbox', { name: 'work at Fell team bike 3' }).uncheck()
  await expect(page.locator('.day-lane', { hasText: 'Fell team bike 3' }).locator('.day-bar')).toHaveCount(0)
  await page.getByLabel('At work').selectOption('2')
  // nobody is at two machines at once: bars of one person do not overlap
  const spans = await bars.evaluateAll((list) =>
    list.map((b) => {
      const [, from, to] = /(\d\d:\d\d) to (\d\d:\d\d)/.exec(b.getAttribute('aria-label')!)!
      return { who: b.classList.contains('second'), from: from!, to: to! }
    }),
  )
  expect(spans.some((s) => s.who)).toBe(true)
  for (const a of spans)
    for (const b of spans) if (a !== b && a.who === b.who) expect(a.to <= b.from || b.to <= a.from).toBe(true)
  await page.getByLabel('Until', { exact: true }).fill('bananas')
  await page.getByLabel('Until', { exact: true }).blur()
  await expect(page.getByText('A time of day: 8, 8:05.')).toBeVisible()
  await page.getByLabel('Until', { exact: true }).fill('7')
  await expect(page.getByText('After the day began.')).toBeVisible()
  await page.getByLabel('Until', { exact: true }).fill('9:30')
  await page.getByLabel('Until', { exact: true }).press('Enter')
  await expect(page.getByText(/Does not fit into the day: .*Fell team bike 1 \d+ min/)).toBeVisible()
})

test(
  'hours by the clock, parts with number and warranty, what it costs; a loose joint and a setting are ' +
    'kept as left',
  async ({ page, yard }) => {
    const address = await openJob(page, yard, 'Fell team bike 1', '?station=build')
    await page.getByRole('tab', { name: 'Hours and parts' }).click()
    await expect(page.getByRole('button', { name: 'Start the clock' })).toBeDisabled()
    await page.getByLabel('Name', { exact: true }).fill('Bench one')
    await page.getByRole('button', { name: 'Start the clock' }).click()
    await page.getByRole('button', { name: /^Stop the clock, since/ }).click()
    await expect(page.getByText(/\d\d:\d\d to \d\d:\d\d, Bench one/)).toBeVisible()
    await page.getByLabel('What went in').fill('=fan, 190 mm')
    await page.getByLabel('Number on it').fill('BM-190')
    await page.getByLabel('Price of one').fill('bananas')
    await page.getByLabel('Warranty until').fill('2028-05-01')
    await page.getByRole('button', { name: 'Note the part' }).click()
    await expect(page.getByText('A price, or nothing.')).toBeVisible()
    await expect(page.getByLabel('What went in')).toHaveValue('=fan, 190 mm')
    await page.getByLabel('Price of one').fill('59,90')
    await page.getByRole('button', { name: 'Note the part' }).click()
    const parts = page.getByRole('region', { name: 'Parts and cost' })
    await expect(parts).toContainText('=fan, 190 mm, no. BM-190, warranty until 2028-05-01')
    await expect(parts).toContainText('At least 59.90: 1 line has no price yet.')
    await type(page, 'an hour costs', '40')
    await expect(parts).toContainText(/\d+\.\d\d in all|\d+\.\d\d {2}in all/)
    await page.getByRole('tab', { name: /For now/ }).click()
    await page.getByLabel('Which joint, and where').fill('blade terminals at the lamp')
    await page.getByRole('button', { name: 'Note the joint' }).click()
    await go(page, 'After')
    await page.getByRole('button', { name: 'Keep it as left' }).click()
    await expect(page.getByText('Say why.')).toBeVisible()
    await page.getByLabel('Why it was left so').fill('clear of its thermostat')
    await page.getByRole('button', { name: 'Keep it as left' }).click()
    await expect(
      page.getByText(/working: starts 8\d.* °C, stops .*; clear of its thermostat \(Bench one\)/),
    ).toBeVisible()
    await saved(page)
    await page.getByRole('link', { name: 'The machine’s life' }).click()
    const life = page.locator('.life')
    await expect(life).toContainText(/setting.*for working, clear of its thermostat \(Bench one\)/)
    await expect(life).toContainText('=fan, 190 mm, no. BM-190, warranty until 2028-05-01')
    // on a slow machine the page is seen before it can be used
    await expect(async () => {
      await page.getByLabel('Show').selectOption('part')
      await expect(life.getByRole('listitem')).toHaveCount(1, { timeout: 1000 })
    }).toPass()
    await page.goto(`${yard.url}${address}/built`)
    await expect(page.getByText('Held by friction only: blade terminals at the lamp.')).toBeVisible()
    const pdf = await (await page.request.get(`${yard.url}/api${address}/built.pdf`)).body()
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
    const csv = await (await page.request.get(`${yard.url}/api${address}/cost.csv`)).text()
    // a name that begins like a formula is guarded
    expect(csv).toContain('"\'=fan, 190 mm",BM-190,1,pcs,59.90,59.90')
  },
)
