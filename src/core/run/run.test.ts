import fc from 'fast-check'
import { example, exampleShelf } from '../../formats/test-support/examples'
import { Bench, measured, shareShort } from '../reading'
import { circuitsOf, fanFirst, ownController, pointsOf } from '../fan-circuit'
import { integrate, runView, StiffError } from '../transient'
import {
  judgeSwitches,
  liesWithin,
  settingMap,
  type SettingMap,
  switchWindow,
  windowInWords,
  withCell,
} from '../advice'
import {
  addLooseJoint,
  changeSetting,
  changeWiring,
  clockIn,
  fieldsOf,
  type Job,
  jobSchema,
  lookupOf,
  machineKinds,
  noteCoolant,
  ownProbe,
  withReading,
} from '../job'
import { addSecondFan } from '../wiring'
import { afterwards, evaluate, type Findings, outcomeAt, sample } from '../margins'
import type { ControllerPart } from '../parts'
import { addDayLeg, changeDayLeg, chooseDay, moveDayLeg, removeDayLeg } from './change-day'
import { runLadder } from './chart'
import { dayLength, dayOf, daysFor, plainLeg, libraryDayOf } from './days'
import { holdsUpTo, leftAt } from './holds-up-to'
import type { FitFactor } from './logged'
import { brakePower, shareOfPower } from './road-load'
import { runKey } from './run-key'
import { runWaitsFor, usualCircumstances } from './circumstances'
import { legsOf } from './legs'
import { runSpecOf } from './run-spec'
import { runInWords } from './run-words'
import { findingsOf, settledFindings } from './findings-of'
import { simulate } from './simulate'
import { simulatedLog } from './simulated-log'
import { stopsIn } from './stops-in'
import { takeFit } from './take-fit'
import { calibrate } from './calibrate'

const bike = example('fell-bike-short-at-idle')
const digger = example('churchyard-digger-bay')
const trailer = example('market-cold-trailer')
const AT = '2026-11-25T14:02:00Z'
const part = (job: Job, run: Findings | null, margin: string, id: string) =>
  evaluate(job, run)
    .margins.find((m) => m.id === margin)!
    .parts.find((p) => p.id === id)!
const findings = settledFindings(bike, AT)!
/** what a job's runs come to with its readings as they stand */
function atReadings(job: Job): Findings {
  const first = findingsOf(job, AT).next()
  if (first.done) throw new Error('no run')
  return first.value.findings
}

describe('the load of a road', () => {
  test('by hand: 190 kg at 5 m/s up one in ten, on a trail', () => {
    // 190 · 9.81 · (0.03 cos 5.711° + sin 5.711°) = 241.1 N, ½ · 1.05 · 0.7 · 25 = 9.2 N; times 5 over 0.8
    expect(
      brakePower({ massKg: 190, speedMs: 5, grade: 0.1, dragM2: 0.7, ground: 'trail', density: 1.05 }).value,
    ).toBeCloseTo(1564, -1)
    expect(
      brakePower({ massKg: 190, speedMs: 5, grade: -0.2, dragM2: 0.7, ground: 'trail', density: 1.05 }).value,
    ).toBe(0)
    expect(shareOfPower(1564, 18_000, 0.4)).toBeCloseTo(0.165, 3)
  })
  test('a leg with a grade takes its heat from it; one with a load share from that; else from its work', () => {
    const day = {
      name: 'x',
      from: 'hand' as const,
      legs: [
        plainLeg('a', 'a', 'slow', 5),
        plainLeg('b', 'b', 'slow', 5, { loadShare: 0.3 }),
        plainLeg('c', 'c', 'slow', 5, { grade: 0.1, speedMs: 5 }),
        plainLeg('d', 'd', 'off', 5),
      ],
    }
    const { legs } = legsOf(new Bench(lookupOf(bike)), bike, day, usualCircumstances)
    const rated = 0.9 * 18_000
    expect(legs.map((l) => l.heatW / rated)).toEqual([
      expect.closeTo(0.18, 3),
      expect.closeTo(0.3, 3),
      expect.closeTo(0.165, 2),
      0,
    ])
    expect(legs.map((l) => l.live)).toEqual([true, true, true, false])
  })
})

