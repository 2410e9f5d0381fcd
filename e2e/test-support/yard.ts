import { spawn, type ChildProcess } from 'node:child_process'
import { copyFileSync, mkdtempSync, renameSync, rmSync } from 'node:fs'
import net from 'node:net'
import os from 'node:os'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { test as base, type BrowserContext, expect, type Locator, type Page } from '@playwright/test'
import { DEMO } from './demo'

const NEXT = path.join('node_modules', 'next', 'dist', 'bin', 'next')
const KEEPER = path.join('scripts', 'start.mjs')

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo
      probe.close(() => resolve(port))
    })
  })

/** A production server on a database of its own, that can be killed and started again. */
export class Yard {
  readonly folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-e2e-'))
  readonly database = path.join(this.folder, 'yard.db')
  url = ''
  /** ISO moment at which the server's clock is fixed, from its next start */
  clock: string | undefined
  /** where copies of the yard are kept, from its next start */
  backups = 'off'
  /** others are let in, from its next start */
  network = false
  /** it is started by what starts it again when it asks for that, from its next start */
  kept = false
  /** where a logger of this yard's server speaks, if one does */
  loggerPort = 0
  /** it was started otherwise than others are */
  private special = false
  private port = 0
  private server: ChildProcess | undefined
  /** the clock of the server that is up */
  private startedWith: string | undefined

