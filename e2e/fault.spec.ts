import { expect, openJob, ready, saved, test, type } from './test-support/yard'

test('a proof that differs is sought from: the reading is in, moves narrow it, and it ends with what it does now', async ({
  page,
  yard,
}) => {
  const address = await openJob(page, yard, 'Fell team bike 2', '?station=prove')
  // a signed job: what is sought needs no reopening
  await page.getByRole('tab', { name: 'Find the fault' }).click()
  await page.getByRole('button', { name: 'Begin a search' }).click()
  await expect(page.getByText('Say above what it does')).toBeVisible()
  await page.getByLabel('Engine running and hot, the fan').selectOption('stands')
  await page.getByRole('button', { name: 'That is all: what next?' }).click()
  const next = page.getByRole('region', { name: 'Next' })
  // looking comes first: the display, then the fuse before any meter
  await expect(next).toContainText('look and listen')
  await next.getByRole('button', { name: /^lit: / }).click()
  await expect(next.getByRole('heading')).toContainText('fuse')
  await next.getByRole('button', { name: /^whole: / }).click()
  await expect(page.getByRole('region', { name: 'Found so far' })).toContainText('whole')
  // taken back, and said again
  await page.getByRole('button', { name: /^take back: .*whole/ }).click()
  await next.getByRole('button', { name: /^whole: / }).click()
  await saved(page)
  await page.reload()
  await ready(page)
  await expect(page.getByRole('tab', { name: 'Find the fault: under way' })).toHaveAttribute('aria-selected', 'true')
  await expect(page.getByRole('region', { name: 'Found so far' })).toContainText('whole', { timeout: 60_000 })
  // a meter: nonsense is told and kept, then the volts of an open ground
  const cannot = page.getByRole('button', { name: 'cannot be done here: another' })
  for (let n = 0; n < 12 && !(await next.getByRole('heading', { name: /^Volts at fan 1, −/ }).count()); n++)
    await cannot.click()
  const volts = next.getByLabel('it shows')
  await volts.fill('bananas')
  await volts.blur()
  await expect(next).toContainText(/This is not/)
  await volts.fill('12,7')
  await volts.press('Enter')
  await expect(page.getByText(/Most likely, .*: Way back: broken/)).toBeVisible()
  const may = page.getByRole('region', { name: 'What it may be' })
  await may.locator('summary').first().click()
  await expect(may).toContainText('Volts at fan 1, −: 12.7 V, speaks for it')

  await page.getByText('It is found and put right').click()
  await page.getByLabel('What showed it').fill('pulled at it, 0.04 V across')
  await page.getByLabel('Name', { exact: true }).fill('Bench one')
  await page.getByRole('button', { name: 'End the search' }).click()
  await expect(page.getByText('Say what it does now: Engine running and hot, the fan.')).toBeVisible()
  await page.getByLabel('Now, engine running and hot, the fan').selectOption('slow')
  await page.getByRole('button', { name: 'End the search' }).click()
  await expect(page.getByText(/It is not put right/)).toBeVisible()
  await page.getByLabel('Now, engine running and hot, the fan').selectOption('runs')
  await page.getByRole('button', { name: 'End the search' }).click()
  await expect(page.getByRole('region', { name: 'Found before' })).toContainText('Way back: broken')
  await saved(page)
  await page.goto(`${yard.url}${address}/life`)
  await expect(page.getByText('Found: Way back: broken')).toBeVisible()

  // from a proof: 9 V at the plug go in by themselves
  await openJob(page, yard, 'Fell team bike 1', '?station=prove')
  const locked = page.getByRole('region', { name: 'Voltage at the fan' })
  await locked.getByRole('button', { name: /^go past it by name/ }).click()
  await page.getByLabel(/^Why it is done/).fill('only looking')
  await page.getByLabel('Name', { exact: true }).fill('Bench one')
  await page.getByRole('button', { name: 'Go past it', exact: true }).click()
  await locked.getByLabel('measured').fill('9 V')
  await locked.getByLabel('measured').press('Enter')
  await locked.getByRole('button', { name: 'find the fault: Voltage at the fan' }).click()
  await expect(page.getByRole('region', { name: 'Found so far' })).toContainText(/Volts across the plug.*9 V/, {
    timeout: 60_000,
  })
  // and what cannot be true together is told, with the one to look at again
  await page.getByLabel('Engine running and hot, the fan').selectOption('backwards')
  await expect(page.getByText(/No one thing alone makes all of this|Most likely|causes make all/)).toBeVisible()
})

