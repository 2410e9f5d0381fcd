import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { expect, openJob, ready, saved, test, type, Yard } from './test-support/yard'
import { type Kept, unpacked } from '../src/store/packing'

test('the server is killed in the middle and the tab reloaded: nothing acknowledged is lost, nothing typed is lost', async ({
  page,
  yard,
}) => {
  const address = await openJob(page, yard, 'Fell team bike 3', '?station=measure')
  await type(page, 'free behind the core', '61 mm')
  await saved(page)
  for (let n = 0; n < 4; n++) {
    const kept = 62 + n
    await type(page, 'free behind the core', `${kept} mm`)
    await yard.kill()
    await type(page, 'core thick', `${30 + n} mm`)
    await expect(page.locator('[data-state="waiting"]')).toContainText('kept in this browser')
    await yard.start()
    if (n % 2) {
      await page.reload()
      await ready(page)
    }
    await saved(page)
    await expect(page.getByLabel('free behind the core', { exact: true })).toHaveValue(String(kept))
    await expect(page.getByLabel('core thick', { exact: true })).toHaveValue(String(30 + n))
  }
  await yard.kill()
  const db = new Sqlite(yard.database)
  expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
  const newest = JSON.parse(documentsIn(db, address.split('/').pop()!).at(-1)!.text) as {
    place: { freeDepthM: { value: number } }
  }
  expect(newest.place.freeDepthM.value).toBeCloseTo(0.065)
  db.close()
})

/** A job's revisions as they are kept, oldest first. */
function documentsIn(db: Sqlite.Database, id: string): { number: number; text: string }[] {
  const rows = db
    .prepare('select number, document, whole_at from revisions where job_id = ? order by number')
    .all(id) as { number: number; document: Kept; whole_at: number | null }[]
  const at = new Map(rows.map((r) => [r.number, r.document]))
  return rows.map((r) => ({
    number: r.number,
    text: unpacked(r.document, r.whole_at === null ? null : at.get(r.whole_at)),
  }))
}

/** Each round starts the server anew, which takes most of its time: five in the gate, more by hand. */
const ROUNDS = Number(process.env.PYRAXIS_KILLS ?? 5)

test(
  'killed in the middle of a stream of saves, again and again: every acknowledged save is there, and nothing ' +
    'half made',
  async ({ request, yard }) => {
    test.setTimeout(900_000)
    const file = JSON.parse(readFileSync('src/formats/test-support/fresh.job.json', 'utf8')) as Record<string, unknown>
    const { id } = (await (
      await request.post(`${yard.url}/api/import`, { data: Buffer.from(JSON.stringify(file)) })
    ).json()) as { id: string }
    const acknowledged = new Map<number, string>()
    let from = 1
    let inFlight = 0
    for (let round = 0; round < ROUNDS; round++) {
      let dead = false
      let flowing = (): void => undefined
      const begun = new Promise<void>((resolve) => {
        flowing = resolve
      })
      const stream = (async () => {
        for (let n = 0; !dead; n++) {
          const title = `round ${round} save ${n}`
          const send = (): Promise<{ kind: string; revision?: number; theirs?: { revision: number } } | null> =>
            fetch(`${yard.url}/api/jobs/${id}/revisions`, {
              method: 'POST',
              headers: { 'content-type': 'application/json' },
              body: JSON.stringify({ from, key: `stream-of-saves-${round}-${n}`, job: { ...file, title } }),
            })
              .then((r) => r.json() as Promise<{ kind: string; revision?: number; theirs?: { revision: number } }>)
              .catch(() => null)
          const answer = await send()
          if (answer === null) {
            inFlight++
            return
          }
          // the save that was cut off last round may have been made: go on from what stands
          if (answer.kind === 'stale') from = answer.theirs!.revision
          else if (answer.kind === 'saved') {
            acknowledged.set(answer.revision!, title)
            from = answer.revision!
            flowing()
          } else throw new Error(JSON.stringify(answer))
        }
      })()
      // a server that has just come up is slow with its first answer: the kill must fall into the stream, not before it
      await Promise.race([begun, stream])
      await new Promise((resolve) => setTimeout(resolve, 5 + 61 * (round % 10)))
      await yard.kill()
      dead = true
      await stream
      await yard.start()
    }
    await yard.kill()
    const db = new Sqlite(yard.database)
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
    expect(db.pragma('foreign_key_check')).toEqual([])
    const rows = documentsIn(db, id)
    db.close()
    expect(inFlight).toBeGreaterThan(ROUNDS / 4)
    expect(acknowledged.size).toBeGreaterThan(ROUNDS)
    expect(rows.map((r) => r.number)).toEqual(rows.map((_, i) => i + 1))
    const titles = new Map(rows.map((r) => [r.number, (JSON.parse(r.text) as { title: string }).title]))
    for (const [number, title] of acknowledged) expect(titles.get(number)).toBe(title)
  },
)

