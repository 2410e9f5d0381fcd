import { mkdtempSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import fc from 'fast-check'
import { stations } from '@/core/fields'
import { startedJobs } from '@/core/job/test-support/started'
import { evaluate } from '@/core/margins'
import { anyCircuit } from '@/formats/test-support/any-circuit'
import { example, exampleShelf } from '@/formats/test-support/examples'
import { inOtherUnits } from '@/formats/test-support/other-units'
import { addJobs, prepareJob, putParts, theStore } from '@/store'
import { type Drawn, drawn, elementsOf } from '@/stations/test-support/drawn'
import { metricOn, wrongWith } from '@/stations/test-support/looked-at'
import { type PageOfJob, pagesOfJob, pagesOfYard } from './test-support/every-page'

const AT = '2026-01-15T09:00:00.000Z'
const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-pages-'))
const before = { db: process.env.PYRAXIS_DB, now: process.env.PYRAXIS_NOW }

beforeAll(async () => {
  process.env.PYRAXIS_DB = path.join(folder, 'yard.db')
  process.env.PYRAXIS_NOW = AT
  await putParts(await theStore(), exampleShelf())
})
afterAll(async () => {
  await (await theStore()).db.destroy()
  process.env.PYRAXIS_DB = before.db
  process.env.PYRAXIS_NOW = before.now
  rmSync(folder, { recursive: true, force: true })
})

const demo = ['fell-bike-signed', 'vineyard-buggy-ready', 'churchyard-digger-bay', 'market-cold-trailer'].map(example)
/** one new job of each kind of work, on a machine with an engine and on a trailer */
const begun = startedJobs().filter(
  (job, n, all) => all.findIndex((o) => o.kind === job.kind && !o.trailer === !job.trailer) === n,
)
/** new ones, finished ones, and circuits of any make; every second one in the other units */
const jobs = [...begun, ...demo, ...fc.sample(anyCircuit, { seed: 18, numRuns: 2 })].map((job, n) =>
  n % 2 ? inOtherUnits(job) : { ...job, units: 'metric' as const },
)
let ids: readonly string[]

beforeAll(async () => {
  const store = await theStore()
  ids = await addJobs(
    store,
    jobs.map((job) => {
      const prepared = prepareJob(job)
      if (!prepared.ok) throw new Error(prepared.message)
      return prepared
    }),
    AT,
  )
})

async function ofJob(n: number, page: PageOfJob, at = ''): Promise<Drawn> {
  const asked = { params: Promise.resolve({ id: ids[n]! }), searchParams: Promise.resolve({}) }
  return drawn(await page(asked), `/jobs/${ids[n]!}${at}`)
}

const { '': JobPage, ...otherPages } = pagesOfJob

test.each(stations)(
  'every job is drawn at %s without a figure that is none, and every field has a name',
  async (at) => {
    for (const [n, job] of jobs.entries()) {
      const page = await ofJob(n, JobPage!, `?station=${at}`)
      expect({ job: job.title, wrong: [...wrongWith(page), ...metricOn(page, job)] }).toEqual({
        job: job.title,
        wrong: [],
      })
      // the rail tells what the margins come to
      const rail = [...elementsOf(page)].filter((e) => 'data-margin' in e.attributes)
      expect(rail.map((e) => e.attributes['data-margin'])).toEqual(evaluate(job).margins.map((m) => m.id))
    }
  },
)

test.each(Object.keys(otherPages))('%s of every job', async (name) => {
  for (const [n, job] of jobs.entries()) {
    const wrong = wrongWith(await ofJob(n, otherPages[name]!))
    expect({ job: job.title, wrong }).toEqual({ job: job.title, wrong: [] })
  }
})

test('the yard’s own pages', async () => {
  for (const [address, page] of Object.entries(pagesOfYard)) {
    const wrong = wrongWith(await drawn(await page(), address))
    expect({ address, wrong }).toEqual({ address, wrong: [] })
  }
})
