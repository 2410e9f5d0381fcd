import { example } from '../../formats/test-support/examples'
import {
  addBought,
  addCare,
  addDebt,
  addObservation,
  beginSearch,
  changeCare,
  endSearch,
  type Job,
  leaveSetting,
  noteUnplanned,
  payDebt,
} from '../job'
import { changesOfLife, lifeKinds } from './life-events'

const at = (day: number): string => `2026-03-${String(day).padStart(2, '0')}T10:00:00.000Z`
const by = (day: number) => ({ by: 'Bench one', at: at(day) })
const taken = (job: Job | { readonly full: string }): Job => {
  if ('full' in job) throw new Error(job.full)
  return job
}

/** A bike with nothing told of it but that it was begun. */
const bare: Job = {
  ...example('fell-bike-signed'),
  signature: null,
  ended: null,
  settings: [],
  bought: [],
  observations: [],
  after: [],
  debts: [],
  traces: [],
  searches: [],
  build: { ...example('fell-bike-signed').build, unplanned: [] },
}

const story: readonly ((job: Job) => Job)[] = [
  (j) =>
    taken(
      addBought(j, {
        what: 'fan',
        number: 'A7',
        from: 'a shop',
        count: 2,
        price: 30,
        warrantyUntil: '2028-03-01',
        at: '2026-03-02',
      }),
    ),
  (j) =>
    taken(
      leaveSetting(
        j,
        { controller: 'controller1', startsC: 88, stopsC: 83, purpose: 'summer', why: 'hot month' },
        by(3),
      ),
    ),
  (j) => taken(addDebt(j, { what: 'tape on a sleeve', why: 'no tube', dangerous: true, until: null }, by(4))),
  (j) => payDebt(j, j.debts[0]!.id, { how: 'shrunk tube' }, by(5)),
  (j) => taken(noteUnplanned(j, 'mount', 'something is broken', 'a clip', by(6))),
  (j) =>
    taken(
      addObservation(j, {
        kind: 'temperature',
        at: at(7),
        by: '',
        state: 'as fitted',
        place: '',
        work: 'slow',
        airC: 20,
        fromC: null,
        toC: null,
        forS: 600,
        seen: 92,
        how: 'by a thermometer',
        spread: null,
        typed: '92',
        doubted: true,
      }),
    ),
  (j) => taken(addCare(j, 'bolts after a month', '2026-04-01')),
  (j) => changeCare(j, j.after.at(-1)!.id, { doneOn: '2026-03-08', found: 'one was loose' }),
  (j) => taken(beginSearch(j, [{ move: 'noise', found: 'rubs', typed: '' }], at(9))),
  (j) =>
    endSearch(j, j.searches[0]!.id, {
      cause: 'x',
      words: 'the blade rubs',
      repair: 'bent back',
      proof: 'it is quiet',
      by: 'Bench one',
      at: at(9),
    }),
]
const lived = story.reduce((job, happens) => happens(job), bare)

test('each thing that happened stands in its life once, at its time, of its kind', () => {
  expect(changesOfLife(bare).map((e) => e.kind)).toEqual(['job'])
  const told = changesOfLife(lived)
  expect(told.map((e) => `${e.at.slice(0, 10)} ${e.kind}`).sort()).toEqual(
    [
      `${bare.startedOn} job`,
      '2026-03-02 part',
      '2026-03-03 setting',
      '2026-03-04 for now',
      '2026-03-05 for now',
      '2026-03-06 not as planned',
      '2026-03-07 seen',
      '2026-03-08 looked at',
      '2026-03-09 fault',
    ].sort(),
  )
  for (const e of told) expect(lifeKinds).toContain(e.kind)
  const line = (kind: string) => told.find((e) => e.kind === kind)!
  expect(line('part')).toMatchObject({ what: '2 × fan', about: 'no. A7, from a shop, warranty until 2028-03-01' })
  expect(line('for now').about).toMatch(/nobody drives with it/)
  expect(line('seen').about).toBe('doubted')
  expect(line('fault')).toMatchObject({ what: 'Found: the blade rubs', about: 'bent back (Bench one). it is quiet' })
})

test('what is not done yet is no part of a life: a look that is due, a search that goes on', () => {
  const due = taken(addCare(bare, 'bolts after a month', '2026-04-01'))
  const sought = taken(beginSearch(due, [{ move: 'noise', found: 'rubs', typed: '' }], at(9)))
  expect(changesOfLife(sought).map((e) => e.kind)).toEqual(['job'])
})

test('a signature and an end say who and why; temperatures are told in the units of their job', () => {
  const signed: Job = { ...bare, signature: example('fell-bike-signed').signature }
  expect(changesOfLife(signed).map((e) => e.what)).toContain(`Signed: ${bare.title}`)
  const ended: Job = { ...bare, ended: { why: 'another cure', note: 'a loose clip', by: 'Bench two', at: at(3) } }
  expect(changesOfLife(ended).at(-1)).toMatchObject({ about: 'a loose clip, Bench two' })
  const setting = (job: Job) => changesOfLife(job).find((e) => e.kind === 'setting')!.what
  expect(setting(lived)).toMatch(/^Left at 88.* °C on, 83.* °C off, for summer$/)
  // 88 · 1.8 + 32 = 190.4, 83 · 1.8 + 32 = 181.4
  expect(setting({ ...lived, units: 'imperial' })).toMatch(/^Left at 190 °F on, 181 °F off/)
})