test('every kind of machine has days that can be run, and a usual one', () => {
  for (const kind of machineKinds) for (const day of daysFor(kind)) expect(dayLength(day)).toBeGreaterThan(1800)
  expect(dayOf(bike)).toBe(daysFor('trail-bike')[0])
})

test('a day is changed leg by leg and keeps one at least; the usual one stands as none of its own', () => {
  const own = changeDayLeg(bike, 'leg3', { seconds: 60 })
  expect(own.duty).toMatchObject({
    from: 'hand',
    legs: expect.arrayContaining([expect.objectContaining({ id: 'leg3', seconds: 60 })]) as unknown,
  })
  expect(chooseDay(own, 'a slow climb').duty).toBeNull()
  const road = chooseDay(own, 'road')
  expect(road.duty).toMatchObject({ name: 'road' })
  // chosen in another language it is the same day; with a leg of its own it is none of the library's
  const legs = road.duty!.legs.map((leg) => ({ ...leg, name: 'weg' }))
  expect(libraryDayOf({ ...road, duty: { ...road.duty!, name: 'weg', legs } })?.name).toBe('road')
  expect([libraryDayOf(own), libraryDayOf(changeDayLeg(road, 'leg2', { seconds: 60 }))]).toEqual([null, null])
  expect(addDayLeg(own).duty!.legs).toHaveLength(7)
  expect(
    moveDayLeg(own, 'leg1', 1)
      .duty!.legs.map((l) => l.id)
      .slice(0, 2),
  ).toEqual(['leg2', 'leg1'])
  let bare: Job = own
  for (const l of dayOf(own).legs) bare = removeDayLeg(bare, l.id)
  expect(bare.duty!.legs).toHaveLength(1)
})

