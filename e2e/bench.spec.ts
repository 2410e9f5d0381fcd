import { expect, go, haveAll, openJob, proveAll, ready, saved, test, tickSteps, type } from './test-support/yard'

test('what comes off is kept, coolant counted, work left lying and taken up, a fix for now holds the signature', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=place')
  await page.getByLabel('Held by').selectOption({ label: "bracket on the core's side channels" })
  await go(page, 'Build')
  await page.getByRole('tab', { name: /Taken off/ }).click()
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByText('Say what it is.')).toBeVisible()
  await page.getByLabel('What comes off').fill('hose, top')
  await page.getByLabel('It is a').selectOption('lower hose')
  await page.getByLabel('Which way round').fill('short leg up')
  await page.getByLabel('Its small parts lie').fill('clip, lid of the tool box')
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByText('The engine must not run: hose, top: the engine would run dry')).toBeVisible()
  await expect(page.getByText('Small parts out: hose, top: clip, lid of the tool box.')).toBeVisible()

  await page.getByRole('tab', { name: 'Coolant' }).click()
  await type(page, 'came out', '1,1 l')
  await type(page, 'went in', '900 ml')
  await expect(page.getByText(/less went in than came out: air is still in it/)).toBeVisible()
  await page.getByLabel('went in', { exact: true }).fill('a lot')
  await page.getByLabel('went in', { exact: true }).blur()
  await expect(page.getByLabel('went in', { exact: true })).toHaveValue('a lot')
  await type(page, 'went in', '1.1 l')
  await expect(page.getByText('As much went in as came out.')).toBeVisible()

  // a wait is kept with the job, not with the page
  await page.getByRole('tab', { name: 'All steps' }).click()
  await page.getByRole('button', { name: 'Let it cool' }).click()
  await page.getByRole('button', { name: /Start the wait, 60 min/ }).click()
  await saved(page)
  await page.reload()
  await ready(page)
  await page.getByRole('button', { name: 'Let it cool' }).click()
  await expect(page.getByRole('timer')).toContainText('min left, since')

  await page.getByRole('button', { name: 'Leave it here' }).click()
  await page.getByLabel('Why it is left').fill('gasket not come')
  await page.getByLabel('Name', { exact: true }).fill('Bench one')
  await expect(page.getByRole('button', { name: 'Leave it', exact: true })).toBeDisabled()
  for (const box of await page.locator('[id^="safe-"]').all()) await box.check()
  await page.getByRole('button', { name: 'Leave it', exact: true }).click()
  const left = page.getByRole('region', { name: 'Left lying' })
  await expect(left).toContainText('gasket not come')
  await expect(left).toContainText('Off: hose, top, small parts: clip')
  await page.getByRole('button', { name: 'Go on with it' }).click()

  await page.getByRole('tab', { name: /For now/ }).click()
  await page.getByLabel('What holds for now only').fill('tie instead of a screw')
  await page.getByLabel('Why', { exact: true }).fill('none long enough')
  await page.getByLabel('nobody may drive with it').check()
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByRole('tab', { name: 'For now 1' })).toBeVisible()
  await go(page, 'After')
  await expect(page.getByText('Nobody may drive with this fix for now: tie instead of a screw.')).toBeVisible()
  await expect(page.getByText('Not back yet: hose, top.')).toBeVisible()
  await saved(page)
  await page.goto(yard.url)
  await expect(page.locator('.yard-line', { hasText: 'Fell team bike 3' })).toContainText(
    /Nobody drives with it, since .*: tie instead of a screw/,
  )
})

