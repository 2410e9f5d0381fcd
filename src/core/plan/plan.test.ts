import { example, examplesOf } from '@/formats/test-support/examples'
import { nearestSetting } from '../control'
import {
  careDays,
  changeDuct,
  changeFuse,
  changeSetting,
  type Job,
  lookAtHold,
  mechanicalHolds,
  takesMechanicalFan,
  withReading,
} from '../job'
import { evaluate } from '../margins'
import { format } from '../units'
import { addSecondFan, relayEach } from '../wiring'
import { addDays, asPredicted, daysBetween, proofsOf, stepsOf, whatToPress } from '../build'
import { benchSheet } from '../sheets'
import { filled, keepsSignature, nextThing, planWarnings, signed, signing, takenOn, withoutStaleSignature } from '.'

const done = example('fell-bike-signed')
const open: Job = { ...done, signature: null }
const blockers = (job: Job): string => signing(job, evaluate(job)).blockers.join(' ')

test('a finished job is ready; without its fuse nothing lets it be signed', () => {
  expect(signing(open, evaluate(open)).ready).toBe(true)
  const bare = changeFuse(open, null)
  const everything: Job = {
    ...bare,
    acceptances: [
      ...bare.acceptances,
      ...(['unsure', 'open', 'warning'] as const).map((verdict) => ({
        margin: 'fuse' as const,
        part: 'carries',
        verdict,
        worst: null,
        who: 'me',
        at: '2026-01-01T00:00:00Z',
        why: 'because',
      })),
    ],
  }
  expect(signing(everything, evaluate(everything))).toMatchObject({ ready: false })
  expect(blockers(everything)).toMatch(/No fuse fitted/)
})

test(
  'a short margin, an unmade step, an unanswered or failed proof and a test setting block; an unsure margin ' +
    'waits for a name',
  () => {
    // what cannot burn may be short by name, once the owner was told
    const low = changeSetting(open, 'controller1', 70, 5)
    const short = signing(low, evaluate(low)).toAccept.filter((a) => a.verdict === 'short')
    expect(short.length).toBeGreaterThan(0)
    expect(short.every((a) => a.margin === 'trigger' && !a.accepted)).toBe(true)
    expect(blockers({ ...open, build: { ...open.build, done: open.build.done.slice(1) } })).toMatch(
      /1 build step not ticked/,
    )
    expect(blockers({ ...open, proofs: open.proofs.slice(1) })).toMatch(/1 proof not answered/)
    expect(
      blockers({ ...open, proofs: open.proofs.map((p) => (p.id === 'turns' ? { ...p, answer: 'no' as const } : p)) }),
    ).toMatch(/Proof failed: It turns/)
    expect(blockers({ ...open, setting: { state: 'test' } })).toMatch(/test setting/)
    expect(signing({ ...open, acceptances: [] }, evaluate(open))).toMatchObject({ ready: false, blockers: [] })
  },
)

test('an acceptance covers what is no worse than what was accepted', () => {
  const warned = (job: Job) => signing(job, evaluate(job)).toAccept.find((a) => a.part === 'jammed fan')!.accepted
  const longer = (lengthM: number): Job =>
    withReading(open, 'conductors.feed1.lengthM', { value: lengthM, source: 'measured' })
  expect([warned(open), warned(longer(0.8)), warned(longer(2.4))]).toEqual([true, true, false])
})

test('a signature stays through aftercare and falls with any other change', () => {
  const cared: Job = { ...done, after: done.after.map((a) => ({ ...a, doneOn: '2026-02-01' })) }
  expect(keepsSignature(done, cared)).toBe(true)
  expect(withoutStaleSignature(done, changeSetting(done, 'controller1', 88, 5)).signature).toBeNull()
  expect(keepsSignature(open, done)).toBe(false)
  expect(
    signed({ ...open, after: open.after.map((a) => ({ ...a, dueOn: null })) }, 'me', '2026-03-01T10:00:00Z').after.map(
      (a) => a.dueOn,
    ),
  ).toEqual(['2026-03-02', '2026-03-08', '2026-03-31'])
})

test('steps come from the choices: battery and then the fuse last, coolant only if the core comes off', () => {
  const ids = (job: Job): string[] => stepsOf(job).map((s) => s.id)
  expect(ids(open)).not.toContain('drain')
  expect(ids(open).slice(-5)).toEqual(['battery-on', 'fuse-in', 'working-setting', 'covers', 'last-look'])
  const off = ids({ ...open, place: { ...open.place, mount: 'bracket' } })
  expect(off).toEqual(expect.arrayContaining(['drain', 'core-off', 'core-on', 'refill']))
  expect(off.indexOf('drain')).toBeLessThan(off.indexOf('mount'))
  expect(off.indexOf('battery-off')).toBeLessThan(off.indexOf('drain'))
})