describe('margins from the run', () => {
  test('Boil is boiling less the peak of the run less what is kept free, on both days', () => {
    for (const season of ['hottest', 'coldest'] as const) {
      const { peakC } = simulate(bike, { ...usualCircumstances, season })!
      const p = part(bike, findings, 'boil', `boil, ${season}`)
      const boilsC = legsOf(new Bench(lookupOf(bike)), bike, dayOf(bike), usualCircumstances).legs[0]!.boilsC
      expect(p.value! + 10 + peakC).toBeCloseTo(boilsC, 1)
      expect(p.worst!).toBeLessThanOrEqual(p.value!)
    }
    expect(evaluate(bike).margins.find((m) => m.id === 'boil')!.basis).toBe('rule of thumb')
    expect(evaluate(bike, findings).margins.find((m) => m.id === 'boil')!.basis).toBe('run')
    expect(evaluate(bike, findings).run).toEqual({ at: AT, day: 'a slow climb', settled: true })
  })
  test('Charge counts the fan for the share of each state in which the run has it on; both are shown', () => {
    const legs = simulate(bike)!.legs
    for (const [state, works] of [
      ['idle', ['start', 'idle at a gate']],
      ['slow work', ['slow climb']],
      ['cruise', ['track to the foot', 'ridge track']],
    ] as const) {
      const own = legs.filter((l) => works.some((w) => w === l.leg.name))
      const share = own.reduce((s, l) => s + l.dutyS, 0) / own.reduce((s, l) => s + l.leg.seconds, 0)
      const [always, run] = [part(bike, null, 'charge', state), part(bike, findings, 'charge', state)]
      const fanA = always.working.find((l) => l.name === 'fan, running')!.value
      expect(run.value! - always.value!).toBeCloseTo((1 - share) * fanA, 1)
      expect(
        run.working.some((l) => l.name === 'with the fan on all the time' && Math.abs(l.value - always.value!) < 1e-9),
      ).toBe(true)
    }
  })
  test('a reading at the end of its spread comes to what a run with it comes to', () => {
    for (const address of [
      'engine.heatShare',
      'surroundings.hottestC',
      'fans.fan1.part.freeFlowM3s',
      'probes.probe1.kappa',
    ]) {
      const effect = findings.outcomes['peak, hottest']!.effects.find((e) => e.address === address)!
      for (const [end, delta] of [
        [effect.low, effect.atLow],
        [effect.high, effect.atHigh],
      ] as const) {
        const moved = withReading(bike, address, { ...fieldsOf(bike).get(address)!.reading, value: end })
        expect(findings.outcomes['peak, hottest']!.value + delta).toBeCloseTo(simulate(moved)!.peakC, 0)
      }
    }
  })
  test('between the ends it is straight, and never beyond what any run came to', () => {
    const o = findings.outcomes['peak, hottest']!
    const e = o.effects.find((x) => x.address === 'surroundings.hottestC')!
    const at = (x: number) => outcomeAt(findings, 'peak, hottest', new Bench(lookupOf(bike), new Map([[e.address, x]])))
    expect(at(e.value)).toBeCloseTo(o.value, 9)
    expect(at((e.value + e.high) / 2)).toBeCloseTo(Math.min(o.most, o.value + e.atHigh / 2), 9)
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), (seed) => {
        const moved = new Map(o.effects.map((x, i) => [x.address, (seed * (i + 3)) % 2 ? x.high : x.low]))
        const value = outcomeAt(findings, 'peak, hottest', new Bench(lookupOf(bike), moved))!
        expect(value).toBeGreaterThanOrEqual(o.least - 1e-9)
        expect(value).toBeLessThanOrEqual(o.most + 1e-9)
      }),
    )
  })
  test('chances are told from samples that were run, not from what is put together of single readings', () => {
    const boil = sample(bike, findings).find((m) => m.id === 'boil')!
    const peaks = findings.outcomes['peak, hottest']!.draws
    expect(peaks).toHaveLength(256)
    // kept free of it, boiling spread left out: about the share of sampled runs that come within 10 K of boiling at 129
    const rough = shareShort(
      Float64Array.from(peaks, (p) => 118.9 - p),
      [],
    )
    expect(Math.abs(boil.parts.find((p) => p.id === 'boil, hottest')!.chanceShort - rough)).toBeLessThan(0.06)
    expect(boil.measureNext).not.toBeNull()
  })
  test('without a thermostat there is a Boil margin from the run all the same; a job that cannot be run has none', () => {
    const hand: Job = {
      ...bike,
      controllers: bike.controllers.map((c) => ({ ...c, part: { ...c.part, band: 'hand' as const, range: null } })),
    }
    expect(evaluate(hand).margins.find((m) => m.id === 'boil')!.verdict).toBe('open')
    const first = findingsOf(hand, AT).next()
    expect(
      evaluate(hand, first.done ? null : first.value.findings).margins.find((m) => m.id === 'boil')!.value,
    ).not.toBeNull()
    expect(runWaitsFor({ ...bike, fans: [] })).toBe('a fan')
    expect(settledFindings(example('vineyard-buggy-ready'), AT)).toBeNull()
  })
  test('a bay is held against the hottest it may get, a trailer’s battery against the share of the fan', () => {
    const bay = atReadings(digger)
    expect(part(digger, bay, 'trigger', 'in time, hottest').value! + simulate(digger)!.peakC).toBeCloseTo(85, 1)
    const first = findingsOf(trailer, AT).next()
    const run = first.done ? null : first.value.findings
    expect(
      part(
        trailer,
        {
          ...run!,
          outcomes: {
            ...run!.outcomes,
            'share, standing alone': { value: 0.5, least: 0.5, most: 0.5, effects: [], draws: [] },
          },
        },
        'battery',
        'standing alone',
      ).value!,
    ).toBeGreaterThan(part(trailer, null, 'battery', 'standing alone').value!)
  })
  test('what was found belongs to one state of the job: a title is not part of it, a setting is', () => {
    expect(runKey({ ...bike, title: 'another' })).toBe(findings.key)
    // what is kept at the bench does not set the day running anew
    const at = '2026-03-01T10:00:00Z'
    const kept = [
      clockIn(bike, 'me', at),
      addLooseJoint(bike, 'lamp', at),
      noteCoolant(bike, 'outM3', { value: 0.001, typed: '1 l' }),
    ]
    for (const job of kept) expect('full' in job ? '' : runKey(job)).toBe(findings.key)
    expect(runKey(JSON.parse(JSON.stringify(Object.fromEntries(Object.entries(bike).reverse()))) as Job)).toBe(
      findings.key,
    )
    const set = changeSetting(bike, 'controller1', 90, 5)
    expect(runKey(set)).not.toBe(findings.key)
    const first = findingsOf(set, AT).next()
    const merged = afterwards(first.done ? findings : first.value.findings, findings)
    expect(merged).toMatchObject({ settled: false, key: runKey(set) })
    expect(merged.outcomes['peak, hottest']!.effects).toEqual(findings.outcomes['peak, hottest']!.effects)
  })
})

