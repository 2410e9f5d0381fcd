// npm run bench: medians on this machine, by hand; nothing here is a test
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import net from 'node:net'
import { createRequire } from 'node:module'
import os from 'node:os'
import path from 'node:path'
import { chromium, type Page } from '@playwright/test'
import Sqlite from 'better-sqlite3'
import { judgeSchemes, settingMap, wiredAs } from '../src/core/advice'
import { movedBy } from '../src/core/cooling'
import { type Job, lookupOf, startJob } from '../src/core/job'
import { evaluate, sample } from '../src/core/margins'
import type { FanPart } from '../src/core/parts'
import { ranked, searchPlacements } from '../src/core/placing'
import { runSpecOf, settledFindings, simulate, usualCircumstances } from '../src/core/run'
import { integrate, STATES, type Plant } from '../src/core/transient'
import { allStates, Circuit, runningHot } from '../src/core/circuit'
import { circuitDrawing, circuitGraph } from '../src/core/drawing'
import { netlistOf, provedCircuit } from '../src/core/wiring'
import { Bench } from '../src/core/reading'
import { layOut } from '../src/layout/circuit-layout'
import { readJobFile, readShelfFile } from '../src/formats'
import { addJobs, openStore, prepareJob, readHead, readYard, saveJob } from '../src/store'

const read = readJobFile(readFileSync('examples/fell-bike-short-at-idle.job.json', 'utf8'))
if (!read.ok) throw new Error(read.message)
const { job } = read

const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!
const say = (what: string, ms: number, aim: string): void => {
  process.stdout.write(`${what.padEnd(64)}${ms.toFixed(1).padStart(8)} ms   ${aim}\n`)
}

function time(runs: number, work: (job: Job) => void): number {
  for (let n = 0; n < 20; n++) work({ ...job })
  return median(
    Array.from({ length: runs }, () => {
      const copy = { ...job }
      const began = performance.now()
      work(copy)
      return performance.now() - began
    }),
  )
}

/** Medians of asynchronous work. */
async function timeAsync(runs: number, work: (n: number) => Promise<unknown>): Promise<number> {
  for (let n = 0; n < 3; n++) await work(-1 - n)
  const times: number[] = []
  for (let n = 0; n < runs; n++) {
    const began = performance.now()
    await work(n)
    times.push(performance.now() - began)
  }
  return median(times)
}

const YARD = 5000
const TODAY = '2026-01-15'

/** A yard of many jobs, its first page, and one save: in the store alone, against the same rows by plain SQL. */
async function inStore(file: string): Promise<void> {
  const store = await openStore(file)
  const began = performance.now()
  const kinds = ['trail-bike', 'side-by-side', 'digger-air', 'trailer'] as const
  const ready = Array.from({ length: YARD }, (_, i) =>
    prepareJob(
      i % 3
        ? { ...job, title: `Job ${i}`, promisedOn: `2026-0${1 + (i % 9)}-1${i % 10}` }
        : startJob({
            title: `Job ${i}`,
            kind: kinds[i % 4]!,
            machineName: `Machine ${i % 900}`,
            owner: `Owner ${i % 300}`,
            units: 'metric',
            startedOn: TODAY,
            promisedOn: null,
          }),
    ),
  )
  await addJobs(
    store,
    ready.filter((p) => p.ok),
    `${TODAY}T08:00:00.000Z`,
  )
  say(`${YARD} jobs worked out and put in, each`, (performance.now() - began) / YARD, '')
  const raw = new Sqlite(file, { readonly: true })
  const page = raw.prepare(
    'select id, title, summary, summary_core from jobs order by closed, promise, created_at limit 50',
  )
  const counts = raw.prepare('select count(*), sum(1 - closed) from jobs')
  const due = raw.prepare(
    "select id, title, json_extract(summary, '$.care') from jobs where due <= ? order by due limit 40",
  )
  const promised = raw.prepare(
    'select id, title, promise from jobs where closed = 0 and promise <= ? order by promise limit 40',
  )
  const sql = await timeAsync(60, async () => {
    page.all()
    counts.all()
    due.all(TODAY)
    promised.all(TODAY)
  })
  const yard = await timeAsync(60, () => readYard(store, TODAY))
  say(
    `first page of a yard of ${YARD}, in the store`,
    yard,
    `aim < 100 ms; ${(yard / sql).toFixed(1)} × the raw SQL (${sql.toFixed(2)} ms)`,
  )
  const { id } = (await readYard(store, TODAY)).entries[0]!
  const head = (await readHead(store, id))!
  let from = head.revision
  say(
    'one save, in the store, on disk when it is told',
    await timeAsync(60, async (n) => {
      const saved = await saveJob(store, id, {
        from,
        key: `bench-save-${n}`,
        job: { ...head.job, title: `Job, save ${n}` },
        at: `${TODAY}T09:00:00.000Z`,
      })
      if (saved.kind === 'saved') from = saved.revision
    }),
    '',
  )
  raw.close()
  await store.db.destroy()
}