  async start(): Promise<void> {
    this.port ||= await freePort()
    this.loggerPort ||= await freePort()
    this.startedWith = this.clock
    this.url = `http://127.0.0.1:${this.port}`
    const started = this.kept ? [KEEPER] : [NEXT, 'start', '-H', '127.0.0.1']
    this.server = spawn(process.execPath, [...started, '-p', String(this.port)], {
      env: this.environment,
      stdio: 'ignore',
    })
    for (let n = 0; n < 600; n++) {
      const up = await fetch(`${this.url}/icon.svg`).then(
        () => true,
        () => false,
      )
      if (up) return
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
    throw new Error('the server did not come up')
  }

  /** kill -9: nothing is told, nothing is finished */
  async kill(): Promise<void> {
    const { server } = this
    this.server = undefined
    // one that has ended by itself is not waited for
    if (!server || server.exitCode !== null || server.signalCode !== null) return
    const gone = new Promise((resolve) => server.once('exit', resolve))
    // what keeps a server is asked to end it too
    server.kill(this.kept ? 'SIGTERM' : 'SIGKILL')
    this.kept = false
    await gone
  }

  /** Ctrl+C, or a service that is stopped: it ends by itself */
  async stop(): Promise<void> {
    const { server } = this
    this.server = undefined
    if (!server || server.exitCode !== null) return
    const gone = new Promise((resolve) => server.once('exit', resolve))
    server.kill('SIGINT')
    await gone
  }

  /** A server of other ways: copies kept, others let in, nothing in the yard. */
  async startAs({ backups = 'off', network = false, empty = false, kept = false }): Promise<void> {
    await this.kill()
    this.kept = kept
    // its log is still of the file that a test before changed
    if (!empty) this.loadDemo()
    this.backups = backups
    this.network = network
    this.special = true
    if (empty) for (const more of ['', '-wal', '-shm']) rmSync(this.database + more, { force: true })
    await this.start()
  }

  /** The demo yard as its loader made it: a copy for each test. */
  loadDemo(): void {
    // put in its place whole: a server that is up sees another file, and opens it
    // what a killed one has left beside it is of another file
    if (!this.server) for (const more of ['-wal', '-shm']) rmSync(this.database + more, { force: true })
    const fresh = path.join(this.folder, 'fresh.db')
    copyFileSync(process.env[DEMO]!, fresh)
    renameSync(fresh, this.database)
  }

  /** @returns the address of a job, by its name */
  addressOf(title: string): string {
    const db = new Sqlite(this.database, { readonly: true })
    const found = db.prepare('select id from jobs where title = ?').get(title) as { id: string } | undefined
    db.close()
    if (!found) throw new Error(`There is no job named ${title}`)
    return `/jobs/${found.id}`
  }

  /** The demo yard as new, and a server that is up with the clock of the day, whatever a test before did to it. */
  async renew(): Promise<void> {
    const running = this.server !== undefined && this.server.exitCode === null && this.server.signalCode === null
    if (!running || this.startedWith !== undefined || this.special) {
      await this.kill()
      this.special = false
      this.backups = 'off'
      this.network = false
      this.clock = undefined
      this.loadDemo()
      await this.start()
    } else {
      this.loadDemo()
      // the server turns to the new file, and takes the old one's log with it, before anybody reads it
      await fetch(`${this.url}/api/health`)
    }
  }

  async end(): Promise<void> {
    await this.kill()
    rmSync(this.folder, { recursive: true, force: true })
  }

  private get environment(): NodeJS.ProcessEnv {
    return {
      ...process.env,
      NODE_ENV: 'production',
      PYRAXIS_DB: this.database,
      NEXT_TELEMETRY_DISABLED: '1',
      PYRAXIS_BACKUPS: this.backups,
      ...(this.network ? { PYRAXIS_NETWORK: 'yes' } : {}),
      PYRAXIS_LOGGER: `http://127.0.0.1:${this.loggerPort}/live.ndjson`,
      ...(this.clock ? { PYRAXIS_NOW: this.clock } : {}),
    }
  }
}

/** What a test before has left: its pages, and all that they kept in the browser but the scripts of the build. */
async function forget(context: BrowserContext, origin: string): Promise<void> {
  const blank = await context.newPage()
  for (const page of context.pages()) if (page !== blank) await page.close()
  const browser = await context.newCDPSession(blank)
  await browser.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' })
  await context.clearCookies()
}

/**
 * One server and one browser a worker; each test has the demo yard in a file of its own, and a browser that remembers
 * nothing of the test before. It keeps the scripts it has read, as a mechanic's does: half of opening a page is
 * reading them.
 */
export const test = base.extend<{ yard: Yard }, { workerYard: Yard; workerContext: BrowserContext }>({
  workerYard: [
    async ({}, use) => {
      const yard = new Yard()
      await use(yard)
      await yard.end()
    },
    { scope: 'worker' },
  ],
  workerContext: [
    async ({ playwright }, use, { project }) => {
      const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-browser-'))
      const { viewport, launchOptions } = project.use
      const context = await playwright.chromium.launchPersistentContext(folder, {
        ...launchOptions,
        viewport: viewport ?? null,
        // nothing fades in before it can be pressed
        reducedMotion: 'reduce',
        // what a device keeps for later has errands of its own
        serviceWorkers: 'block',
      })
      await use(context)
      await context.close()
      rmSync(folder, { recursive: true, force: true })
    },
    { scope: 'worker' },
  ],
  yard: async ({ workerYard }, use) => {
    await workerYard.renew()
    await use(workerYard)
  },
  context: async ({ workerContext, yard }, use) => {
    await forget(workerContext, yard.url)
    await use(workerContext)
  },
})

export { expect }

export const ready = (page: Page): Promise<void> => page.waitForSelector('html[data-ready]').then(() => undefined)
export const saved = (page: Page): Promise<void> =>
  expect(page.locator('[data-state]').first()).toHaveAttribute('data-state', 'saved')

/**
 * Opens a job of the yard by its name, straight at its page.
 * @param at what follows the job's address: a station, the sheet
 * @returns its address
 */
export async function openJob(page: Page, yard: Yard, title: string, at = ''): Promise<string> {
  const address = yard.addressOf(title)
  await page.goto(`${yard.url}${address}${at}`)
  await ready(page)
  return address
}

/** Starts a job at 1 150 m from the yard. @param job what is to be done, where it is not the machine's usual */
export async function startJob(page: Page, yard: Yard, machine: RegExp, title: string, job?: string): Promise<void> {
  await page.goto(yard.url)
  await ready(page)
  await page.getByRole('button', { name: 'Start a job' }).click()
  await page.getByRole('radio', { name: machine }).check()
  if (job) await page.getByLabel('What is to be done').selectOption({ label: job })
  await page.getByLabel('Job', { exact: true }).fill(title)
  await page.getByLabel('Height above the sea').fill('1150')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible()
}

/** Types into a reading and settles it with Enter. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true })
  await field.fill(text)
  await field.press('Enter')
}

/** The verdict that the rail shows for a margin. */
export const verdict = (page: Page, margin: string) => page.locator(`[data-margin="${margin}"] .word`)

/** Goes to a station by its place on the spine, and waits until it stands there. */
export async function go(page: Page, station: string): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: new RegExp(`${station} \\d`) })
    .click()
  await expect(page.locator('.spine [aria-current="step"]')).toContainText(station)
  await expect(page.locator('[data-coming]')).toHaveCount(0)
}

