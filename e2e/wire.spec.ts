import { expect, go, openJob, ready, saved, startJob, test, type, verdict, wireView } from './test-support/yard'
import type { Page } from '@playwright/test'

const symptom = (page: Page) => page.locator('[data-symptom]')
const part = (page: Page, name: string) =>
  page.locator('.drawing').getByRole('button', { name: new RegExp(`^${name}: choose it`) })
const choose = (page: Page, label: string, option: string) =>
  page.getByLabel(label, { exact: true }).selectOption({ label: option })

test('intent in plain choices: ways that do it are offered with their reasons, one is taken, every state is as asked', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Vineyard buggy, second controller')
  await go(page, 'Wire')
  await expect(page.getByText('all 12 as asked')).toBeVisible()
  await choose(page, 'Fan may be live', 'also after switch-off, so long')
  await expect(page.getByRole('region', { name: 'Not as asked' })).toContainText('there is no after-run timer')
  await choose(page, 'Run by', 'thermostat and override')
  await choose(page, 'Controller dead', 'the override must work')
  await choose(page, 'May also be called by', 'air conditioning')
  await expect(page.getByRole('region', { name: 'Not as asked' })).toContainText(
    'the air conditioning cannot call the fan',
  )
  await wireView(page, 'Ways to wire it')
  const ways = page.getByRole('list', { name: 'Ways to wire it' })
  await expect(ways.getByRole('listitem')).toHaveCount(10)
  await expect(ways.getByRole('listitem').filter({ hasText: 'Two fans on one heavier relay' })).toContainText(
    'There is one fan only.',
  )
  await expect(ways.getByRole('listitem').first()).toContainText(/fits|needs more/)
  // what is wired lacks what was asked: it is said, and brought with its diode and its fuse
  const inUse = ways.getByRole('listitem').filter({ hasText: 'Fused feed with a relay' })
  await expect(inUse).toContainText('wired so, but not with all that was asked')
  await page.getByRole('button', { name: 'Add what it lacks: Fused feed with a relay' }).click()
  await expect(inUse).toContainText('in use')
  await expect(page.getByLabel('Diode in the control’s feed')).toHaveValue('yes')
  await expect(page.getByLabel('Timer takes its current')).toHaveValue('feed')
  await wireView(page, 'Cut list')
  const inWires = page.getByRole('list', { name: 'In the wires' })
  await expect(inWires).toContainText('Diode, keeps the control out of the ignition')
  await expect(page.getByRole('cell', { name: /wire behind the timer: after-run timer, out to/ })).toBeVisible()
  await wireView(page, 'Circuit')
  await expect(page.getByText(/^all \d+ as asked$/)).toBeVisible()
  await expect(page.getByText('nothing guards it')).toHaveCount(0)
  // from the battery post it is fed by nothing that opens: the table says so, and Fuse is short
  await page.getByLabel('Timer takes its current').selectOption('battery')
  await expect(page.getByText('nothing guards it').first()).toBeVisible()
  await expect(verdict(page, 'fuse')).toHaveText('short')
  await page.keyboard.press('Control+z')
  // without its diode the ignition lives on behind an open key
  await page.getByLabel('Diode in the control’s feed').selectOption('no')
  await expect(page.getByRole('region', { name: 'Not as asked' })).toContainText(
    'the ignition is live with the key off, fed back through',
  )
  await page.keyboard.press('Control+z')
  await wireView(page, 'Ways to wire it')
  await page.getByRole('button', { name: 'Wire it so: Ground-side switching' }).click()
  await expect(ways.getByRole('listitem').filter({ hasText: 'Ground-side switching' })).toContainText('in use')
  await expect(page.getByLabel('Thermostat switches')).toHaveValue('ground')
  await wireView(page, 'Circuit')
  await expect(page.getByText(/^all \d+ as asked$/)).toBeVisible()
  await expect(page.locator('table.states tbody tr')).toHaveCount(16)
  await expect(verdict(page, 'contacts')).not.toHaveText('short')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Thermostat switches')).toHaveValue('positive')
  // another way of wiring is laid out while the circuit stands there
  await choose(page, 'Lamp: fan is live', 'yes')
  await expect(page.locator('.drawing').getByRole('button', { name: /^lamp: fan is live: choose it/ })).toBeVisible()
})