/** From the key going down to the frame in which the margin is painted. */
async function keystroke(page: Page): Promise<number> {
  const times: number[] = []
  await page.locator('[data-address="place.freeDepthM"] input').focus()
  for (let n = 0; n < 15; n++) {
    await page.evaluate(() => {
      addEventListener(
        'keydown',
        () => {
          const began = performance.now()
          const figure = document.querySelector('[data-margin="fit"] .figure-text')!
          new MutationObserver((_, seen) => {
            seen.disconnect()
            requestAnimationFrame(() => {
              const done = new MessageChannel()
              done.port1.onmessage = () => {
                document.documentElement.dataset.took = String(performance.now() - began)
              }
              done.port2.postMessage(0)
            })
          }).observe(figure, { characterData: true, childList: true, subtree: true })
        },
        { once: true, capture: true },
      )
    })
    await page.keyboard.press(n % 2 ? 'Backspace' : '5')
    await page.waitForTimeout(250)
    times.push(Number(await page.evaluate(() => document.documentElement.dataset.took)))
  }
  return median(times)
}

/**
 * The fan dragged up and down with the margins following: milliseconds from frame to frame, and the share of frames in
 * time for 60 a second.
 */
async function dragging(page: Page): Promise<{ readonly frame: number; readonly inTime: number }> {
  const fan = page.getByRole('button', { name: /: drag it/ }).first()
  const box = (await fan.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  // as text: what is compiled here would bring helpers that the page does not have
  await page.evaluate(
    'window.frames_ = []; window.last_ = performance.now(); requestAnimationFrame(function tick(now) { ' +
      'window.frames_.push(now - window.last_); window.last_ = now; requestAnimationFrame(tick) })',
  )
  for (let n = 0; n < 150; n++) {
    await page.mouse.move(x, y + 60 * Math.sin(n / 12))
    await page.waitForTimeout(8)
  }
  const frames = await page.evaluate(() => (window as unknown as { frames_: number[] }).frames_.slice(5))
  await page.mouse.up()
  return { frame: median([...frames]), inTime: frames.filter((f) => f < 20).length / frames.length }
}

/** A port that nothing listens on: a server left over from a broken run would serve pages of an older build. */
const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo
      probe.close(() => resolve(port))
    })
  })