test('predictions bracket what an honest meter shows', () => {
  const volts = proofsOf(open).find((p) => p.id === 'volts')!.predicted!
  expect(volts.low).toBeLessThan(volts.value)
  expect(volts.value).toBeLessThan(14.2)
  expect(asPredicted(volts, 12)).toBe(false)
  expect(asPredicted(volts, volts.value)).toBe(true)
})

test("what to press is the controller's own description with the figures in it", () => {
  const { part } = open.controllers[0]!
  expect(whatToPress(part, 87, 5).join(' ')).toMatch(/87 °C.*band of 5 K.*on at 87 °C, off at 82 °C/)
  // one whose display counts in °F is only ever set to what it can show, in whatever units the job is written
  const range = { minC: 10, maxC: 115, stepK: 5 / 9, bandMinK: 10 / 9, bandMaxK: 50 / 9 }
  const { setC, bandK } = nearestSetting(91, 5.1, range)
  const pressed = whatToPress({ ...part, shows: '°F', range }, setC, bandK).join(' ')
  expect(pressed).toMatch(/196 °F.*band of 9 °F.*on at 196 °F, off at 187 °F/)
})

test('the sheet reads in working order and tells of a missing fuse', () => {
  const sheet = benchSheet(changeFuse(open, null), evaluate(changeFuse(open, null)))
  expect(sheet.sections.map((s) => s.heading.replace(/,.*/, ''))).toEqual([
    'Job and complaint',
    'Setting and keys',
    'Steps',
    'Cut list',
    'Cautions',
    'Proof against prediction',
    'Signature',
    'Before anything comes apart',
    'Readings',
    'What was seen',
    'Margins',
    'Parts and wire',
    'Circuit',
    'Labels for the wire ends',
    'Place',
    'Steps in full',
  ])
  // what lies on the bench comes before what is looked up
  expect(sheet.sections.findIndex((s) => s.annex === true)).toBe(7)
  expect(JSON.stringify(sheet)).toMatch(/NONE FITTED/)
})

test('next: a call that is due comes before everything', () => {
  expect(nextThing(done, evaluate(done), '2026-01-15').text).toMatch(/Ring the owner/)
  expect(nextThing(done, evaluate(done), '2026-01-10').text).toMatch(/on 2026-01-15/)
  const short = example('fell-bike-short-at-idle')
  expect(nextThing(short, evaluate(short), '2026-01-15')).toMatchObject({ station: 'power' })
  expect(filled(done, 'prove')).toMatchObject({ left: '' })
})

test('days', () => {
  expect(addDays('2026-02-27', 2)).toBe('2026-03-01')
  expect(daysBetween('2026-02-27', '2026-03-01')).toBe(2)
})

test('a job signed before circuits were asked about stays good; signed today it is held against what was asked', () => {
  const bike = example('fell-bike-signed')
  const always: Job = { ...bike, wiring: { ...bike.wiring, controlFrom: 'feed' } }
  const under = (coreVersion: string) =>
    signing({ ...always, signature: { ...bike.signature!, coreVersion } }, evaluate(always))
  expect(under('1.2.0').ready).toBe(true)
  expect(under('1.3.0').blockers.join()).toMatch(
    /does not do what you asked for\. Parked and hot: the fan runs, you asked for key only/,
  )
  expect(signing({ ...always, signature: null }, evaluate(always)).ready).toBe(false)
  const open = { ...always, signature: null, after: [] }
  expect(nextThing(open, evaluate(open), '2026-01-10')).toMatchObject({
    station: 'wire',
    text: expect.stringMatching(/^Wire: parked and hot: the fan runs/) as string,
  })
})

describe('two fans, staged', () => {
  const gale = examplesOf('fan').find((f) => f.id !== open.fans[0]!.part.id && f.ratedV === 12)!
  const relay = examplesOf('relay').find((r) => r.coilV === 12)!
  const second = addSecondFan(open, gale)
  const each = relayEach(second, relay)
  const [first] = each.controllers
  const staged: Job = {
    ...each,
    controllers: [first!, { ...first!, id: 'controller2', setC: first!.setC + 5 }],
    runs: each.runs.map((r, i) => (i === 1 ? { ...r, controller: 'controller2' } : r)),
    fuses: each.fuses.map((f, i) => (i === 1 ? { ...f, ratingA: 3 } : f)),
  }
  const sheet = benchSheet(staged, evaluate(staged))
  const rowsOf = (heading: string): string[] =>
    sheet.sections.find((s) => s.heading === heading)!.table!.rows.map((r) => r.join(' | '))

  test('the sheet lists both fans, both fuses, both settings and every lead', () => {
    const parts = rowsOf('Parts and wire')
    expect(parts).toEqual(expect.arrayContaining([expect.stringContaining(`fan, fan 2 | ${gale.name}`)]))
    expect(parts.filter((r) => r.startsWith('fuse')).map((r) => / (\S+ A) /.exec(r)![1])).toEqual([
      `${staged.fuses[0]!.ratingA} A`,
      '3 A',
    ])
    const setting = sheet.sections.find((s) => s.heading === 'Setting and keys')!.lines
    const on = (c: number): string => `on ${format(c, 'temperature', staged.units)}`
    expect(setting.join(' ')).toContain(on(first!.setC))
    expect(setting.join(' ')).toContain(on(first!.setC + 5))
    expect(rowsOf('Place').filter((r) => r.startsWith("fan's lead"))).toHaveLength(2)
    expect(stepsOf(staged).find((s) => s.id === 'fuse-in')!.tell).toContain('and 3 A for fan 2')
  })

  test('each fan is proved, and an unproved second one stands before the signature', () => {
    const ids = proofsOf(staged).map((p) => p.id)
    const of = staged.runs[1]!.id
    expect(ids).toEqual(
      expect.arrayContaining(['turns', `turns-${of}`, 'amps', `amps-${of}`, 'starts', `starts-${of}`]),
    )
    expect(new Set(ids).size).toBe(ids.length)
    const amps = (id: string): number => proofsOf(staged).find((p) => p.id === id)!.predicted!.value
    expect(amps(`amps-${of}`)).not.toBeCloseTo(amps('amps'), 2)
    const proved = open.proofs.map((p) => p.id)
    expect(proved).toContain('turns')
    expect(blockers(staged)).toMatch(/8 proofs not answered/)
    // one controller for both: what it does is proved once, what each fan does is proved for each
    const shared = proofsOf(each).map((p) => p.id)
    expect(shared).toContain(`amps-${of}`)
    expect(shared).not.toContain(`starts-${of}`)
  })
})