test(
  'the circuit by keyboard: states flipped, a bad ground put in and read, a fan with its wires swapped, all ' +
    'taken out again',
  async ({ page, yard }) => {
    await openJob(page, yard, 'Vineyard buggy, second controller', '?station=wire')
    await expect(part(page, 'Wheatear 150')).toBeVisible()
    await expect(symptom(page)).toContainText('engine running and hot')
    await expect(symptom(page)).toContainText('Wheatear 150 runs at 112 %')
    await page.getByLabel('Key', { exact: true }).focus()
    await page.keyboard.press('Space')
    await expect(page.getByLabel('Engine runs')).not.toBeChecked()
    await expect(symptom(page)).toContainText(
      'parked and hot: relay coil, 86–85: silent; Wheatear 150 stands. As asked.',
    )
    await page.keyboard.press('Space')
    await page.getByLabel('hot', { exact: true }).focus()
    await page.keyboard.press('ArrowLeft')
    await expect(symptom(page)).toContainText('key on and warming up')
    await expect(symptom(page)).toContainText('stands. As asked.')
    await page.getByLabel('cooling down').check()
    await expect(symptom(page)).toContainText('runs at')
    // the bad ground: the relay clicks, the fan hardly turns, its ground terminal is lifted
    await part(page, 'way back').focus()
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: /^bad ground, 20 ohm/ }).press('Enter')
    await expect(symptom(page)).toContainText('clicks and stays in')
    await expect(symptom(page)).toContainText(
      /its ground terminal is at 1\d\.\d V instead of nearly nothing: the ground is bad/,
    )
    await expect(page.getByRole('heading', { name: /with these faults: \d+ of 12 not as asked/ })).toBeVisible()
    await page.getByRole('button', { name: /take it out.*way back: bad ground/ }).press('Enter')
    await expect(page.getByText('all 12 as asked')).toBeVisible()
    await part(page, 'Wheatear 150').focus()
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: /^wires swapped/ }).click()
    await expect(symptom(page)).toContainText('backwards at')
    await expect(symptom(page)).toContainText('air the other way round, at 60 %')
    // a cell of the table shows its state in the circuit
    await page
      .locator('table.states')
      .getByRole('button', { name: /stands.*show it/ })
      .first()
      .click()
    await expect(symptom(page)).toContainText('parked and cold')
  },
)

test('a circuit that cannot be is refused in words; awkward figures keep what was typed', async ({ page, yard }) => {
  await openJob(page, yard, 'Market cold trailer')
  await go(page, 'Wire')
  await choose(page, 'Fed from', 'a road-lighting wire')
  await expect(page.getByRole('alert').filter({ hasText: 'road-lighting wire' })).toContainText(
    'that circuit is never tapped',
  )
  await choose(page, 'Fed from', 'the battery, fused')
  await expect(page.getByRole('alert').filter({ hasText: 'road-lighting wire' })).toHaveCount(0)
  await type(page, 'of the feed, contact to fan', '20 m')
  await expect(page.getByText('The feed is shorter than its pieces')).toBeVisible()
  await type(page, 'of the feed, contact to fan', '-3')
  await expect(page.getByLabel('of the feed, contact to fan', { exact: true })).toHaveValue('-3')
  await page.getByLabel('Rating').selectOption('')
  await expect(page.getByText('No fuse in the feed of fan 1.')).toBeVisible()
})