async function inBrowser(folder: string): Promise<void> {
  const port = await freePort()
  const url = `http://127.0.0.1:${port}`
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    { env: { ...process.env, PYRAXIS_DB: path.join(folder, 'bench.db') }, stdio: 'ignore' },
  )
  try {
    for (
      let n = 0;
      n < 100 &&
      !(await fetch(`${url}/icon.svg`).then(
        () => true,
        () => false,
      ));
      n++
    )
      await new Promise((resolve) => setTimeout(resolve, 100))
    say(
      'first page of that yard, over HTTP, drawn on the server',
      await timeAsync(20, async () => (await fetch(url)).text()),
      'aim < 100 ms',
    )
    const { id } = (await (
      await fetch(`${url}/api/import`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: readFileSync('examples/fell-bike-short-at-idle.job.json'),
      })
    ).json()) as { id: string }
    let from = 1
    say(
      'one save, there and back over HTTP',
      await timeAsync(40, async (n) => {
        const answer = (await (
          await fetch(`${url}/api/jobs/${id}/revisions`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ from, key: `bench-http-${n}`, job: { ...job, title: `Save ${n}` } }),
          })
        ).json()) as { revision?: number }
        from = answer.revision ?? from
      }),
      '',
    )
    const browser = await chromium.launch({
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    })
    const opened = async (address: string, until: string): Promise<number> => {
      const times: number[] = []
      for (let n = 0; n < 9; n++) {
        const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
        const began = performance.now()
        await page.goto(`${url}${address}`, { waitUntil: 'commit' })
        await page.waitForSelector(until, { state: 'attached' })
        times.push(performance.now() - began)
        await page.context().close()
      }
      return median(times)
    }
    const empty = await opened('/nowhere', 'main')
    const screen = await opened(`/jobs/${id}?station=place`, 'html[data-ready]')
    say('an empty page of the same stack, shown', empty, '')
    say('job screen, interactive', screen, `aim < 1000 ms; ${(screen / empty).toFixed(1)} × the empty page`)
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(`${url}/jobs/${id}?station=measure`)
    await page.waitForSelector('html[data-ready]')
    say('keystroke to painted margin', await keystroke(page), 'aim < 50 ms')
    await page.goto(`${url}/jobs/${id}?station=place`)
    await page.waitForSelector('html[data-ready]')
    await page.waitForTimeout(1500)
    const { frame, inTime } = await dragging(page)
    say(
      'fan dragged, frame to frame, margins following',
      frame,
      `aim 16.7 ms; ${Math.round(100 * inTime)} % of frames in time`,
    )
    await browser.close()
  } finally {
    server.kill('SIGKILL')
    rmSync(folder, { recursive: true, force: true })
  }
}

/** the adaptive solver as it is used here; its own types do not pass strict checks */
interface AdaptiveSolver {
  absoluteTolerance: number
  relativeTolerance: number
  maxSteps: number
  solve(rates: (t: number, y: number[]) => number[], from: number, y: readonly number[], to: number): { y: number[] }
}

/**
 * Runs: eight hours beside a general adaptive solver on the same equations, a sweep of settings, findings with all
 * spreads.
 */