describe('what may be supposed', () => {
  const with_ = (whatIf: 'probe lead open' | 'probe lead shorted' | 'override left on', job = bike) =>
    simulate(job, { ...usualCircumstances, whatIf })!
  test('a probe lead open or shorted leaves the fan as the controller’s description says', () => {
    expect(with_('probe lead open').starts).toEqual([0])
    expect(
      with_('probe lead shorted')
        .legs.slice(0, 5)
        .every((l) => l.fanS > 0.99 * l.leg.seconds),
    ).toBe(true)
  })
  test(
    'an override left on keeps a fan that is fed without the key until the battery is flat, one behind the key ' +
      'until switch-off',
    () => {
      const left = with_('override left on', { ...bike, wiring: { ...bike.wiring, override: 'feed' } })
      expect(left.after!.seconds).toBeCloseTo(15 * 60, 0)
      expect(left.endCharge).toBeLessThan(
        with_('override left on', { ...bike, wiring: { ...bike.wiring, override: 'key' } }).endCharge,
      )
    },
  )
})

test('sentences say what boils without the fan, what it comes to with it, and what the battery bears', () => {
  const runs = {
    proposed: runView(simulate(bike)!),
    none: runView(simulate(bike, { ...usualCircumstances, fan: 'none' })!),
    present: null,
  }
  const said = runInWords(bike, runs, usualCircumstances, 'metric').join(' ')
  expect(said).toMatch(
    new RegExp(
      '^Coolant boils after 1\\d min, for 1\\d min in all without the fan; ' +
        'with the proposed it peaks at 102 °C, 17 K over the 10 K kept free\\.',
    ),
  )
  expect(said).toMatch(/The fan is on 89 % of “slow climb”/)
  expect(said).toMatch(/live with the key only/)
  const ladder = runLadder(bike, runs)
  expect(ladder.probe).toMatchObject({ on: { c: 87 }, off: { c: 82 } })
  // each mark meets its own trace: where the probe shows it
  const { rows } = runs.proposed
  for (const mark of [ladder.probe!.on, ladder.probe!.off])
    expect(rows.probe[rows.t.findIndex((t) => t >= mark.meetsS!)]!).toBeCloseTo(mark.c, -0.5)
})