test(
  'three unknown wires on the digger are found out in the safest order, kept through a reload; the ' +
    'engine’s is left alone',
  async ({ page, yard }) => {
    const address = await openJob(page, yard, 'Churchyard digger')
    await go(page, 'Wire')
    await wireView(page, 'Unknown wires')
    await page.getByLabel('Its wires, by colour').fill('red')
    await page.getByRole('button', { name: 'Find out' }).click()
    await expect(page.getByText('Name 2 to 8 wires')).toBeVisible()
    await page.getByLabel('Its wires, by colour').fill('red/white, black, yellow')
    await page.getByRole('button', { name: 'Find out' }).click()
    const next = page.getByRole('region', { name: 'Next test' })
    await expect(next).toContainText('Volts, key off: the red/white wire')
    const note = async (text: string) => {
      await next.getByRole('textbox').fill(text)
      await next.getByRole('button', { name: 'Note it' }).click()
    }
    await note('lots')
    await expect(next).toContainText('An open meter is written OL')
    await expect(next.getByRole('textbox')).toHaveValue('lots')
    await note('0 V')
    await expect(next).toContainText('the black wire')
    await note('0')
    await note('0.1')
    await expect(next).toContainText('Volts, key on, engine off, cold: the red/white wire')
    await note('12.3')
    await saved(page)
    await page.goto(`${yard.url}${address}?station=wire`)
    await ready(page)
    await wireView(page, /Unknown wires/)
    // yellow goes to a coil: live with the key, three ohms, and still live while the starter turns
    const shows = (title: string): string => {
      if (title.includes('black')) return title.startsWith('Ohms') ? '0.1 ohm' : '0.02 V'
      const yellow = title.includes('yellow')
      if (title.startsWith('Ohms')) return yellow ? '3 ohm' : '60 ohm'
      return yellow && title.includes('starter') ? '9.8 V' : '12.1 V'
    }
    for (let n = 0; n < 20 && (await next.count()); n++)
      await note(shows((await next.getByRole('heading').textContent())!))
    const which = page.getByRole('region', { name: 'Which to take' })
    await expect(which.getByRole('listitem')).toHaveText([/red\/white, switched accessory feed/])
    await expect(which).toContainText('Leave yellow: it may be the engine’s own feed still.')
    await page.getByLabel('Size of the red/white wire').selectOption('1.5 mm²')
    await page.getByLabel('Fuse of the red/white wire').selectOption('10')
    const row = page.locator('tbody tr').filter({ hasText: 'red/white' }).last()
    await expect(row).toContainText('switched accessory feed')
    await expect(row).toContainText('7.5 A')
    await expect(
      page.locator('tbody tr').filter({ has: page.getByRole('rowheader', { name: 'black', exact: true }) }),
    ).toContainText('ground')
    await row.getByRole('button', { name: /feed the fan from it/ }).click()
    await expect(page.getByLabel('Fed from')).toHaveValue('key switch')
    await expect(page.getByLabel('Machine’s fuse before the key')).toHaveValue('10')
  },
)

test(
  'a ready-made harness: which wire is which, whether it reaches, what is cut besides; pins turned, pins ' +
    'moved, the way looked at',
  async ({ page, yard }) => {
    await openJob(page, yard, 'Vineyard buggy, second controller')
    await go(page, 'Wire')
    await wireView(page, 'Harness')
    await choose(page, 'It came with', 'Ready loom, one fan and relay, Skarn Works')
    const feed = page.getByRole('row', { name: /^red, 2\.5 mm²/ })
    await expect(feed).toContainText('0.77 m too short: lengthen it below')
    await expect(page.getByText("It does not bring: controller's ground.")).toBeVisible()
    await page.getByLabel('New length').fill('2.7 m')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(feed).toContainText('reaches, 0.13 m left')
    await page.getByLabel('What is changed').selectOption('move pins')
    await page.getByLabel('Which connector, and where').fill('plug at the core')
    await page.getByLabel('Each hole: before > after').fill('1: red > black')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.locator('#edit-message')).toContainText('Red comes out of hole 1 and goes nowhere')
    await page.getByLabel('Each hole: before > after').fill('1: red > black\n2: black > red')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(
      page.getByText('plug at the core: hole 1: red out, black in; hole 2: black out, red in', { exact: true }),
    ).toBeVisible()
    await wireView(page, 'Cut list')
    await expect(page.getByRole('row', { name: /comes with the harness: not cut/ }).first()).toBeVisible()
    await expect(page.getByRole('row', { name: /^Ready loom, one fan and relay/ })).toContainText('on the shelf')
    await wireView(page, 'Pins')
    const relay = page.getByRole('region', { name: 'Relay' })
    const words = relay.locator('svg text').filter({ hasText: /white$/ })
    const left = (await words.boundingBox())!.x
    await relay.getByRole('button', { name: 'onto the wires' }).click()
    await expect.poll(async () => (await words.boundingBox())!.x).toBeGreaterThan(left + 50)
    await expect(relay.getByRole('row', { name: /^86/ })).toContainText('8 white')
    await wireView(page, 'Way and joints')
    await page.getByLabel('The circle of the blades').selectOption('passes, guarded')
    await expect(
      page.getByText('The way touches the circle of the blades. Right is: 20 mm outside it, tied.'),
    ).toBeVisible()
    await choose(page, 'Joints', 'push-on terminals, bare')
    await go(page, 'Build')
    await page.getByRole('button', { name: 'Crimp and seal the joints' }).click()
    await expect(page.getByText(/Joints push-on terminals, bare: not here/)).toBeVisible()
  },
)

