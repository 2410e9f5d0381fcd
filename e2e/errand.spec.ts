import {
  expect,
  go,
  haveAll,
  openJob,
  ready,
  saved,
  test,
  type,
  verdict,
  takeSize,
  tickSteps,
} from './test-support/yard'

test('a trail bike from the first word to the signature', async ({ page, yard }) => {
  test.setTimeout(240_000)
  await page.goto(yard.url)
  await ready(page)
  await page.getByRole('button', { name: 'Start a job' }).click()
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await expect(page.getByText('Give the job a name.')).toBeVisible()
  await page.getByLabel('Job', { exact: true }).fill('Fell team bike 9')
  await page.getByLabel('Height above the sea').fill('1150 m')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Fell team bike 9' })).toBeVisible()
  await expect(verdict(page, 'fuse')).toHaveText('short')

  await page.getByLabel('Is there a battery?').selectOption('yes')
  await page.getByLabel('Is its output DC?').selectOption('yes')
  await type(page, 'after', '12 min')
  await type(page, 'above, surroundings', '64 F')
  await expect(page.getByTestId('complaint')).toContainText('boils · after 12 min · on slow climbs · above 64 °F')
  for (const [label, text] of [
    ['coldest day it works', '0 C'],
    ['hottest day it works', '31'],
    ['rated speed', '8500'],
    ['slow work speed', '3300'],
    ['rated power', '18 kW'],
    ['load share, slow work', '16 %'],
    ['load share of the heaviest work', '40 %'],
    ['idle speed', '1700'],
  ] as const)
    await type(page, label, text)
  await go(page, 'Measure')
  for (const [label, text] of [
    ['engine thermostat opens', '78 C'],
    ['cap', '1.1 bar'],
    ['free behind the core', '2 1/4 in'],
    ['core wide', '120 mm'],
    ['core high', '240 mm'],
    ['core thick', '30mm'],
  ] as const)
    await type(page, label, text)
  await expect(page.getByLabel('free behind the core', { exact: true })).toHaveValue('2 1/4 in')

  await go(page, 'Place')
  await page.getByRole('button', { name: 'Choose Swift 116' }).click()
  for (const [label, text] of [
    ['fan lead, to the joint', '21 cm'],
    ['probe lead, to the controller', '0.5 m'],
    ['fan current, rated', '2.8 A'],
    ['fan depth', '38mm'],
  ] as const)
    await type(page, label, text)

  await go(page, 'Trigger')
  await page.getByLabel('Controller').selectOption({ label: 'Beadwheel, Skarn Works' })
  await expect(page.getByRole('slider', { name: 'on collar' })).toHaveAttribute(
    'aria-valuetext',
    /on 87 °C at the probe: coolant/,
  )
  await type(page, 'share of the coolant that the probe sees', '0.91')
  await type(page, 'set', '70')
  await expect(verdict(page, 'trigger')).toHaveText('short')
  await page.locator('[data-margin="trigger"]').click()
  await page.getByRole('button', { name: /^Set 8\d °C/ }).click()
  await expect(verdict(page, 'trigger')).not.toHaveText('short')

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
  await takeSize(page, '0.35 mm²')
  await expect(verdict(page, 'wire')).toHaveText('short')
  await takeSize(page, '1 mm²')
  await expect(verdict(page, 'wire')).toHaveText('holds')
  await page.getByRole('button', { name: 'Fit a 3 A fuse' }).click()
  await expect(verdict(page, 'fuse')).toContainText('short')
  await page.getByLabel('Rating').selectOption('7.5')
  await expect(verdict(page, 'fuse')).not.toContainText('short')

  await go(page, 'Power')
  await page.getByLabel('Known by').selectOption('points')
  for (const [state, text] of [
    ['idle', '8.6 A'],
    ['slow work', '12.1'],
    ['cruise', '13,7'],
  ] as const)
    await type(page, `charging current at ${state}`, text)
  for (const [label, text] of [
    ['other loads', '3.6 A'],
    ['charged to', '95 %'],
    ['starter takes', '52 A'],
    ['cold-cranking current', '110'],
    ['battery', '7 Ah'],
  ] as const)
    await type(page, label, text)
  await expect(verdict(page, 'charge')).not.toHaveText('short')
  await expect(page.locator('.word.verdict-short')).toHaveCount(0)

  await page.locator('[data-margin="supply"]').click()
  await expect(page.getByRole('complementary', { name: 'Working of Supply' })).toContainText('lost in wires and frame')
  await expect(page).toHaveURL(/margin=supply/)
  await page.goBack()
  await expect(page.getByRole('complementary', { name: 'Working of Supply' })).toHaveCount(0)
  await saved(page)

  const address = new URL(page.url()).pathname
  await page.goto(`${yard.url}${address}/sheet`)
  await page.getByText('Annex:').click()
  await expect(page.getByRole('heading', { level: 2 })).toContainText([
    'Job and complaint',
    'Setting and keys',
    /Steps/,
    'Cut list',
    'Cautions',
    'Circuit',
    'Proof against prediction',
    'Signature',
    'Before anything comes apart',
    'Readings',
    'Margins',
    'Parts and wire',
    'Place',
    'Steps in full',
  ])
  expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(20_000)

  await page.goto(`${yard.url}${address}?station=after`)
  await ready(page)
  await expect(page.getByText(/build steps not ticked/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign the job' })).toBeDisabled()
  await go(page, 'Build')
  // nothing comes apart before it is all there, nor without a word about the baseline
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled()
  await haveAll(page)
  await tickSteps(page)
  await expect(page.locator('.big-step')).toContainText('waits the baseline')
  await go(page, 'Machine')
  await page.locator('summary', { hasText: 'Baseline' }).click()
  await page.getByLabel('Baseline run').selectOption('cannot be had')
  await tickSteps(page)
  await page.getByRole('button', { name: 'Prove it now' }).click()
  await page.getByRole('button', { name: 'no: It turns, the right way' }).click()
  await expect(page.getByText(/Turning the blade over alone never turns the air/)).toBeVisible()
  for (const proof of [
    'It turns, the right way',
    'Key off: it stops',
    'Nothing caught, lock to lock',
    'Every row of the table of states',
  ])
    await page.getByRole('button', { name: `yes: ${proof}` }).click()
  for (const [proof, text] of [
    ['Running current', '3.5 A'],
    ['Voltage at the fan', '13.9'],
    ['Starts, as the probe shows', '87 C'],
    ['Draw with the key off', '0 mA'],
    ['Starting current', '13 A'],
    ['Lost on the way out', '0.19 V'],
    ['Lost on the way back', '0.11 V'],
  ] as const) {
    await page.getByRole('region', { name: proof }).getByLabel('measured').fill(text)
    await page.getByRole('region', { name: proof }).getByLabel('measured').press('Enter')
    await expect(page.getByRole('region', { name: proof })).toContainText('as predicted')
  }
  await page.getByRole('button', { name: 'not proved: Stops, as the probe shows' }).click()
  await page.getByLabel('Why it is not proved').fill('owner waiting, seen to stop once')
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByText('Say who.')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Bench one')
  await page.getByRole('button', { name: 'Note it' }).click()
  await page.getByLabel('Setting', { exact: true }).selectOption('working')
  await tickSteps(page)

  await go(page, 'After')
  const open = page.getByRole('checkbox')
  for (let i = 0; i < (await open.count()); i++) await open.nth(i).check()
  await page.getByLabel('Who', { exact: true }).fill('Bench one')
  await page.getByRole('button', { name: 'Accept what is ticked' }).click()
  await expect(page.getByText('Say why it may stand.')).toBeVisible()
  await page.getByLabel(/^Why it may stand/).fill('Climb ridden, no boiling')
  await page.getByRole('button', { name: 'Accept what is ticked' }).click()
  await saved(page)
  await page.getByLabel('Signed by').fill('Bench one')
  await page.getByRole('button', { name: 'Sign the job' }).click()
  await expect(page.getByText(/Signed by Bench one/)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/Signed by Bench one/)).toBeVisible()
})

test('without its fuse a finished job cannot be signed, whatever is accepted', async ({ page, yard }) => {
  const address = await openJob(page, yard, 'Fell team bike 2', '?station=wire')
  await page.getByLabel('Rating').selectOption('')
  await page.getByRole('button', { name: 'Reopen it' }).click()
  await go(page, 'After')
  await expect(page.getByText('No fuse fitted. A job is not signed off without its fuse')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign the job' })).toBeDisabled()
  await saved(page)
  const answer = await page.request.post(`${yard.url}/api${address}/sign`, { data: { from: 2, by: 'somebody' } })
  expect(await answer.json()).toMatchObject({ ok: false })
})

test('nine stations by keyboard alone, a collar moved and units swapped without rounding', async ({ page, yard }) => {
  await openJob(page, yard, 'Fell team bike 3')
  const names = ['Machine', 'Measure', 'Place', 'Power', 'Wire', 'Trigger', 'Build', 'Prove', 'After']
  for (const [i, name] of names.entries()) {
    await page.keyboard.press(String(i + 1))
    await expect(page.locator('[aria-current="step"]').first()).toContainText(name)
  }
  await page.keyboard.press('6')
  const on = page.getByRole('slider', { name: 'on collar' })
  await on.focus()
  await page.keyboard.press('ArrowUp')
  await expect(on).toHaveAttribute('aria-valuenow', '88')
  await page.keyboard.press('2')
  await expect(page.getByLabel('free behind the core', { exact: true })).toHaveValue('57')
  await page.keyboard.press('u')
  // as it was typed, and beside it what that is in inches
  await expect(page.getByLabel('free behind the core', { exact: true })).toHaveValue('57 mm')
  await expect(page.locator('[data-address="place.freeDepthM"]')).toContainText('= 2.244 in')
  await page.keyboard.press('U')
  await expect(page.getByLabel('free behind the core', { exact: true })).toHaveValue('57')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByLabel('free behind the core', { exact: true }).focus()
  await page.keyboard.type('5')
  await expect(page.locator('[aria-current="step"]').first()).toContainText('Measure')
})

test('a collar is dragged and the margin follows', async ({ page, yard }) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=trigger')
  const on = page.getByRole('slider', { name: 'on collar' })
  const box = (await on.boundingBox())!
  const [x, y] = [box.x + box.width - 20, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x, y + 60, { steps: 6 })
  await page.mouse.up()
  expect(Number(await on.getAttribute('aria-valuenow'))).toBeLessThan(80)
  await expect(verdict(page, 'trigger')).toHaveText('short')
})
