import { example, exampleShelf } from '../../formats/test-support/examples'
import { cooledAt, dutiesOf, boilsAt } from '../cooling'
import {
  answerNeeds,
  changeMount,
  type Job,
  jobKinds,
  lookupOf,
  mountsFor,
  moveFan,
  noteCoolant,
  tickStep,
  withReading,
} from '../job'
import { startedJobs } from '../job/test-support/started'
import { chosen } from '../plan/test-support/chosen'
import { Bench } from '../reading'
import { addSecondFan } from '../wiring'
import {
  coolantAccount,
  fasteningWords,
  haveOf,
  inletNeeded,
  isDry,
  missingNeeds,
  needsOfJob,
  shoppingList,
  shroudLeak,
  tiesOf,
} from '.'

const AT = '2026-03-01T10:00:00Z'
const shelf = exampleShelf()
const bike = example('fell-bike-signed')
const digger = example('churchyard-digger-bay')
const set = (job: Job, address: string, value: number): Job =>
  withReading(job, address, { value, source: 'measured', spread: 0 })
const jobs = startedJobs().flatMap((job) =>
  (jobKinds[job.kind].mountsFan ? mountsFor(job) : [job.place.mount]).map((m) => changeMount(chosen(job, shelf), m)),
)

describe('ties through the fins', () => {
  const { part } = bike.fans[0]!
  /** gaps every 10 mm: their middles at 5, 15, 25 … */
  const tied = set(changeMount(bike, 'ties'), 'cooling.tubePitchM', 0.01)
  const half = part.boltCircleM.value / 2 / Math.SQRT2
  const at = (xM: number): Job => moveFan(tied, tied.fans[0]!.id, { core: 0, xM, yM: 0.12 })

  test('by hand: four holes on a circle stand in two gaps; where they meet them nothing is off', () => {
    expect(part.fixings).toBe(4)
    const xM = 0.06
    const { gapsM, offM, lengthM } = tiesOf(at(xM))!
    const middle = (x: number) => Math.floor(x / 0.01) * 0.01 + 0.005
    const [left, right] = [xM - half, xM + half]
    expect(gapsM).toEqual([middle(left), middle(right)].map((g) => expect.closeTo(g, 4) as number))
    expect(offM).toBeCloseTo(Math.max(Math.abs(left - middle(left)), Math.abs(right - middle(right))), 6)
    // round the core and its foam, twice across, and what the head wants: longer than twice the depth
    const depth = tied.cooling!.coreThicknessM.value + tied.place.standOffM.value
    expect(lengthM).toBeGreaterThan(2 * depth)
    expect(lengthM).toBeLessThan(2 * depth + 0.08)
  })

  test('where it is moved to is no further off, and as near as half a gap', () => {
    for (let x = 0.05; x < 0.07; x += 0.0011) {
      const { snapped, snappedOffM, offM } = tiesOf(at(x))!
      expect(snappedOffM).toBeLessThanOrEqual(offM + 1e-9)
      expect(Math.abs(snapped.xM - x)).toBeLessThanOrEqual(0.005 + 1e-9)
      expect(tiesOf(at(snapped.xM))!.offM).toBeCloseTo(snappedOffM, 4)
    }
  })

  test('a hole beside the fins takes no tie, and four hold no more than 0.35 kg', () => {
    expect(tiesOf(at(0.06))!.besideFins).toBe(false)
    expect(tiesOf(at(half - 0.001))!.besideFins).toBe(true)
    expect(fasteningWords(at(half - 0.001)).join()).toMatch(/beside the fins/)
    const heavy = (kg: number) => tiesOf(set(at(0.06), `fans.${bike.fans[0]!.id}.part.massKg`, kg))!.tooHeavy
    expect([heavy(0.34), heavy(0.36)]).toEqual([false, true])
    expect(tiesOf(changeMount(bike, 'bracket'))).toBeNull()
  })
})

test('the gap round a shroud: what goes past the fins, what closing it brings, and nothing where it is closed', () => {
  const shrouded = (gapM: number): Job => set(changeMount(bike, 'shroud'), 'place.gapM', gapM)
  expect(shroudLeak(shrouded(0))).toMatchObject({ leakM3s: 0, gainM3s: 0, gainW: 0 })
  const [narrow, wide] = [shroudLeak(shrouded(0.004))!, shroudLeak(shrouded(0.012))!]
  expect(narrow.leakM3s).toBeGreaterThan(0)
  expect(wide.leakM3s).toBeGreaterThan(narrow.leakM3s)
  expect(wide.gainM3s).toBeGreaterThan(narrow.gainM3s)
  // what is told in watts is what the core carries off more once it is closed
  const carried = (job: Job): number => {
    const bench = new Bench(lookupOf(job))
    return cooledAt(bench, job, dutiesOf(job)[0]!, boilsAt(bench, job).at.c - job.limits.boilKeepK).carriedW
  }
  expect(carried(shrouded(0)) - carried(shrouded(0.012))).toBeCloseTo(wide.gainW, 6)
  expect(fasteningWords(shrouded(0)).join()).toMatch(/nothing leaks/)
  expect(shroudLeak(changeMount(bike, 'bracket'))).toBeNull()
})

test('an inlet of 1.2 annuli, hub 0.4 of the diameter, by hand; two fans want twice as much', () => {
  const { diameterM } = digger.fans[0]!.part
  const annulus = (Math.PI / 4) * diameterM.value ** 2 * (1 - 0.16)
  expect(inletNeeded(digger)!.needM2).toBeCloseTo(1.2 * annulus, 9)
  expect(inletNeeded(addSecondFan(digger, digger.fans[0]!.part))!.needM2).toBeCloseTo(2.4 * annulus, 9)
  const opened = (m2: number) => fasteningWords(set(digger, 'bay.ventInM2', m2)).join()
  expect(opened(1.19 * annulus)).toMatch(/of inlet/)
  expect(opened(1.21 * annulus)).not.toMatch(/of inlet/)
  expect(inletNeeded(bike)).toBeNull()
})