function runs(): void {
  const hours = (n: number) => ({
    name: 'bench',
    from: 'hand' as const,
    legs: Array.from({ length: n }, (_, i) =>
      [
        ['idle', 10],
        ['slow', 30],
        ['speed', 20],
      ].map(([work, minutes], k) => ({
        id: `l${i}-${k}`,
        name: String(work),
        work: work as 'idle',
        seconds: 60 * Number(minutes),
        speedMs: null,
        loadShare: null,
        rpm: null,
        airC: null,
        grade: null,
        heightM: null,
      })),
    ).flat(),
  })
  const eight = (): void => {
    simulate({ ...job, duty: hours(8) }, usualCircumstances, { everyS: 1 })
  }
  for (let n = 0; n < 3; n++) eight()
  const mine = median(
    Array.from({ length: 7 }, () => {
      const began = performance.now()
      eight()
      return performance.now() - began
    }),
  )
  // the other solver has no points at which a fan switches: both run without one, leg by leg, to the same accuracy
  const still = { ...usualCircumstances, fan: 'none' as const }
  const { Solver } = createRequire(import.meta.url)('odex') as { Solver: new (n: number) => AdaptiveSolver }
  const spec = () => runSpecOf(new Bench(lookupOf(job)), job, still, hours(8))
  const fixed = median(
    Array.from({ length: 5 }, () => {
      const s = spec()
      const began = performance.now()
      integrate(s, { everyS: 60 })
      return performance.now() - began
    }),
  )
  const adaptive = (): void => {
    const { plant, legs }: { plant: Plant; legs: ReturnType<typeof spec>['legs'] } = spec()
    const y = new Float64Array(STATES)
    const dy = new Float64Array(STATES)
    plant.begin(legs[0]!)
    plant.settle(y, legs[0]!.airC)
    const solver = new Solver(STATES)
    solver.absoluteTolerance = solver.relativeTolerance = 1e-5
    solver.maxSteps = 1e6
    let at = [...y]
    for (const leg of legs) {
      plant.begin(leg)
      plant.blow(new Float64Array(0))
      at = solver.solve(
        (_, now) => {
          y.set(now)
          plant.rates(y, dy)
          return [...dy]
        },
        0,
        at,
        leg.seconds,
      ).y
    }
  }
  const other = median(
    Array.from({ length: 3 }, () => {
      const began = performance.now()
      adaptive()
      return performance.now() - began
    }),
  )
  say('eight hours run, 0.2 s a step, fan switching', mine, 'aim < 300 ms')
  say(
    'the same without a fan; an adaptive solver beside it',
    fixed,
    `it takes ${other.toFixed(0)} ms, ${(other / fixed).toFixed(1)} ×`,
  )
  const twoHours = { ...job, duty: hours(2) }
  const began = performance.now()
  const steps = settingMap(twoHours, null)
  let cells = 0
  for (let s = steps.next(); !s.done; s = steps.next()) cells = s.value.done
  const each = (performance.now() - began) / (3 * cells)
  say(`a sweep of 400 runs of two hours (${3 * cells} run)`, 400 * each, 'aim < 10 000 ms on two cores, in its worker')
  const settled = performance.now()
  const found = settledFindings(job, '2026-01-15T10:00:00.000Z')
  say('findings of a job, every spread', performance.now() - settled, 'in its worker')
  say(
    'evaluate(job, run)',
    time(200, (j) => evaluate(j, found)),
    'aim < 5 ms',
  )
  say(
    'sample(job, run)',
    time(20, (j) => sample(j, found)),
    'aim < 50 ms, in its worker',
  )
}

say(
  'evaluate(job)',
  time(200, (j) => evaluate(j)),
  'aim < 5 ms',
)
const shelf = readShelfFile(readFileSync('examples/shelf.json', 'utf8'))
const fans = shelf.ok ? shelf.parts.filter((p): p is FanPart => p.kind === 'fan') : []
say(
  'one operating point, fan on core',
  time(400, (j) => movedBy(new Bench(lookupOf(j)), j)),
  '',
)
say(
  `best places of ${fans.length} fans on two cores, both sides`,
  time(20, (j) => ranked([...searchPlacements(j, fans)])),
  'aim < 1000 ms, in its worker',
)
const parts = shelf.ok ? shelf.parts : []
const wired = wiredAs(
  {
    ...job,
    use: { ...job.use, live: 'after-run' },
    wiring: { ...job.wiring, intent: { ...job.wiring.intent, control: 'thermostat and override' } },
  },
  'fed relay',
  parts,
)
const circuit = netlistOf(wired)
say(
  `table of ${allStates(new Circuit(circuit)).length} states, ${new Circuit(circuit).nodes.length} nodes`,
  time(200, () => allStates(new Circuit(circuit))),
  'aim < 5 ms for 32',
)
say(
  'netlist and proof of a job, everything anew',
  time(100, (j) => provedCircuit({ ...j, wiring: wired.wiring, runs: wired.runs, relays: wired.relays })),
  '',
)
say(
  'every way of wiring judged',
  time(10, (j) => judgeSchemes({ ...j }, parts)),
  'in its worker',
)
const graph = circuitGraph(circuit)
const laid = await layOut(graph)
say('circuit laid out', await timeAsync(20, () => layOut(graph)), 'aim < 50 ms with the next, in its worker')
say(
  'circuit drawn from its layout, with its state',
  time(100, () => {
    const c = runningHot
    circuitDrawing('c', circuit, graph, laid, { conditions: c, solution: new Circuit(circuit).solve(c), figures: true })
  }),
  '',
)
say(
  'sample(job), 512 samples',
  time(40, (j) => sample(j)),
  'aim < 50 ms, in its worker',
)
runs()
const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-bench-'))
await inStore(path.join(folder, 'bench.db'))
await inBrowser(folder)