test('two windows on one job: told in words and chosen field by field', async ({ page, context, yard }) => {
  // each window runs its spreads through beside the other
  test.setTimeout(240_000)
  const address = await openJob(page, yard, 'Fell team bike 3', '?station=measure')
  const other = await context.newPage()
  await other.goto(page.url())
  await ready(other)
  // a window that is not looked at draws a frame a second
  await page.bringToFront()
  await type(page, 'free behind the core', '60 mm')
  await type(page, 'core thick', '33 mm')
  await saved(page)
  await other.bringToFront()
  await other.keyboard.press('Escape')
  await other.goto(`${yard.url}${address}?station=wire`)
  await ready(other)
  await other.getByLabel('Feed', { exact: true }).selectOption('2.5 mm²')
  await saved(other)
  await page.bringToFront()
  await page.getByRole('button', { name: '5 Wire' }).click()
  await page.getByLabel('Feed', { exact: true }).selectOption('1.5 mm²')
  const dialog = page.getByRole('dialog', { name: /changed in another window/ })
  await expect(dialog).toContainText('feed: 1.5 mm² here, 2.5 mm² in the other window')
  await dialog.getByRole('button', { name: 'All mine' }).click()
  await dialog.getByRole('radio', { name: /2\.5 mm²/ }).check()
  await dialog.getByRole('button', { name: 'Let these stand' }).click()
  await saved(page)
  await expect(page.getByLabel('Feed', { exact: true })).toHaveValue('2.5 mm²')

  // each changes another thing: what only the other window touched is theirs from the start
  await other.bringToFront()
  await other.getByLabel('Way back', { exact: true }).last().selectOption('4 mm²')
  await saved(other)
  await page.bringToFront()
  await page.getByRole('button', { name: '2 Measure' }).click()
  await type(page, 'core thick', '34 mm')
  await expect(dialog.getByRole('group', { name: /way back/ }).getByRole('radio', { name: /theirs/ })).toBeChecked()
  await expect(dialog.getByRole('group', { name: /core thick/ }).getByRole('radio', { name: /mine/ })).toBeChecked()
  await dialog.getByRole('button', { name: 'Let these stand' }).click()
  await saved(page)
  await page.reload()
  await ready(page)
  await expect(page.getByLabel('core thick', { exact: true })).toHaveValue('34')
  await page.getByRole('button', { name: '5 Wire' }).click()
  await expect(page.getByLabel('Way back', { exact: true }).last()).toHaveValue('4 mm²')
})