test('what a way of fastening says is said once where it is the same for both fans', () => {
  const two = addSecondFan(changeMount(bike, 'bracket'), bike.fans[0]!.part)
  expect(fasteningWords(two)).toEqual(fasteningWords(changeMount(bike, 'bracket')))
  expect(fasteningWords(changeMount(digger, 'duct')).join()).toMatch(/of hose with/)
  expect(fasteningWords({ ...bike, fans: [], runs: bike.runs.map((r) => ({ ...r, fan: null })) })).toEqual([])
})

describe('what has to lie there', () => {
  test('each thing once, each with an amount, for every kind of job and way of fastening', () => {
    for (const job of jobs) {
      const needs = needsOfJob(job, shelf)
      const ids = needs.map((n) => n.id)
      expect([job.kind, ids.filter((id, i) => ids.indexOf(id) !== i)]).toEqual([job.kind, []])
      for (const n of needs) expect([n.what, n.amount]).toEqual([n.what, expect.stringMatching(/^[1-9]|^0\.\d/)])
      // who opens nothing needs no coolant; who cuts nothing needs no drill
      const has = (what: RegExp) => needs.some((n) => what.test(n.what))
      expect([job.kind, has(/^coolant/)]).toEqual([job.kind, coolantAccount(job) !== null])
      expect([job.place.mount, has(/^ties through/)]).toEqual([
        job.place.mount,
        job.place.mount === 'ties' && jobKinds[job.kind].mountsFan,
      ])
      expect(has(/eye protection/)).toBe(has(/^drill/))
    }
  })

  test('two fans alike are two, and their ties eight; a part of the shelf is told as listed, never as here', () => {
    const two = addSecondFan(changeMount(bike, 'ties'), bike.fans[0]!.part)
    const of = (job: Job, what: string) => needsOfJob(job, shelf).find((n) => n.what.startsWith(what))!
    expect(of(bike, bike.fans[0]!.part.name).amount).toBe('1')
    expect(of(two, bike.fans[0]!.part.name).amount).toBe('2')
    expect(of(two, 'ties through').amount).toBe('8 and 8 to spare')
    expect(of(two, 'foam').amount).toBe('8')
    expect(of(two, bike.fans[0]!.part.name).shelf).toMatch(/not counted/)
    expect(needsOfJob(two, []).every((n) => n.shelf === '')).toBe(true)
  })

  test('an answer finds its thing again; gone without takes a reason and a name; the rest holds the start', () => {
    const fresh = { ...bike, build: { ...bike.build, have: [] } }
    const [first, second, third] = needsOfJob(fresh)
    const by = { by: 'me', at: AT }
    expect(missingNeeds(fresh)).toHaveLength(needsOfJob(fresh).length)
    const answered = answerNeeds(
      answerNeeds(answerNeeds(fresh, [first!.id], { here: true }, by), [second!.id], { here: false }, by),
      [third!.id],
      { here: false, why: 'borrowed' },
      by,
    )
    expect([first, second, third].map((n) => haveOf(answered, n!))).toEqual(['here', 'to get', 'without'])
    expect(haveOf(answerNeeds(answered, [third!.id], { here: false, why: '  ' }, by), third!)).toBe('to get')
    expect(shoppingList(answered, []).map((n) => n.id)).toEqual([second!.id])
    expect(missingNeeds(answered)).toHaveLength(needsOfJob(fresh).length - 2)
    expect(haveOf(answerNeeds(answered, [first!.id], null, by), first!)).toBe('not answered')
  })
})

describe('coolant, of a core that comes off', () => {
  const job = startedJobs().find((j) => j.kind === 'thicker-core')!
  const holds = job.cooling.volumeM3.value
  const at = (out: number | null, back: number | null): Job =>
    noteCoolant(
      noteCoolant(job, 'outM3', out === null ? null : { value: out, typed: 'x' }),
      'inM3',
      back === null ? null : { value: back, typed: 'x' },
    )
  const verdict = (out: number | null, back: number | null) => coolantAccount(at(out, back))!.verdict

  test('even within 5 % of what it holds, and 50 ml at least; more than it holds is one figure wrong', () => {
    const slack = Math.max(0.05 * holds, 50e-6)
    const out = 0.8 * holds
    expect(verdict(null, null)).toBe('open')
    expect(verdict(out, null)).toBe('open')
    expect([verdict(out, out - 0.99 * slack), verdict(out, out + 0.99 * slack)]).toEqual(['even', 'even'])
    expect(verdict(out, out - 1.01 * slack)).toBe('too little went in')
    expect(verdict(out, out + 1.01 * slack)).toBe('more went in')
    expect(verdict(holds + 1.01 * slack, null)).toBe('more than it holds')
    expect(coolantAccount(at(out, null))!.leftM3).toBeCloseTo(holds - out, 12)
    expect(coolantAccount(bike)).toBeNull()
  })

  test('an engine is dry from the first drop out until it is ticked as filled', () => {
    expect(isDry(at(null, null))).toBe(false)
    expect(isDry(at(holds / 2, null))).toBe(true)
    expect(isDry(tickStep(job, 'drain', AT))).toBe(true)
    expect(isDry(tickStep(tickStep(job, 'drain', AT), 'refill', AT))).toBe(false)
  })
})