describe('the map of settings', () => {
  const mapOf = (job: Job, run: Findings | null): SettingMap => {
    const steps = settingMap(job, run)
    for (;;) {
      const s = steps.next()
      if (s.done) return s.value
    }
  }
  test('what it recommends keeps the rules, can be set, and gets no hotter than the fan can keep it', () => {
    const map = mapOf(bike, findings)
    const { best } = map
    expect(best).not.toBeNull()
    expect(best!.peakC).toBeLessThanOrEqual(Math.min(...map.cells.filter((c) => c.feasible).map((c) => c.peakC)) + 2)
    const set = withCell(bike, map.rowOf, best!)
    for (const p of evaluate(set).margins.find((m) => m.id === 'trigger')!.parts)
      expect(p.value!).toBeGreaterThanOrEqual(0)
    expect(map.cells.filter((c) => c.breaks.length).every((c) => !c.feasible)).toBe(true)
    // hotter settings run the fan less
    const row = map.cells.filter((c) => c.row === best!.row)
    expect(row.at(-1)!.fanShare).toBeLessThan(row[0]!.fanShare)
  })
  test('a band above its set point stays on the controller’s steps', () => {
    const first = settingMap(digger, null)
    let s = first.next()
    while (!s.done) s = first.next()
    for (const c of s.value.cells) expect((c.setC - 40) % 2).toBeCloseTo(0)
    expect(s.value.cells.every((c) => c.onC === c.setC + c.row)).toBe(true)
  })
})

test('of the shelf’s fixed switches those that suit this thermostat come first, each with its reason', () => {
  const coin = exampleShelf().find((p) => p.id === 'controller-coin-92')! as ControllerPart
  const at = (id: string, closesC: number, opensC: number): ControllerPart => ({
    ...coin,
    id,
    name: id,
    fixed: {
      closesC: { value: closesC, source: 'label', spread: 3 },
      opensC: { value: opensC, source: 'label', spread: 3 },
    },
  })
  const judged = judgeSwitches(bike, [at('low', 70, 62), at('late', 118, 110), coin])
  // the probe shows 32 + 0.9 · 46 = 73.4 when the thermostat just opens: 62 never stops; closing at 118 leaves nothing
  // of the 10 K
  expect(judged.map((s) => [s.part.id, s.suits])).toEqual([
    [coin.id, true],
    ['low', false],
    ['late', false],
  ])
  expect(judged.find((s) => s.part.id === 'low')!.why.join()).toMatch(/to stop/)
  expect(judged.find((s) => s.part.id === 'late')!.leftK!).toBeLessThan(0)
})

test('what to ask for at the counter, by hand and as the rules judge each switch; a wiring-only job is told too', () => {
  // the thermostat opens at 78: on the hottest day at 32 a probe that sees 0.9 shows 73.4 then, 2 K over it are 75.4;
  // 3 K above opening it shows 32 + 0.9 · 49 = 76.1
  const w = switchWindow(bike)
  expect([w.opensFromC, w.closesFromC]).toEqual([expect.closeTo(75.4, 6), expect.closeTo(76.1, 6)])
  const coin = exampleShelf().find((p) => p.id === 'controller-coin-92')! as ControllerPart
  const wiring = { ...bike, kind: 'wiring' } as Job
  const sure = (v: number) => ({ value: v, source: 'measured' as const, spread: 0.001 })
  for (const job of [bike, wiring])
    for (const [closes, opens] of [
      [78, 75.3],
      [78, 75.6],
      [76, 73],
      [77.5, 76.5],
      [92, 85],
    ] as const) {
      const part = { ...coin, fixed: { closesC: sure(closes), opensC: sure(opens) } }
      const [judged] = judgeSwitches(job, [part])
      expect([closes, opens, judged!.suits]).toEqual([closes, opens, liesWithin(w, closes, opens)])
    }
  const late = judgeSwitches(wiring, [{ ...coin, fixed: { closesC: sure(w.closesToC! + 1), opensC: sure(80) } }])
  expect([late[0]!.suits, late[0]!.why.join(), late[0]!.peakC]).toEqual([false, expect.stringMatching(/boiling/), null])
  expect(windowInWords({ ...w, closesToC: 70 }, 'metric')).toMatch(/No switch suits/)
})