test('practice: a round by its seed, wholly by keys, then what hurts; a drill; a question with this job’s figures', async ({
  page,
  yard,
}) => {
  await page.goto(`${yard.url}/practice?seed=gate&level=one%20break`)
  await ready(page)
  const press = async (name: string | RegExp): Promise<void> => {
    const button = page.getByRole('button', { name }).first()
    await button.focus()
    await page.keyboard.press('Enter')
  }
  await press('Begin the round')
  await expect(page.getByText('It is brought in with:')).toBeVisible({ timeout: 60_000 })
  await press(/^key off/)
  await press(/^cold$/)
  await press(/^watch /)
  await expect(page.getByRole('status').filter({ hasText: 'key on' })).toContainText(/watched .*: (stands|runs|slow)/)
  await page.getByLabel('red lead on').selectOption('bat_plus')
  await press('Read the meter')
  await expect(page.locator('.meter-face')).toHaveText(/^12\.\d\d V$/)
  // it outlives the page
  await page.reload()
  await ready(page)
  await expect(page.getByRole('list', { name: 'Done so far' })).toContainText('key on', { timeout: 60_000 })
  // named one after the other until it is that: wrong ones cost
  const names = page.getByLabel('It is', { exact: true })
  const causes = await names.locator('option').evaluateAll((all) => all.map((o) => (o as HTMLOptionElement).value))
  for (const cause of causes.filter((c) => /^(open|blown|dead)/.test(c))) {
    await names.selectOption(cause)
    await press('Name it')
    await expect(
      page.getByRole('list', { name: 'Done so far' }).or(page.getByRole('region', { name: 'How it went' })),
    ).toBeVisible()
    if (await page.getByRole('region', { name: 'How it went' }).count()) break
  }
  const end = page.getByRole('region', { name: 'How it went' })
  await expect(end).toContainText('Found')
  await expect(end).toContainText('A short good way')
  await press('another round')
  await expect(page.getByRole('region', { name: 'Your rounds' })).toContainText('gate')
  await press('Begin the round')
  await page.getByLabel('A lead from battery + to').selectOption('gnd')
  await press('hold it there')
  await expect(end).toContainText('short with nothing in it')

  await page.getByRole('tab', { name: 'Drills' }).click()
  await press('Millivolts over a fuse to amps')
  const ask = await page.locator('.drill-ask').textContent()
  const [, rating, mv] = /fuse of ([\d.]+) A shows ([\d.]+) mV/.exec(ask!)!
  await type(page, 'it is', `${(Number(mv) / 1000 / (0.12 * Number(rating) ** -1.2)).toFixed(2)} A`)
  await expect(page.getByRole('status')).toContainText('Right. 1 of 1 right.')

  await openJob(page, yard, 'Fell team bike 2')
  await page.locator('[data-margin="fuse"]').click()
  const link = page.getByRole('link', { name: /Why does a fuse guard the wire/ })
  await expect(link).toBeVisible()
  await page.goto(`${yard.url}${await link.getAttribute('href')}`)
  await expect(page.getByText('Worked with the figures of')).toBeVisible()
  await expect(page.getByRole('table')).toContainText('7.5 A')
  expect((await page.goto(`${yard.url}/library/nothing`))!.status()).toBe(404)
})

test('a machine fitted elsewhere is taken in by five questions, and its search begins', async ({ page, yard }) => {
  await page.goto(yard.url)
  await ready(page)
  await page.getByRole('link', { name: 'A fan that does not do as it should' }).click()
  await page.getByRole('button', { name: 'Take it in and seek' }).click()
  await expect(page.getByText('Give it a name.')).toBeVisible()
  await page.getByLabel('Machine', { exact: true }).fill('Quarry pick-up')
  await page.getByLabel('Kind of machine').selectOption('older-vehicle')
  await page.getByLabel(/^1\. /).fill('bananas')
  await page.getByLabel(/^2\. /).selectOption('thermo-switch in the coolant')
  await page.getByLabel(/^5\. /).fill('400')
  await page.getByRole('button', { name: 'Take it in and seek' }).click()
  await expect(page.getByText('Between 0.5 A and 100 A.')).toBeVisible()
  await expect(page.getByLabel(/^1\. /)).toHaveValue('bananas')
  await page.getByLabel(/^1\. /).fill('8,5 A')
  await page.getByLabel(/^5\. /).fill('20')
  await page.getByRole('button', { name: 'Take it in and seek' }).click()
  await expect(page.getByRole('tab', { name: 'Find the fault: under way' })).toBeVisible()
  // the relay clicks, the fan stands
  await page.getByLabel('Engine running and hot, the fan').selectOption('stands')
  await page.getByLabel('Key on and hot, the relay').selectOption('clicks')
  await expect(page.getByText(/causes make all of this/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'What it may be' })).toContainText('Fuse, 20 A: blown')
  await saved(page)
})

test('on a phone: a search is begun, answered by thumb and taken back; a lead is dragged onto a terminal by mouse', async ({
  page,
  yard,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openJob(page, yard, 'Vineyard spray buggy', '?station=prove')
  await page.getByRole('tab', { name: 'Find the fault' }).click()
  await page.getByRole('button', { name: 'Begin a search' }).click()
  await page.getByLabel('Engine running and hot, the fan').selectOption('slow')
  await page.getByRole('button', { name: 'That is all: what next?' }).click()
  const title = page.getByRole('region', { name: 'Next' }).getByRole('heading')
  await expect(title).toBeInViewport()
  const first = await title.textContent()
  await page.getByRole('button', { name: 'cannot be done here: another' }).click()
  await expect(title).not.toHaveText(first!)
  await expect(title).toBeInViewport()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
  await saved(page)
  // the yard tells of it, whatever its margins say
  await page.goto(yard.url)
  await expect(page.locator('.yard-line', { hasText: 'Vineyard spray buggy' })).toContainText('A fault is being sought')

  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`${yard.url}/practice?seed=mouse&level=anything`)
  await ready(page)
  await page.getByRole('button', { name: 'Begin the round' }).click()
  const terminal = page.locator('[data-terminal="fan1_plus"]')
  await terminal.scrollIntoViewIfNeeded()
  await page.locator('.lead-end.lead-red').scrollIntoViewIfNeeded()
  const [lead, to] = [await page.locator('.lead-end.lead-red').boundingBox(), await terminal.boundingBox()]
  await page.mouse.move(lead!.x + 20, lead!.y + 20)
  await page.mouse.down()
  await page.mouse.move(to!.x + 30, to!.y + 15, { steps: 8 })
  await page.mouse.up()
  await expect(page.getByLabel('red lead on')).toHaveValue('fan1_plus')
  await page.getByRole('button', { name: 'Read the meter' }).click()
  await expect(page.locator('.meter-face')).toHaveText(/^−?-?\d+\.\d\d V$/)
})
