import { readFileSync } from 'node:fs'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { Page } from '@playwright/test'
import { expect, go, openJob, ready, saved, test, type, Yard } from './test-support/yard'

const fresh = JSON.parse(readFileSync('src/formats/test-support/fresh.job.json', 'utf8')) as Record<string, unknown>
const download = async (page: Page, name: string | RegExp): Promise<string> => {
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name }).click()])
  return await file.path()
}

test('undo and redo go through all stations, each step a revision of its own', async ({ page, yard }) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=measure')
  await expect(page.getByRole('button', { name: 'undo' })).toBeDisabled()
  await type(page, 'core thick', '34 mm')
  await go(page, 'Wire')
  await page.getByLabel('Feed', { exact: true }).selectOption('2.5 mm²')
  // a choice is settled at once, so that undo is the job's own though the field has the focus
  await page.getByLabel('Feed', { exact: true }).focus()
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Feed', { exact: true })).toHaveValue('1 mm²')
  await page.keyboard.press('Control+y')
  await expect(page.getByLabel('Feed', { exact: true })).toHaveValue('2.5 mm²')
  await go(page, 'Trigger')
  const on = page.getByRole('slider', { name: 'on collar' })
  await on.focus()
  await page.keyboard.press('ArrowUp')
  await expect(on).toHaveAttribute('aria-valuenow', '88')
  await page.keyboard.press('Control+z')
  await expect(on).toHaveAttribute('aria-valuenow', '87')
  await expect(page.getByRole('status').filter({ hasText: 'set: 88 °C, then 87 °C' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await page.getByRole('button', { name: 'undo' }).click()
  await go(page, 'Measure')
  await expect(page.getByLabel('core thick', { exact: true })).toHaveValue('30')
  await page.getByRole('heading', { level: 1 }).click()
  for (let n = 0; n < 3; n++) await page.keyboard.press('Control+Shift+z')
  await expect(page.getByLabel('core thick', { exact: true })).toHaveValue('34')
  await saved(page)
  // what is being typed is the field's own to undo
  const field = page.getByLabel('core thick', { exact: true })
  await field.fill('99')
  await field.press('Control+z')
  await field.press('Escape')
  await expect(field).toHaveValue('34')

  await page.getByRole('link', { name: 'history' }).click()
  await expect(page.getByText('set: 88 °C, then 87 °C')).toBeVisible()
  await expect(page.getByText('feed: 1 mm², then 2.5 mm²').first()).toBeVisible()
  await page.getByRole('link', { name: 'Look at revision 1', exact: true }).click()
  await expect(page.getByText('revision 1, as this core reads it')).toBeVisible()
  await page.goBack()
  await page.getByRole('button', { name: 'Bring back revision 1', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Fell team bike 3' })).toBeVisible()
  await go(page, 'Measure')
  await expect(page.getByLabel('core thick', { exact: true })).toHaveValue('30')
})

test('a signed job keeps its sheet for ever, whatever is changed or brought back later', async ({ page, yard }) => {
  const address = await openJob(page, yard, 'Fell team bike 2', '/sheet')
  const signedWords = await page.locator('main section').allTextContents()
  await page.goto(`${yard.url}${address}?station=trigger`)
  await ready(page)
  // a slip takes no signature off; who means it says so, and one step back has it again
  await type(page, 'set', '84')
  await page.getByRole('button', { name: 'Leave it signed' }).click()
  await expect(page.getByLabel('set', { exact: true })).not.toHaveValue('84')
  await type(page, 'set', '84')
  await page.getByRole('button', { name: 'Reopen it' }).click()
  await saved(page)
  await page.getByRole('button', { name: 'undo' }).click()
  await saved(page)
  await page.goto(`${yard.url}${address}/sheet`)
  await expect(page.getByText('as it was signed')).toBeVisible()
  await page.goto(`${yard.url}${address}?station=trigger`)
  await ready(page)
  await type(page, 'set', '84')
  await page.getByRole('button', { name: 'Reopen it' }).click()
  await saved(page)
  await page.goto(`${yard.url}${address}/sheet`)
  await expect(page.getByText('as it was signed')).toHaveCount(0)
  await page.goto(`${yard.url}${address}/history/1`)
  await expect(page.getByText('revision 1, as it was signed')).toBeVisible()
  expect(await page.locator('main section').allTextContents()).toEqual(signedWords)
})

test(
  'the shelf: a part added with a mistake in it, copied, changed, retired; the job keeps what it chose ' +
    'and says so',
  async ({ page, yard }) => {
    await page.goto(`${yard.url}/shelf`)
    await ready(page)
    await page.getByRole('button', { name: 'Add a part' }).click()
    const form = page.getByRole('dialog')
    await form.getByLabel('name', { exact: true }).fill('Plover 120')
    for (const [label, text] of [
      ['rated at', '12'],
      ['fan current, rated', '3,1 A'],
      ['blade diameter', '120 mm'],
      ['fan depth', '1 5/8 in'],
      ['free air-flow, from the box', '90 cfm'],
      ['fan weight', 'heavy'],
      ['lead supplied with the fan', '40cm'],
      ['ingress code', 'waterproof'],
    ] as const)
      await form.getByLabel(label, { exact: true }).fill(text)
    await form.getByRole('button', { name: 'Put it on the shelf' }).click()
    await expect(form.getByText(/This is not a mass/)).toBeVisible()
    await form.getByLabel('fan weight', { exact: true }).fill('0.4 kg')
    await form.getByRole('button', { name: 'Put it on the shelf' }).click()
    await expect(form.getByText(/Write it like IP65/)).toBeVisible()
    await form.getByLabel('ingress code').fill('IP55')
    await form.getByRole('button', { name: 'Put it on the shelf' }).click()
    await expect(form).toHaveCount(0)
    await page.getByLabel('Search the shelf').fill('plover')
    await expect(page.getByRole('row')).toHaveCount(2)

    await page.getByLabel('Search the shelf').fill('gale 140')
    await expect(page.getByText('sources disagree')).toBeVisible()
    await page.getByRole('button', { name: 'Edit Gale 140' }).click()
    await page.getByRole('button', { name: 'let it count: 6.1 A for fan current, rated' }).click()
    await expect(page.getByLabel('fan current, rated', { exact: true })).toHaveValue('6.1 A')
    await page.getByRole('button', { name: 'Keep the change' }).click()
    await page.getByLabel('Search the shelf').fill('swift 116')
    await page.getByRole('button', { name: 'Edit Swift 116' }).click()
    await page.getByLabel('fan depth', { exact: true }).fill('41 mm')
    await page.getByRole('button', { name: 'Keep the change' }).click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await page.getByRole('button', { name: 'Copy Swift 116' }).click()
    await page.getByRole('button', { name: 'Put it on the shelf' }).click()
    await expect(page.getByText('Swift 116, copy')).toBeVisible()

    await openJob(page, yard, 'Fell team bike 3')
    await go(page, 'Place')
    await expect(page.getByLabel('fan depth', { exact: true })).toHaveValue('38')
    await expect(page.getByText('fan depth: 38 mm here, 41 mm on the shelf')).toBeVisible()
    await page.getByRole('button', { name: 'Take the shelf’s' }).click()
    await expect(page.getByLabel('fan depth', { exact: true })).toHaveValue('41')
    await saved(page)
    await page.goto(`${yard.url}/shelf`)
    await ready(page)
    await page.getByRole('button', { name: 'Retire Swift 116', exact: true }).click()
    await expect(page.getByRole('button', { name: 'Retire Swift 116', exact: true })).toHaveCount(0)
    await openJob(page, yard, 'Fell team bike 3')
    await go(page, 'Place')
    await expect(
      page.getByText('Swift 116 is not on the shelf now; this job keeps the fan as it was chosen.'),
    ).toBeVisible()
  },
)

test('the shelf out as CSV and JSON and in again is the same; a wrong row is told and nothing is taken', async ({
  page,
  yard,
}) => {
  await page.goto(`${yard.url}/shelf`)
  await ready(page)
  const csv = readFileSync(await download(page, 'out as CSV'), 'utf8')
  const json = readFileSync(await download(page, 'out as JSON'), 'utf8')
  const bring = (name: string, text: string): Promise<void> =>
    page.getByLabel('Shelf file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await bring('shelf.csv', csv)
  await expect(page.getByRole('status')).toContainText('47 parts taken in')
  expect(readFileSync(await download(page, 'out as JSON'), 'utf8')).toBe(json)
  await bring('broken.csv', csv.replace('1.6 A', 'a bit'))
  await expect(page.locator('.say[role=alert]')).toContainText(/row \d+, Swift 92: ratedA: This is not a current/)
})

test('find leads to jobs, machines and parts from anywhere, by keys alone', async ({ page, yard }) => {
  await openJob(page, yard, 'Fell team bike 3')
  await page.keyboard.press('/')
  await page.keyboard.type('churchyard')
  await expect(page.getByRole('listbox', { name: 'Found' }).getByRole('option').first()).toContainText(
    'Churchyard digger',
  )
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Churchyard digger' })).toBeVisible()
  // a page that has just come hears no key until it is live
  await ready(page)
  await page.keyboard.press('/')
  await page.keyboard.type('lantern')
  await expect(
    page.getByRole('listbox', { name: 'Found' }).getByRole('option').filter({ hasText: 'Lantern 3' }),
  ).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: 'Lantern 3' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('/')
  await page.keyboard.type("100%_' or 1=1")
  await expect(page.getByText('Nothing holds these letters.')).toBeVisible()
})

test('all jobs out, into an empty yard, and out again: the same', async ({ page, yard }) => {
  await page.goto(yard.url)
  await ready(page)
  const first = await download(page, 'Take all jobs out as a file')
  const other = new Yard()
  await other.start()
  await page.goto(other.url)
  await ready(page)
  await page.getByLabel('Job file').setInputFiles(first)
  await expect(page.getByRole('dialog', { name: '8 jobs brought in' })).toBeVisible()
  await page.getByRole('button', { name: 'Good' }).click()
  const jobs = (file: string): string[] =>
    (JSON.parse(readFileSync(file, 'utf8')) as { jobs: { title: string }[] }).jobs.map((j) => JSON.stringify(j)).sort()
  expect(jobs(await download(page, 'Take all jobs out as a file'))).toEqual(jobs(first))
  await other.end()
})

/** five pieces of them in the gate, thousands by hand */
const MANY = Number(process.env.PYRAXIS_MANY ?? 120)

test('an import of very many jobs with one bad: nothing is taken until somebody says so, and which one is told', async ({
  page,
  yard,
}) => {
  // works each job out twice; on a busy machine five thousand take minutes
  test.setTimeout(480_000)
  const jobs = Array.from({ length: MANY }, (_, i) =>
    i === 97 ? { ...fresh, title: 'The bad one', machine: 7 } : { ...fresh, title: `Many ${i}` },
  )
  const { writeFileSync } = await import('node:fs')
  const file = `${yard.folder}/many.json`
  writeFileSync(file, JSON.stringify({ format: 'pyraxis-jobs', version: 1, jobs }))
  await page.goto(yard.url)
  await ready(page)
  await page.getByLabel('Job file').setInputFiles(file)
  await expect(page.getByRole('progressbar')).toBeVisible()
  const told = page.getByRole('dialog', { name: 'Nothing was taken yet' })
  await expect(told).toBeVisible({ timeout: 220_000 })
  await expect(told).toContainText('number 98, The bad one')
  expect(
    ((await (await page.request.get(`${yard.url}/api/find?q=Many`)).json()) as { found: unknown[] }).found,
  ).toEqual([])
  await told.getByRole('button', { name: `Take the ${MANY - 1} that can be read` }).click()
  await expect(page.getByRole('dialog', { name: `${MANY - 1} jobs brought in` })).toBeVisible({ timeout: 220_000 })
  await page.getByRole('button', { name: 'Good' }).click()
  await expect(page.getByText(`of ${MANY + 7}`)).toBeVisible()
})

/** All words of a PDF, page by page, and each page's size in points. */
async function readPdf(bytes: Buffer): Promise<{ text: string; sizes: string[] }> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise
  let text = ''
  const sizes: string[] = []
  for (let n = 1; n <= pdf.numPages; n++) {
    const p = await pdf.getPage(n)
    const [, , w, h] = p.view as [number, number, number, number]
    sizes.push(`${Math.round(w)} × ${Math.round(h)}`)
    text += (await p.getTextContent()).items.map((i) => ('str' in i ? i.str : '')).join(' ')
  }
  return { text: text.replace(/\s+/g, ''), sizes }
}

test('the bench sheet as PDF says what the print says, on A4 and Letter; one without any choice made too', async ({
  page,
  yard,
}) => {
  const address = await openJob(page, yard, 'Market cold trailer', '/sheet')
  const words = (await page.locator('main section td, main section p').allTextContents())
    .map((t) => t.replace(/\s+/g, ''))
    .filter(Boolean)
  for (const [paper, size] of [
    ['a4', '595 × 842'],
    ['letter', '612 × 792'],
  ] as const) {
    const { text, sizes } = await readPdf(
      await (await page.request.get(`${yard.url}/api${address}/sheet.pdf?paper=${paper}&annex=yes`)).body(),
    )
    // the circuit lies across, where it would not be read upright
    expect(new Set(sizes.map((s) => s.split(' × ').sort().join(' × ')))).toEqual(new Set([size]))
    for (const word of words) expect(text).toContain(word)
  }
  const bench = await readPdf(await (await page.request.get(`${yard.url}/api${address}/sheet.pdf`)).body())
  // steps, wires and cautions on one page; circuit, proofs and the signature on the other
  expect(bench.sizes).toHaveLength(2)
  expect(bench.text).not.toContain('Stepsinfull')
  const { id } = (await (
    await page.request.post(`${yard.url}/api/import`, { data: Buffer.from(JSON.stringify(fresh)) })
  ).json()) as { id: string }
  const bare = await readPdf(await (await page.request.get(`${yard.url}/api/jobs/${id}/sheet.pdf`)).body())
  expect(bare.text).toContain('Nocontrollerchosen.')
  expect(bare.text).toContain('Nofanchosen.')
  const whole = await readPdf(await (await page.request.get(`${yard.url}/api/jobs/${id}/sheet.pdf?annex=yes`)).body())
  expect(whole.text).toContain('NONEFITTED')
  const measuring = await readPdf(await (await page.request.get(`${yard.url}/api/jobs/${id}/measuring.pdf`)).body())
  expect(measuring.text).toContain('freebehindthecore')
  await page.goto(`${yard.url}/jobs/${id}/measuring`)
  await expect(page.getByRole('heading', { level: 1, name: /Measuring sheet/ })).toBeVisible()
})

test('a photo or binary pasted into a field is told and kept out; the old value still counts', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=measure')
  const field = page.getByLabel('core thick', { exact: true })
  const bytes = Array.from({ length: 3000 }, (_, i) => String.fromCharCode((i * 37) % 256)).join('')
  await field.focus()
  await page.evaluate((text) => {
    ;(document.activeElement as HTMLInputElement).select()
    document.execCommand('insertText', false, text)
  }, `\u0089PNG\u0000${bytes}`)
  await field.blur()
  await expect(page.locator('.below.wrong')).toBeVisible()
  await expect(page.locator('[data-margin="fit"] .word')).toHaveText('holds')
  await page.reload()
  await ready(page)
  await field.press('Escape')
  await expect(field).toHaveValue('30')
})

test('a clock set back loses nothing: revisions keep their order', async ({ page, yard }) => {
  const address = await openJob(page, yard, 'Fell team bike 3', '?station=measure')
  await type(page, 'core thick', '31 mm')
  await saved(page)
  await yard.kill()
  yard.clock = '2001-01-01T00:00:00Z'
  await yard.start()
  await page.reload()
  await ready(page)
  await type(page, 'core thick', '32 mm')
  await saved(page)
  await page.goto(`${yard.url}${address}/history`)
  await expect(page.locator('.history-line').first()).toContainText('core thick: 31 mm, measured, then 32 mm, measured')
  await expect(page.locator('.history-line').nth(1)).toContainText('then 31 mm, measured')
  await page.goto(yard.url)
  await expect(page.getByRole('heading', { name: /Monday 1 January/ })).toBeVisible()
})

test("print leaves the screen's furniture out", async ({ page, yard }) => {
  const address = await openJob(page, yard, 'Churchyard digger', '/sheet')
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.emulateMedia({ media: 'screen' })
  await page.goto(`${yard.url}${address}?station=machine`)
  await ready(page)
  await page.emulateMedia({ media: 'print', colorScheme: 'dark' })
  for (const name of ['undo', 'Find']) await expect(page.getByRole('button', { name })).toBeHidden()
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeHidden()
  await expect(page.getByTestId('complaint')).toBeVisible()
})