describe('season and height', () => {
  test('holds just below the air that is told, and not just above it; less with a blocked core, less higher up', () => {
    const upTo = holdsUpTo(bike)!
    expect(leftAt(bike, upTo)).toBeGreaterThanOrEqual(0)
    expect(leftAt(bike, upTo + 0.5)).toBeLessThan(0)
    expect(holdsUpTo(bike, { blocked: 1 / 3 })!).toBeLessThan(upTo)
    expect(holdsUpTo(bike, { heightM: 3000 })!).toBeLessThan(upTo)
  })
})

test('the off point at which a fan stops five minutes after switch-off does stop it then', () => {
  // as it is wired, its relay is called past the key
  const outlives: Job = {
    ...changeWiring(digger, { controlFrom: 'feed' }),
    controllers: digger.controllers.map((c) => ({ ...c, part: { ...c.part, band: 'below' as const } })),
  }
  const five = stopsIn(outlives).find((s) => s.minutes === 5)!
  const set = changeSetting(outlives, 'controller1', five.offC + 2, 2)
  const { legs, trace } = simulate(set)!
  const offS = legs.at(-1)!.fromS
  const stopsS = trace.t.find((t, i) => t > offS + 1 && trace.share[0]![i] === 0)!
  expect(Math.abs(stopsS - offS - 300)).toBeLessThan(20)
  expect(stopsIn(digger)).toEqual([])
})

describe('a logged run', () => {
  const day = {
    name: 'log',
    from: 'hand' as const,
    legs: [plainLeg('a', 'idle', 'idle', 4), plainLeg('b', 'climb', 'slow', 20), plainLeg('c', 'idle', 'idle', 6)],
  }
  test.each<[string, Partial<Record<FitFactor, number>>, number]>([
    ['heat', { heat: 1.12 }, 1],
    ['heat and transfer', { heat: 1.12, transfer: 0.85 }, 2],
    ['heat, transfer and what the probe sees', { heat: 0.9, transfer: 1.1, kappa: 0.95 }, 3],
    ['heat, transfer and metal', { heat: 1.12, transfer: 0.85, store: 1.2 }, 4],
  ])('gives back %s within the interval that it states', (_, truth, seed) => {
    const fit = calibrate(bike, simulatedLog(bike, day, truth, { seed }), Object.keys(truth) as FitFactor[], 'slow')
    expect(fit.ok).toBe(true)
    if (!fit.ok) return
    for (const f of fit.fit.factors)
      expect(Math.abs(f.value - truth[f.factor]! * f.before)).toBeLessThanOrEqual(f.plusMinus)
    expect(fit.fit.residualK).toBeLessThan(0.4)
    expect(fit.fit.residualK).toBeLessThan(fit.fit.residualBeforeK)
    const taken = takeFit(bike, fit.fit)
    for (const f of fit.fit.factors)
      expect(fieldsOf(taken).get(f.address)!.reading).toMatchObject({
        source: 'measured',
        spread: expect.any(Number) as number,
      })
  })
  test('a flat one, a short one, and one that cannot tell two factors apart are refused in words', () => {
    const log = simulatedLog(bike, { ...day, legs: [plainLeg('a', 'idle', 'idle', 60)] }, {})
    const from = (n: number, to = log.t.length) => ({
      ...log,
      t: log.t.slice(n, to),
      coolantC: log.coolantC.slice(n, to),
      probeC: null,
      fan: null,
      airC: null,
      speedMs: null,
      rpm: null,
      loadShare: null,
    })
    expect(calibrate(bike, { ...from(0), coolantC: from(0).coolantC.map(() => 85) }, ['heat'], 'idle')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/flat/) as string,
    })
    expect(calibrate(bike, from(0, 20), ['heat'], 'idle')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/too short/) as string,
    })
    expect(calibrate(bike, from(0, 150), ['heat', 'transfer'], 'idle')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/heat transfer of the core/) as string,
    })
    expect(calibrate(bike, log, ['heat', 'transfer', 'store', 'kappa'], 'idle')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/three/) as string,
    })
  })
})