test('both windows do the same: nobody has to choose; a reload in the middle of a conflict finds both versions again', async ({
  page,
  context,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=wire')
  const other = await context.newPage()
  await other.goto(page.url())
  await ready(other)
  await other.getByLabel('Feed', { exact: true }).selectOption('2.5 mm²')
  await saved(other)
  await page.bringToFront()
  await page.getByLabel('Feed', { exact: true }).selectOption('2.5 mm²')
  await saved(page)
  await expect(page.getByRole('dialog')).toHaveCount(0)

  await other.bringToFront()
  await other.getByLabel('Rating').selectOption('10')
  await saved(other)
  await page.bringToFront()
  await page.getByLabel('Rating').selectOption('15')
  const dialog = page.getByRole('dialog', { name: /changed in another window/ })
  await expect(dialog).toContainText('fuse: 15 A here, 10 A in the other window')
  await page.reload()
  await ready(page)
  await expect(dialog).toContainText('fuse: 15 A here, 10 A in the other window')
  await dialog.getByRole('button', { name: 'All theirs' }).click()
  await dialog.getByRole('button', { name: 'Let these stand' }).click()
  await saved(page)
  await expect(page.getByLabel('Rating')).toHaveValue('10')
})

test('nonsense in every field of a station: a message beside it, the old value still counts, what was typed is kept', async ({
  page,
  yard,
}) => {
  const address = yard.addressOf('Fell team bike 3')
  test.setTimeout(150_000)
  const troubles: string[] = []
  page.on('pageerror', (e) => troubles.push(e.message))
  for (const station of ['machine', 'measure', 'place', 'power', 'wire', 'trigger']) {
    await page.goto(`${yard.url}${address}?station=${station}`)
    await ready(page)
    const fields = page.locator('.tray .reading input')
    await expect(fields.first()).toBeVisible()
    for (const fold of await page.locator('.tray details:not([open]) > summary').all()) await fold.click()
    const nonsense = ['', '-5', '1e400', '7 bananas', '1,500', '\u2603 <script>', '9'.repeat(390), 'NaN']
    for (let i = 0; i < (await fields.count()); i++) {
      await fields.nth(i).fill(nonsense[i % nonsense.length]!)
      await fields.nth(i).blur()
    }
    await expect(page.locator('.below.wrong').first()).toBeVisible()
  }
  await page.goto(`${yard.url}${address}?station=measure`)
  await ready(page)
  await type(page, 'coolant', '7 bananas')
  await page.reload()
  await ready(page)
  await expect(page.getByLabel('coolant', { exact: true })).toHaveValue('7 bananas')
  await expect(page.getByText('"bananas" is not a unit of volume')).toBeVisible()
  await page.getByLabel('coolant', { exact: true }).press('Escape')
  await expect(page.getByLabel('coolant', { exact: true })).toHaveValue('1.3')
  expect(troubles).toEqual([])
})

test('unknown addresses and unreadable files are told plainly', async ({ page, yard }) => {
  await page.goto(`${yard.url}/jobs/nothing-here`)
  await expect(page.getByRole('heading', { name: 'There is no such job' })).toBeVisible()
  await page.goto(`${yard.url}/nowhere`)
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible()
  await page.goto(yard.url)
  await page.getByRole('link', { name: 'Fell team bike 3' }).first().click()
  await expect(page.getByRole('heading', { level: 1, name: 'Fell team bike 3' })).toBeVisible()
  await page.goto(`${page.url()}?station=cellar&margin=moon`)
  await expect(page.locator('[aria-current="step"]').first()).toContainText('Machine')
  await page.goto(yard.url)
  await ready(page)
  const bring = (name: string, text: string) =>
    page.getByLabel('Job file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await bring('broken.json', '{"format": "pyr')
  await expect(page.getByRole('alert').filter({ hasText: 'cut off' })).toBeVisible()
  await bring('newer.json', JSON.stringify({ format: 'pyraxis-job', version: 99 }))
  await expect(page.getByRole('alert').filter({ hasText: 'newer Pyraxis' })).toBeVisible()
})

test('a database that cannot be used is told plainly', async ({ page }) => {
  const broken = new Yard()
  writeFileSync(path.join(broken.folder, 'yard.db'), 'no database at all, '.repeat(200))
  await broken.start()
  await page.goto(broken.url)
  await expect(page.getByText('is not a Pyraxis database, or it is damaged')).toBeVisible()
  await broken.end()
})

test('a file that another program holds: told under the masthead, saved by itself once it is free', async ({
  page,
  yard,
}) => {
  await openJob(page, yard, 'Fell team bike 3', '?station=measure')
  const other = new Sqlite(yard.database)
  other.exec('begin immediate')
  await type(page, 'core thick', '31 mm')
  await expect(page.getByRole('alert').filter({ hasText: 'Another program holds' })).toBeVisible({ timeout: 40_000 })
  other.exec('rollback')
  other.close()
  await saved(page)
  await expect(page.locator('.save-trouble')).toHaveCount(0)
})

test('an empty yard says what to do first, on a phone too', async ({ page }) => {
  const empty = new Yard()
  await empty.start()
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(empty.url)
  await expect(page.getByRole('heading', { name: 'The yard is empty' })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await empty.end()
})