/** Opens one of the Wire station's views. */
export const wireView = (page: Page, name: string | RegExp) => page.getByRole('tab', { name }).click()

/** Chooses a size for the fan's wires at the Wire station. */
export async function takeSize(page: Page, size: string): Promise<void> {
  await wireView(page, 'Sizes and fuse')
  await page.getByRole('button', { name: `Use ${size}` }).click()
}

/** Presses each of some buttons that go once they are pressed. */
async function pressEach(button: Locator): Promise<void> {
  for (let left = await button.count(); left > 0; left = await button.count()) {
    await button.first().click()
    await expect(button).toHaveCount(left - 1)
  }
}

/** Says of everything that is needed that it lies there. */
export async function haveAll(page: Page): Promise<void> {
  await page.getByRole('tab', { name: 'Have it all' }).click()
  await expect(page.getByText('hold the start').or(page.getByText('All of it is here'))).toBeVisible()
  await pressEach(page.getByRole('button', { name: /^all \d+ of these lie here/ }))
  await pressEach(page.locator('.need button[aria-label^="here: "][aria-pressed="false"]'))
  await expect(page.getByText('All of it is here')).toBeVisible()
  await page.getByRole('tab', { name: 'All steps' }).click()
}

/** Ticks steps as far as they can be: what waits for proofs or for the setting is left. */
export async function tickSteps(page: Page): Promise<void> {
  await go(page, 'Build')
  const done = page.getByRole('button', { name: 'Done', exact: true })
  for (;;) {
    await expect(done.or(page.getByText('Every step is done'))).toBeVisible()
    if (!(await done.count())) return
    const card = page.locator('.big-step')
    const title = await card.locator('h2').textContent()
    const yes = card.getByRole('button', { name: /^yes: / })
    if (await yes.count()) {
      await yes.click()
      await expect(card.locator('.lock-word')).toHaveCount(0)
    }
    if (await card.locator('.lock-word').count()) return
    await done.click()
    await expect(card.locator('h2')).not.toHaveText(title!)
  }
}

/** Lays out what is needed and ticks every build step up to the proofs. */
export async function buildAll(page: Page): Promise<void> {
  await go(page, 'Build')
  await haveAll(page)
  await tickSteps(page)
}

/** Answers every proof: yes, or the predicted figure as measured; then puts covers back and ticks what is left. */
export async function proveAll(page: Page, { finish = true } = {}): Promise<void> {
  await go(page, 'Prove')
  await pressEach(page.locator('[aria-label^="yes: "][aria-pressed="false"]'))
  for (const proof of await page.locator('section:has(label:text-is("measured"))').all()) {
    const predicted = /Predicted ([^,]+),/.exec((await proof.textContent())!)![1]!
    await proof.getByLabel('measured').fill(predicted)
    await proof.getByLabel('measured').press('Enter')
    await expect(proof).toContainText('as predicted')
  }
  await page.getByLabel('Setting', { exact: true }).selectOption('working')
  if (!finish) return
  await tickSteps(page)
  await expect(page.getByText('Every step is done')).toBeVisible()
}

/** Accepts what is unsure, open or warned of, and signs. */
export async function acceptAndSign(page: Page, who: string): Promise<void> {
  await go(page, 'After')
  // what is to be accepted is told from the run, once it is done
  await expect(page.getByText('still being run through')).toHaveCount(0, { timeout: 120_000 })
  for (const box of await page.getByRole('checkbox', { name: /unsure|open|Warn|\w/ }).all())
    if (!(await box.isChecked()) && /^accept-/.test((await box.getAttribute('id')) ?? '')) await box.check()
  if (await page.getByLabel('Who', { exact: true }).count()) {
    await page.getByLabel('Who', { exact: true }).fill(who)
    await page.getByLabel(/^Why it may stand/).fill('told to the owner, looked at together')
    await page.getByRole('button', { name: 'Accept what is ticked' }).click()
  }
  await saved(page)
  await expect(page.getByText('still being run through')).toHaveCount(0, { timeout: 120_000 })
  await page.getByLabel('Signed by').fill(who)
  await page.getByRole('button', { name: 'Sign the job' }).click()
  await expect(page.getByText(`Signed by ${who}`)).toBeVisible()
}