test(
  'readings that belong to no machine are refused, and a machine that never sheds its heat ends with its ' +
    'coolant gone',
  () => {
    const stiff = withReading(
      withReading(bike, 'cooling.volumeM3', { value: 1e-4, source: 'measured' }),
      'engine.ratedPowerW',
      { value: 600_000, source: 'measured' },
    )
    expect(() => simulate(stiff)).toThrow(StiffError)
    const never = integrate(
      runSpecOf(
        new Bench(lookupOf(bike)),
        bike,
        { ...usualCircumstances, fan: 'none' },
        { name: 'x', from: 'hand', legs: [plainLeg('z', 'nothing', 'idle', 0), plainLeg('a', 'a', 'heavy', 240)] },
      ),
    )!
    expect(never.ended).toBe('coolant gone')
    expect(Array.from(never.trace.hot).every(Number.isFinite)).toBe(true)
  },
)

test('a second fan with a probe of its own is switched by what that one shows, whichever of the two is looked at', () => {
  const two = addSecondFan(bike, bike.fans[0]!.part)
  // its own probe on the hot side, where the first one sits behind the core: it comes on sooner, at the same setting
  const own = changeSetting(ownController(ownProbe(two, 1), 1), two.controllers[0]!.id, 70, 6)
  const at = own.runs[1]!
  const apart = withReading(
    changeSetting(
      { ...own, probes: own.probes.map((p) => (p.id === at.probe ? { ...p, atOutlet: !p.atOutlet } : p)) },
      at.controller!,
      70,
      6,
    ),
    `probes.${at.probe}.kappa`,
    measured(0.85),
  )
  expect(jobSchema.safeParse(apart).error).toBeUndefined()
  const run = (job: Job) => simulate(job, usualCircumstances, { stepS: 0.5, everyS: 1 })!
  const [whole, seen] = [run(apart), run(fanFirst(apart, 1))]
  const begins = (share: Float64Array, t: Float64Array): number => t[share.findIndex((s) => s > 0)]!
  // the same machine, told from either side
  expect(seen.peakC).toBeCloseTo(whole.peakC, 6)
  expect([...seen.trace.share[0]!]).toEqual([...whole.trace.share[1]!])
  expect(seen.trace.probe.some((c, i) => Math.abs(c - whole.trace.probe[i]!) > 1)).toBe(true)
  // each comes on where its own probe passes its own point, not where the other's does
  for (const [trace, circuit] of [
    [whole.trace, circuitsOf(apart)[0]!],
    [seen.trace, circuitsOf(fanFirst(apart, 1))[0]!],
  ] as const) {
    const { on } = pointsOf(new Bench(lookupOf(apart)), { controller: circuit.controller! })
    const i = trace.t.findIndex((t) => t >= begins(trace.share[0]!, trace.t))
    expect(trace.probe[i - 1]!).toBeLessThanOrEqual(on.c + 0.01)
    expect(trace.probe[i]!).toBeGreaterThanOrEqual(on.c - 0.01)
  }
  expect(begins(whole.trace.share[0]!, whole.trace.t)).not.toBe(begins(whole.trace.share[1]!, whole.trace.t))
})

test('a fan that still runs when the day ends is followed until it stands: the day may end sooner or later', () => {
  const live = changeWiring(
    { ...bike, use: { ...bike.use, live: 'after-run' as const } },
    { timer: false, controlFrom: 'feed' },
  )
  const dayWith = (offMinutes: number): Job => ({
    ...changeSetting(live, live.controllers[0]!.id, 60, 10),
    duty: {
      name: 'an outing',
      from: 'hand',
      legs: [plainLeg('a', 'ground', 'slow', 25), plainLeg('b', 'parked', 'off', offMinutes)],
    },
  })
  const after = (minutes: number): number => atReadings(dayWith(minutes)).outcomes['after switch-off']!.value
  const long = after(240)
  expect(long).toBeGreaterThan(120)
  expect(Math.abs(after(1) - long)).toBeLessThan(8)
})