test(
  'a harness is changed and taken back, a second fan gets its relay; the cut list is had as CSV, the circuit as ' +
    'SVG and netlist',
  async ({ page, yard }) => {
    const address = await openJob(page, yard, 'Vineyard buggy, second controller')
    await go(page, 'Wire')
    await wireView(page, 'Harness')
    await page.getByLabel('New length').fill('soon')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.locator('#edit-message')).toBeVisible()
    await expect(page.getByLabel('New length')).toHaveValue('soon')
    await page.getByLabel('New length').fill('3.1 m')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.getByText(/Lengthen the feed by 0\.7 m/)).toBeVisible()
    await page.getByLabel('What is changed').selectOption('second relay')
    await expect(page.getByText('Not here: there is one fan only')).toBeVisible()
    await page.getByLabel('Add a second fan').selectOption({ index: 1 })
    await wireView(page, 'Ways to wire it')
    await expect(page.getByRole('listitem').filter({ hasText: 'Two fans on one heavier relay' })).toContainText(
      'in use',
    )
    await wireView(page, /Harness/)
    await page.getByLabel('What is changed').selectOption('second relay')
    await page.getByRole('button', { name: 'Change it' }).click()
    await expect(page.getByText('second relay, its trigger joined to the first', { exact: true })).toBeVisible()
    await expect(page.getByText('on its own relay, triggers joined')).toBeVisible()
    await go(page, 'Build')
    await page.getByRole('button', { name: 'Change the harness' }).click()
    await expect(page.getByText(/1\. Lengthen the feed .* 2\. Second relay beside the first/)).toBeVisible()
    await go(page, 'Wire')
    await wireView(page, /Harness/)
    await page.getByRole('button', { name: /take it back.*second relay/ }).click()
    await page.getByRole('button', { name: 'take the second fan off' }).click()
    await wireView(page, 'Cut list')
    await expect(page.locator('.cut-list tbody tr')).toHaveCount(8)
    await page.getByLabel('Colour of wire 1').fill('brown')
    await page.getByLabel('Colour of wire 1').press('Enter')
    await expect(page.getByText(/2\.5 mm² brown/)).toBeVisible()
    await saved(page)
    const csv = await page.request.get(`${yard.url}/api${address}/cut-list.csv`)
    expect(await csv.text()).toMatch(/^no\.,wire,size,colour.*\r\n1,feed: battery \+ to fuse holder 1,2\.5 mm²,brown,/)
    expect(await (await page.request.get(`${yard.url}/api${address}/circuit.svg`)).text()).toContain('Wheatear 150')
    expect(
      await (
        await page.request.get(`${yard.url}/api${address}/circuit.cir?state=key=on,heat=hot&fault=bad:return1`)
      ).text(),
    ).toContain('rreturn1 fan1_minus 0 20.0')
    expect((await page.request.get(`${yard.url}/api${address}/circuit.cir?fault=rust:fan1`)).status()).toBe(400)
    await page.goto(`${yard.url}${address}/sheet`)
    await ready(page)
    await expect(page.getByRole('heading', { name: 'Cut list' })).toBeVisible()
    await expect(page.getByRole('img', { name: /Circuit of \d+ parts; .*runs at/ })).toBeVisible()
  },
)