test('not as planned: a hole that does not line up undoes what stands on it, and is changed where it is chosen', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 1', '?station=build')
  await page.getByRole('button', { name: 'Mount the fan' }).click()
  await page.getByText('on the drawing').click()
  await expect(page.locator('.step-drawing svg').first()).toBeVisible()
  await page.getByRole('button', { name: 'Not as planned' }).click()
  await page.getByLabel('Off by').fill('3 mm')
  await page.getByLabel('Slot, over its ends').fill('16')
  await page.getByLabel('Screw', { exact: true }).fill('bananas')
  await expect(page.getByText('This is not a length')).toBeVisible()
  await page.getByLabel('Screw', { exact: true }).fill('6 mm')
  await expect(page.getByText('The slot takes it, with 2 mm left')).toBeVisible()
  await page.getByLabel('In a few words').fill('upper gap is bent shut')
  await expect(
    page.getByText(/To be done again: Mark the gaps for the ties, Mount the fan, Spin it by hand/),
  ).toBeVisible()
  await page.getByRole('button', { name: /Note it, and change it in Place/ }).click()
  await expect(page.getByText('Say who.')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Bench one')
  await page.getByRole('button', { name: /Note it, and change it in Place/ }).click()
  await expect(page).toHaveURL(/station=place/)
  await go(page, 'Build')
  await expect(page.locator('.big-step h2')).toHaveText('Mark the gaps for the ties')
  await expect(page.getByText('a hole does not line up: upper gap is bent shut (Bench one,')).toBeVisible()
  // a lock is gone past by name and reason only, and says so
  await page.getByRole('button', { name: 'Fasten the wires' }).click()
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled()
  await page.getByRole('button', { name: /^go past it by name/ }).click()
  await page.getByRole('button', { name: 'Go past it', exact: true }).click()
  await expect(page.getByText('Say why.')).toBeVisible()
  await page.getByLabel('Why it is done all the same').fill('tied last week')
  await page.getByRole('button', { name: 'Go past it', exact: true }).click()
  await expect(page.getByText(/Gone past its lock: Bench one, .*: tied last week/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeEnabled()
})

test('built, proved and handed over: what differs holds it, what may stand stands by name and is on the card', async ({
  page,
  yard,
}) => {
  const address = await openJob(page, yard, 'Fell team bike 1', '?station=build')
  await haveAll(page)
  await tickSteps(page)
  await proveAll(page, { finish: false })
  // 19 A are another fan, and would burn its wires: no name lets that stand
  const amps = page.getByRole('region', { name: 'Running current' })
  await amps.getByLabel('measured').fill('19 A')
  await amps.getByLabel('measured').press('Enter')
  await expect(amps).toContainText('differs')
  await expect(amps).toContainText(/It cannot stand: At that current .*Fuse.* would not hold/)
  await go(page, 'After')
  await expect(page.getByText('Running current is not as predicted')).toBeVisible()
  await expect(page.getByText('Nothing. It can be signed.')).toHaveCount(0)
  await saved(page)
  await page.goto(yard.url)
  await expect(page.locator('.yard-line', { hasText: 'Fell team bike 1' })).toContainText(
    'Proof differs: Running current',
  )

  await page.goto(`${yard.url}${address}?station=prove`)
  await ready(page)
  const predicted = /Predicted ([^,]+),/.exec((await amps.textContent())!)![1]!
  await amps.getByLabel('measured').fill(predicted)
  await amps.getByLabel('measured').press('Enter')
  await expect(amps).toContainText('as predicted')
  await expect(amps).toContainText('19 A')
  const starts = page.getByRole('region', { name: 'Starts, as the probe shows' })
  await starts.getByLabel('measured').fill('91 C')
  await starts.getByLabel('measured').press('Enter')
  await expect(starts).toContainText('differs')
  await starts.getByRole('button', { name: /^let it stand by name/ }).click()
  await starts.getByLabel(/^Why it may stand/).fill('gauge reads high')
  await starts.getByLabel('Name', { exact: true }).fill('Bench one')
  await starts.getByRole('button', { name: 'Let it stand' }).click()
  await expect(starts).toContainText('Differs, and stands: Bench one')
  await go(page, 'After')
  await expect(page.getByText(/is not as predicted/)).toHaveCount(0)
  await page.getByLabel('Also to look after').fill('rinse with a bucket')
  await page.getByLabel('On', { exact: true }).fill('2027-02-01')
  await page.getByRole('button', { name: 'Add it' }).click()
  await saved(page)
  const calendar = await (await page.request.get(`${yard.url}/api${address}/after.ics`)).text()
  expect(calendar).toMatch(/BEGIN:VEVENT[\s\S]*DTSTART;VALUE=DATE:20270201/)
  await page.getByRole('link', { name: 'Owner’s card' }).click()
  await expect(page.getByText('NOT SIGNED: this is how it stands')).toBeVisible()
  await expect(page.getByText('Starts, as the probe shows is not as predicted: gauge reads high.')).toBeVisible()
  const pdf = await page.request.get(`${yard.url}/api${address}/card.pdf`)
  expect((await pdf.body()).toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1)
})

test('a picture is kept small beside its step; what is none is told; a dial without a scale is found out', async ({
  page,
  yard,
}) => {
  const address = await openJob(page, yard, 'Fell team bike 1', '?station=build')
  await page.locator('.big-step input[type=file]').setInputFiles({
    name: 'notes.png',
    mimeType: 'image/png',
    buffer: Buffer.from('this is no picture'),
  })
  await expect(page.getByText('This is no picture that can be read')).toBeVisible()
  const large = await page.screenshot()
  await page
    .locator('.big-step input[type=file]')
    .setInputFiles({ name: 'shot.png', mimeType: 'image/png', buffer: large })
  const picture = page.locator('.big-step .photos img')
  await expect(picture).toBeVisible()
  await saved(page)
  await page.reload()
  await ready(page)
  await expect(picture).toHaveJSProperty('complete', true)
  expect(await picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(300)
  const cross = await page.request.post(`${yard.url}/api${address}/photos`, {
    headers: { 'content-type': 'text/plain' },
    data: 'x',
  })
  expect(cross.status()).toBe(415)

  // out of the yard and in again: alone it says that its picture stayed behind, with it it has it
  const bringIn = async (how: string): Promise<void> => {
    const buffer = await (await page.request.get(`${yard.url}/api${address}/file${how}`)).body()
    await page.goto(yard.url)
    await ready(page)
    await page.getByLabel('Job file').setInputFiles({ name: 'bike.json', mimeType: 'application/json', buffer })
  }
  await bringIn('')
  await expect(page.getByRole('dialog')).toContainText('Its picture is not in the file')
  await page.getByRole('button', { name: 'Open the job' }).click()
  await go(page, 'Build')
  await expect(page.getByText(/^not in this yard/).first()).toBeVisible()
  await bringIn('?pictures=yes')
  await page.waitForURL(/jobs\//)
  await go(page, 'Build')
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(300)

  await go(page, 'Prove')
  await page.getByText('A dial without a scale').click()
  const note = async (position: string, starts: string): Promise<void> => {
    await page.getByLabel('The mark points to, by the clock').fill(position)
    await page.getByLabel('There it starts at').fill(starts)
    await page.getByRole('button', { name: 'Note the point' }).click()
  }
  await note('13', '80 C')
  await expect(page.getByText('Where the mark points, as on a clock')).toBeVisible()
  await note('2', '80 C')
  await note('6', '96 C')
  await expect(page.getByText(/For 8\d °C: .* give or take 4 K/)).toBeVisible()
})

test('what is missing goes onto the shopping list and holds the start', async ({ page, yard }) => {
  const address = await openJob(page, yard, 'Fell team bike 3', '?station=build')
  await haveAll(page)
  await page.getByRole('tab', { name: 'Have it all' }).click()
  await page.getByRole('button', { name: 'to get: heat-conducting paste' }).click()
  await expect(page.getByText(/^1 of \d+ still hold the start/)).toBeVisible()
  await saved(page)
  const csv = await (await page.request.get(`${yard.url}/api${address}/shopping.csv`)).text()
  expect(csv.trim().split('\r\n').slice(1)).toEqual(['To get: consumables,heat-conducting paste,1,'])
  await page.getByRole('button', { name: 'go without: heat-conducting paste' }).click()
  await page.getByLabel('Why it goes without').fill('gap is snug')
  await page.getByLabel('Name', { exact: true }).fill('Bench one')
  await page.getByRole('button', { name: 'Go without', exact: true }).click()
  await expect(page.getByText('All of it is here, or gone without by name.')).toBeVisible()
})
