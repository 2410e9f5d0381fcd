import '@/core/words/test-support/speak-signs'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { type ComponentType, createElement } from 'react'
import { tableOf } from '@/core/diagnose'
import { stations } from '@/core/fields'
import { fieldsOf } from '@/core/job'
import { evaluate } from '@/core/margins'
import { type DrillKind, drillKinds, drillOf } from '@/core/practice'
import { quantities } from '@/core/units'
import { languages } from '@/core/words'
import { asked, bareIn, writtenIn } from '@/core/words/test-support/in-signs'
import { demoJobs, exampleShelf } from '@/formats/test-support/examples'
import { MarginWorking } from '@/stations/job-screen/MarginWorking'
import type { StationProps } from '@/stations/station'
import { type Drawn, drawn, elementsOf } from '@/stations/test-support/drawn'
import { viewedOf, views } from '@/stations/test-support/every-view'
import { addJobs, prepareJob, putParts, theStore } from '@/store'
import { phrasesIn } from './language'
import { answersFor, pagesOfJob, pagesOfYard } from './test-support/every-page'

const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-signs-'))
const before = { db: process.env.PYRAXIS_DB, now: process.env.PYRAXIS_NOW }
const shelf = exampleShelf()
const phrases = new Set(Object.keys(phrasesIn(readFileSync('words/nl.po', 'utf8'))))
const jobs = demoJobs().filter((_, n) => n !== 1)
let ids: readonly string[]

beforeAll(async () => {
  process.env.PYRAXIS_DB = path.join(folder, 'yard.db')
  process.env.PYRAXIS_NOW = '2026-01-15T09:00:00.000Z'
  const store = await theStore()
  await putParts(store, shelf)
  const prepared = jobs.map((job) => prepareJob(job)).flatMap((p) => (p.ok ? [p] : []))
  ids = await addJobs(store, prepared, process.env.PYRAXIS_NOW)
})
afterAll(async () => {
  await (await theStore()).db.destroy()
  process.env.PYRAXIS_DB = before.db
  process.env.PYRAXIS_NOW = before.now
  rmSync(folder, { recursive: true, force: true })
})

/** Whatever of a page is read or heard. */
const readOf = (page: Drawn): string[] => [
  ...[...elementsOf(page)].flatMap((e) =>
    ['script', 'style', 'template'].includes(e.tag) ? [] : e.children.filter((c) => typeof c === 'string'),
  ),
  ...[...elementsOf(page)].flatMap((e) =>
    ['aria-label', 'title', 'placeholder', 'alt', 'label', 'data-label'].flatMap((a) => e.attributes[a] ?? []),
  ),
]
const bareOn = (page: Drawn, written: unknown): string[] => [
  ...new Set(bareIn(readOf(page), writtenIn(written, phrases))),
]

test('every page speaks the other language in all that is read or heard', async () => {
  const found: Record<string, string[]> = {}
  const look = (at: string, page: Drawn, written: unknown): void => {
    found[at] = bareOn(page, written)
  }
  for (const [n, job] of jobs.entries())
    for (const [name, page] of Object.entries(pagesOfJob))
      for (const station of name === '' ? stations : [null]) {
        const asked = { params: Promise.resolve({ id: ids[n]! }), searchParams: Promise.resolve({}) }
        const at = station ? `/jobs/${ids[n]!}?station=${station}` : `/jobs/${ids[n]!}/${name}`
        look(`${job.title} ${name} ${station ?? ''}`, await drawn(await page(asked), at), [job, shelf])
      }
  // names of languages, where copies go, and units as they are typed
  const named = [...Object.values(languages), folder, 'ohm']
  const others = { ...pagesOfYard, ...answersFor(ids[0]!), ...answersFor(ids[2]!) }
  for (const [at, page] of Object.entries(others)) look(at, await drawn(await page(), at), [jobs, shelf, named])
  expect(Object.entries(found).filter(([, bare]) => bare.length)).toEqual([])
})

test('every view behind a tab or fold, too', async () => {
  const found: Record<string, string[]> = {}
  for (const name of Object.keys(views) as (keyof typeof views)[]) {
    const View: ComponentType<StationProps> = views[name]
    for (const props of viewedOf(name))
      (found[name] ??= []).push(
        ...bareOn(await drawn(createElement(View, props), '/jobs/1'), [props.job, shelf, 'npm run stand-in']),
      )
  }
  expect(Object.entries(found).flatMap(([at, bare]) => (bare.length ? [[at, [...new Set(bare)]]] : []))).toEqual([])
})

test('workings, what is told by a search, at the practice bench and in drills', async () => {
  for (const job of jobs) {
    const { margins, run } = evaluate(job)
    const fieldAt = (at: string) => fieldsOf(job).get(at)
    const nothing = () => undefined
    const on = { job, system: job.units, run, fieldAt, onRemedy: nothing, onGoTo: nothing, onClose: nothing }
    for (const margin of margins) {
      const page = await drawn(createElement(MarginWorking, { ...on, margin }), '/jobs/1')
      // the formulas' own page is English
      expect([margin.id, bareOn(page, [job, shelf, 'margins', 'engineering'])]).toEqual([margin.id, []])
    }
  }
  const told = Object.keys(drillKinds).flatMap((kind) =>
    [1, 2, 3].map((seed) => {
      const { ask, answers, working } = drillOf(kind as DrillKind, seed, jobs[0]!) ?? {}
      return [ask, answers, working]
    }),
  )
  expect(bareIn(told, writtenIn(jobs[0], phrases))).toEqual([])
  const steps = tableOf(jobs[0]!)
  let step = steps.next()
  while (!step.done) step = steps.next()
  const { moves, causes } = step.value
  const says = [
    moves.map((m) => [m.title, m.how, m.caution, m.answers?.map((a) => a.words)]),
    causes.map((c) => [c.words, c.why, Object.values(c.repair)]),
  ]
  expect(bareIn(says, writtenIn(jobs[0], phrases))).toEqual([])
})

test('whatever was asked for above stands in the catalogue', () => {
  const own = writtenIn([jobs, shelf], phrases)
  const units = Object.values(quantities).flatMap((q) => q.units.map((u) => u.symbol))
  const words = asked().filter((k) => /[a-z]{3}/.test(k) && !own.includes(k) && !units.includes(k))
  expect(words.filter((k) => !phrases.has(k))).toEqual([])
})