test('a new job says what is still open in its circuit, and is wired to the end', async ({ page, yard }) => {
  await startJob(page, yard, /trail bike/, 'Wired anew')
  await go(page, 'Wire')
  await expect(page.getByText('No fan chosen: reckoned as a usual one of 5 A.')).toBeVisible()
  await expect(page.getByText('No controller chosen: reckoned as a plain thermostat switch.')).toBeVisible()
  await go(page, 'Place')
  await page.getByRole('button', { name: 'Choose Swift 116' }).click()
  await go(page, 'Trigger')
  await page.getByLabel('Controller').selectOption({ label: 'Beadwheel, Skarn Works' })
  await go(page, 'Wire')
  await wireView(page, 'Ways to wire it')
  await page.getByRole('button', { name: 'Wire it so: Fused feed with a relay' }).click()
  await wireView(page, 'Circuit')
  await expect(page.getByText('all 24 as asked')).toBeVisible()
  for (const margin of ['supply', 'wire', 'contacts']) await expect(verdict(page, margin)).not.toHaveText(/short|open/)
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('two fans on two cores, from Place to hand-over: each placed, called, fused, proved and told', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=place')
  await page.getByRole('button', { name: 'add a second fan like it' }).click()
  const which = page.getByRole('group', { name: 'Which fan is looked at' })
  await expect(which.getByRole('button', { name: /^Fan 2/ })).toHaveAttribute('aria-pressed', 'true')
  // the second is looked at: it goes to the other core, and its leads are told from there
  await page.getByLabel('On the', { exact: true }).selectOption({ label: 'right core' })
  await expect(page.getByText('Right core from behind')).toBeVisible()
  // places are sought for the fan that is looked at, beside the other
  const best = page.getByTestId('best-places').locator('li').first()
  await expect(best).toContainText('right core')
  await which.getByRole('button', { name: /^Fan 1/ }).click()
  await expect(page.getByText('Left core from behind')).toBeVisible()
  await expect(best).toContainText('left core')
  await which.getByRole('button', { name: /^Fan 2/ }).click()
  await expect(page.getByText('Right core from behind')).toBeVisible()

  await go(page, 'Trigger')
  await page.getByLabel('Called by').selectOption({ label: 'a controller of its own' })
  const set = page.getByLabel('set', { exact: true })
  const second = await set.inputValue()
  await which.getByRole('button', { name: /^Fan 1/ }).click()
  expect(Number(second) - Number(await set.inputValue())).toBe(5)

  await go(page, 'Wire')
  await wireView(page, 'Ways to wire it')
  const staged = page.getByRole('listitem').filter({ hasText: 'A relay each, staged temperatures' })
  await staged.getByRole('button').click()
  await expect(staged).toContainText('in use')
  await expect(page.getByLabel('Switched by, fan 2')).toHaveValue('relay')
  await expect(page.getByLabel('Rating, fan 2')).not.toHaveValue('')
  await wireView(page, 'Circuit')
  await expect(page.getByText(/^all \d+ as asked$/)).toBeVisible()
  await wireView(page, 'Cut list')
  await expect(
    page.getByRole('cell', { name: /^link wire: controller 1, its own supply to controller 2/ }),
  ).toBeVisible()

  await go(page, 'Prove')
  await expect(page.getByText('Running current, fan 2').first()).toBeVisible()
  await expect(page.getByText('It turns, the right way, fan 2').first()).toBeVisible()
  await saved(page)
  await page.getByRole('link', { name: /sheet/ }).click()
  await page.getByText('Annex:').click()
  await expect(page.getByRole('cell', { name: 'fuse, fan 2' })).toBeVisible()
  await expect(page.getByText(/A for fan 1 and .* A for fan 2/).first()).toBeVisible()
})