test('a flap in the hose is turned twice a year: it brings its days, and takes them with it', () => {
  const trailer = example('market-cold-trailer')
  const with_ = changeDuct(trailer, { splitter: true })
  expect(with_.after.map((a) => a.id)).toEqual([...trailer.after.map((a) => a.id), 'flap-winter', 'flap-summer'])
  expect(changeDuct(with_, { splitter: true, bends: 2 }).after).toEqual(with_.after)
  expect(changeDuct(with_, { splitter: false }).after).toEqual(trailer.after)
  const done = { ...with_, after: with_.after.map((a) => ({ ...a, doneOn: '2026-10-01' })) }
  expect(changeDuct(done, { splitter: false }).after).toHaveLength(done.after.length)
  expect([careDays('flap-winter', '2026-09-30'), careDays('flap-winter', '2026-10-01')]).toEqual([1, 365])
  expect(careDays('flap-summer', '2026-11-29')).toBe(123)
  expect(planWarnings(changeDuct(with_, { leadsTo: 'the cab' })).map((w) => w.id)).toContain('flap')
})

test('a mechanical fan that comes off brings its step, and what it held is made good before it is signed', () => {
  const bike = example('fell-bike-short-at-idle')
  expect(stepsOf(bike).some((s) => s.id === 'mechanical-fan-off')).toBe(false)
  const off = takesMechanicalFan(bike, true)
  expect(
    planWarnings(off)
      .map((w) => w.text)
      .join(),
  ).toMatch(/7 of 7 things/)
  const looked = mechanicalHolds.reduce((j, id) => lookAtHold(j, id, { holds: id === 'pulley' }), off)
  expect(planWarnings(looked).map((w) => w.id)).toContain('mechanical pulley')
  const good = lookAtHold(looked, 'pulley', { madeGood: '8 mm shorter bolts' })
  expect(planWarnings(good).some((w) => w.id.startsWith('mechanical'))).toBe(false)
  expect(stepsOf(good).find((s) => s.id === 'mechanical-fan-off')!.tell).toMatch(/8 mm shorter bolts/)
  expect(takesMechanicalFan(good, false)).toEqual(bike)
})

test('what was taken on is told in the words in which it was asked, on the sheet and on the card alike', () => {
  const bike = example('fell-bike-signed')
  const evaluation = evaluate(bike)
  const told = takenOn(bike, evaluation)
  expect(told).toHaveLength(bike.acceptances.length)
  const asked = evaluation.margins.flatMap((m) =>
    m.parts.map((p) => ({ id: `${m.id} ${p.id}`, words: `${m.name} unsure ${p.name}` })),
  )
  const warned = signing(bike, evaluation).toAccept.filter((t) => t.verdict === 'warning')
  for (const t of told)
    expect(t.what).toBe(
      t.verdict === 'warning'
        ? warned.find((w) => w.margin === t.margin && w.part === t.part)!.text.replace(/\.$/, '')
        : asked.find((w) => w.id === `${t.margin} ${t.part}`)!.words,
    )
  const sheet = JSON.stringify(benchSheet(bike, evaluation))
  for (const t of told) expect(sheet).toContain(JSON.stringify(`Accepted: ${t.what}. ${t.who}`).slice(1, -1))
  // what it was taken on for can be gone by now: it is told all the same
  const gone = { ...bike, acceptances: [{ ...bike.acceptances[0]!, part: 'a warning of then' }] }
  expect(takenOn(gone, evaluation)[0]!.what).toBe('A warning that does not stand any more (a warning of then)')
})
