import fc from 'fast-check'
import { example, examplesOf } from '@/formats/test-support/examples'
import { corePressure, effectiveness, fanPressure, heatTransfer } from '../air'
import { fasteningWords, tiesOf } from '../build'
import { planWarnings } from '../plan'
import { Bench } from '../reading'
import {
  bayWays,
  comparedCores,
  coresInWords,
  currentByFuse,
  flowByAnemometer,
  flowByBag,
  nextSizeDown,
  remediesFor,
  replacement,
  replacementInWords,
} from '../advice'
import {
  addLeg,
  addObstacle,
  addPanel,
  changeBay,
  changeCooling,
  changeFlywheel,
  changeGround,
  changeMount,
  changeObstacle,
  changePlace,
  chooseFan,
  chooseOldFan,
  coreName,
  dropLeg,
  dropObstacle,
  dropPanel,
  type Job,
  jobSchema,
  lookupOf,
  moveFan,
  startJob,
  turnFan,
  withReading,
} from '../job'
import { evaluate, firmsUp, sample } from '../margins'
import type { FanPart } from '../parts'
import {
  heightInWords,
  leadReaches,
  nothingFits,
  type Placement,
  ranked,
  searchPlacements,
  snapped,
  whyLost,
} from '../placing'
import { boilsAt } from './boiling'
import { airThroughCores, cooledAt, dutiesOf } from './cooler'
import { fanCurves } from './curves'
import { movedBy } from './moved-air'
import { often } from '../../test-support/often'

const fans = examplesOf('fan')
const fan = (id: string): FanPart => fans.find((f) => f.id === id)!
const bike = example('fell-bike-short-at-idle')
const digger = example('churchyard-digger-bay')
const bench = (job: Job): Bench => new Bench(lookupOf(job))
const set = (job: Job, address: string, value: number): Job => withReading(job, address, { value, source: 'measured' })
const part = (job: Job, margin: string, id: string) =>
  evaluate(job)
    .margins.find((m) => m.id === margin)!
    .parts.find((p) => p.id === id)!
const flow = (job: Job): number => movedBy(bench(job), job)

describe('Air of two cores by hand', () => {
  // 1 150 m: p = 101 325 (1 − 2.25577e-5 · 1150)^5.25588 = 88 240 Pa; at 32 °C ρ = 88 240/(287.05 · 305.15) = 1.0074
  const density = 88_240 / (287.05 * 305.15)
  const job = bike
  const [w, h, blades] = [0.12, 0.24, 0.108]
  const covered = (Math.PI / 4) * blades ** 2
  const core = { thickness: 0.03, finsPerInch: 14 }
  const found = airThroughCores(bench(job), job, null)
  const q = found.fans[0]!.flows.covered
  test('the flow is where what the fan adds is what the core takes', () => {
    expect(found.density).toBeCloseTo(density, 3)
    expect(found.fans[0]!.areaM2).toBeCloseTo(covered, 9)
    const speed = found.fans[0]!.running.speed
    expect(
      fanPressure({ freeFlow: 0.04444, maxPressure: job.fans[0]!.part.maxPressurePa.value }, q, speed, found.density),
    ).toBeCloseTo(corePressure(core, q / covered, found.density), 1)
  })
  test('standing: ε C_min ΔT of the covered zone and 25 W/m²K of both cores, less 0.9 · 0.04 · 18 kW', () => {
    // ṁ c_p = 16 200 W / 8 K · 1700 / 8500 = 405 W/K for two cores; the covered zone has its share of one
    const coolant = (405 / 2) * (covered / (w * h))
    const air = found.density * 1006 * q
    const [least, most] = [Math.min(air, coolant), Math.max(air, coolant)]
    const over = boilsAt(bench(job), job).at.c - 10 - 32
    const carried =
      effectiveness((heatTransfer(core, q / covered) * covered) / least, least / most) * least * over +
      25 * 2 * w * h * over
    expect(part(job, 'air', 'standing').value).toBeCloseTo(carried - 0.9 * 0.04 * 18_000, 3)
  })
  test('each core fed by itself: the one without a fan has to carry its half by itself, and is told', () => {
    const apart = changeCooling(job, { coresJoined: false })
    const duty = dutiesOf(apart)[0]!
    const one = cooledAt(bench(apart), apart, duty, 110)
    expect(one.core).toBe(1)
    expect(one.demandW).toBeCloseTo((0.9 * 0.04 * 18_000) / 2)
    expect(one.carriedW).toBeCloseTo(25 * w * h * (110 - 32))
    expect(cooledAt(bench(job), job, duty, 110).carriedW).toBeGreaterThan(2 * one.carriedW)
  })
  test('all of the core blocked, or no fan: only still air carries', () => {
    const b = bench(job)
    const duty = dutiesOf(job)[0]!
    expect(
      cooledAt(b, { ...job, fans: [], runs: job.runs.map((r) => ({ ...r, fan: null })) }, duty, 110).carriedW,
    ).toBeCloseTo(25 * 2 * w * h * 78)
    const blocked = changeGround(job, 'mud or seed fluff')
    expect(cooledAt(bench(blocked), blocked, duty, 110).air.blocked).toBeCloseTo(0.3)
    expect(cooledAt(bench(blocked), blocked, duty, 110).carriedW).toBeLessThan(cooledAt(b, job, duty, 110).carriedW)
  })
})

describe('what moves the air one way or the other', () => {
  test('more of what is in the way never gives more air: blocked share, thickness, gap, inlet heat', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          'cooling.coreThicknessM',
          'cooling.resistanceFactor',
          'surroundings.blockedShare',
          'place.gapM',
          'conductors.feed1.lengthM',
        ),
        fc.double({ min: 0.02, max: 0.6, noNaN: true }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        fc.constantFrom('ties', 'shroud'),
        (address, value, more, mount) => {
          const job = changePlace(changeGround(bike, 'dust'), { mount })
          const at = (v: number): number => flow(set(job, address, address === 'place.gapM' ? v / 20 : v))
          expect(at(value + more)).toBeLessThanOrEqual(at(value) * (1 + 1e-9))
        },
      ),
      { numRuns: often(24) },
    )
  })
  test(
    'the wires and the blade: swapped alone 60 % and against the travel, both full strength, turned alone 60 % ' +
      'as marked',
    () => {
      const now = airThroughCores(bench(bike), bike, 'engine.slowMs').fans[0]!
      const of = (wiresSwapped: boolean, bladeTurned: boolean) => {
        const j = turnFan(bike, 'fan1', { wiresSwapped, bladeTurned })
        return airThroughCores(bench(j), j, 'engine.slowMs').fans[0]!
      }
      expect(of(true, false).running.air.freeFlow).toBeCloseTo(0.6 * now.running.air.freeFlow)
      expect(of(false, true).running).toMatchObject({ against: false })
      expect(of(true, true).running).toMatchObject({ against: true, air: now.running.air })
      // at a crawl it still blows forwards through the core; in a gale of its own travel it is pushed back or stalls
      expect(of(true, true).flows.covered).toBeLessThan(0)
      const fast = set(turnFan(bike, 'fan1', { wiresSwapped: true, bladeTurned: false }), 'engine.slowMs', 18)
      expect(airThroughCores(bench(fast), fast, 'engine.slowMs').fans[0]!.flows.covered).toBeGreaterThan(0)
      // both are said: against the travel, and where the two cancel out
      const said = (j: Job): string =>
        planWarnings(j)
          .filter((w) => w.id === 'travel fan1')
          .map((w) => w.text)
          .join()
      const swapped = turnFan(bike, 'fan1', { wiresSwapped: true, bladeTurned: true })
      expect(said(bike)).toBe('')
      expect(said(set(swapped, 'engine.cruiseMs', 0))).toMatch(/against the travel: moving, slow work .* go forwards/)
      const weak = turnFan(bike, 'fan1', { wiresSwapped: true, bladeTurned: false })
      const speeds = Array.from({ length: 32 }, (_, i) => 10 + i / 4)
      expect(speeds.some((v) => /stalls at speed/.test(said(set(weak, 'engine.cruiseMs', v))))).toBe(true)
      const brushless = chooseFan(bike, { ...fan('fan-swift-116'), motor: 'brushless' })
      expect(
        part(turnFan(brushless, 'fan1', { wiresSwapped: true, bladeTurned: false }), 'air', 'standing'),
      ).toMatchObject({ verdict: 'short', value: null })
    },
  )
  test('half over the edge is half of the circle', () => {
    const j = moveFan(bike, 'fan1', { core: 0, xM: 0, yM: 0.12 })
    expect(airThroughCores(bench(j), j, null).fans[0]!.areaM2).toBeCloseTo((Math.PI / 8) * 0.108 ** 2, 9)
    expect(part(j, 'fit', 'edge').value).toBeCloseTo(-58)
  })
  test('the chart meets where the air is said to be, inside its band', () => {
    for (const job of [bike, digger, example('market-cold-trailer')]) {
      const curves = fanCurves(job)!
      const i = curves.points.findIndex((p) => p.core > p.fan)
      expect(curves.points[i - 1]!.flow).toBeLessThanOrEqual(curves.at.flow)
      expect(curves.points[i]!.flow).toBeGreaterThanOrEqual(curves.at.flow)
      expect(curves.at.low).toBeLessThanOrEqual(curves.at.flow)
      expect(curves.at.high).toBeGreaterThanOrEqual(curves.at.flow)
    }
  })
})

describe('the search for a place', () => {
  const search = (job: Job, parts = fans): Placement[] => ranked([...searchPlacements(job, parts)])
  test('what it proposes fits, in the same figures as Fit, and is ranked by air through fins', () => {
    const found = search(bike)
    for (const p of found.filter((f) => !f.lacking)) {
      const job = moveFan(changePlace(chooseFan(bike, p.part), { side: p.side }), 'fan1', p.seat)
      const near = evaluate(job)
        .margins.find((m) => m.id === 'fit')!
        .parts.filter((x) => /^(depth|edge|near)/.test(x.id))
      expect(Math.min(...near.map((x) => x.value!))).toBeGreaterThanOrEqual(-0.05)
      expect(flow(job)).toBeCloseTo(p.flowM3s, 9)
    }
    const fitting = found.filter((f) => !f.lacking)
    fitting.slice(1).forEach((p, i) => expect(p.flowM3s).toBeLessThanOrEqual(fitting[i]!.flowM3s * 1.011))
    // by diameter the 190 would have won: it is 70 mm too wide for 120
    expect(found[0]!.part.id).toBe('fan-swift-116')
    expect(
      whyLost(
        found[0]!,
        found.find((p) => p.part.id === 'fan-gale-190')!,
        'metric',
      ),
    ).toBe('70 mm too wide for the core')
    expect(
      whyLost(
        found[0]!,
        found.find((p) => p.part.id === 'fan-curlew-225')!,
        'metric',
      ),
    ).toBe('made for 24 V')
  })
  test('an exhaust drives it away, and where there is no room at all that is said', () => {
    const low = changeObstacle(bike, 'near2', {
      fromLeftM: { value: 0.14, source: 'measured' },
      fromTopM: { value: 0.17, source: 'measured' },
    })
    const best = search(low).find((p) => p.part.id === 'fan-swift-116' && p.core === 0 && p.side === 'puller')!
    // 22 mm beside it: 50 mm asks for 44.9 mm above it as well, so the frame ends at 125 mm at the lowest
    expect(best.lacking).toBeNull()
    expect(best.seat.yM + 0.058).toBeLessThanOrEqual(0.17 - Math.sqrt(0.05 ** 2 - 0.022 ** 2) + 0.0002)
    const shallow = set(set(bike, 'place.freeDepthM', 0.028), 'place.freeFrontM', 0.01)
    expect(nothingFits(search(shallow, [fan('fan-swift-92')]), 'metric')).toBe(
      'Nothing fits: Swift 92 comes nearest and needs 9 mm more depth.',
    )
    expect(nothingFits(search(bike, []), 'metric')).toMatch(/No fan is on the shelf/)
    for (const p of search(set(set(bike, 'cooling.coreWidthM', 0.03), 'cooling.tubePitchM', 0.05)))
      expect(Number.isFinite(p.flowM3s + p.spareM + p.seat.xM)).toBe(true)
  })
  test('snapping pulls ties to the gaps and others to edges and middle, never further than they lie', () => {
    const swift = bike.fans[0]!.part
    expect(snapped(changePlace(bike, { mount: 'bracket' }), swift, { core: 0, xM: 0.0585, yM: 0.118 })).toEqual({
      core: 0,
      xM: 0.06,
      yM: 0.12,
    })
    expect(snapped(changePlace(bike, { mount: 'bracket' }), swift, { core: 0, xM: 0.04, yM: 0.09 })).toEqual({
      core: 0,
      xM: 0.04,
      yM: 0.09,
    })
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.07, noNaN: true }), (xM) =>
        expect(Math.abs(snapped(bike, swift, { core: 0, xM, yM: 0.1 }).xM - xM)).toBeLessThanOrEqual(
          0.0075 / 2 + 1e-12,
        ),
      ),
    )
  })
})

test('a lead that is short says by how much, and what each way out brings with it', () => {
  const far = set(bike, 'place.leads.probe.leg1.lengthM', 0.9)
  const probe = leadReaches(far).find((r) => r.lead === 'probe')!
  // seat 103 and 200 mm from the corner, the middle 60 and 120: 123 mm more way
  expect(probe.neededM).toBeCloseTo(1.05 * (0.9 + 0.123) + 0.05 + 0.03)
  expect(probe.overM).toBeCloseTo(part(far, 'fit', 'probe lead').value! / 1000)
  expect(probe.waysOut.join(' ')).toMatch(
    /Extend it by 410 mm.*two joints: the probe then reads .* colder.*Move the controller/,
  )
  expect(leadReaches(bike).every((r) => r.overM > 0 && !r.waysOut.length)).toBe(true)
})

test('a thicker core with coarser fins can be better or worse, and the answer says which and why', () => {
  const start = chooseFan(
    startJob({
      title: 't',
      kind: 'side-by-side',
      job: 'thicker-core',
      machineName: 'm',
      owner: '',
      units: 'metric',
      startedOn: '2026-01-15',
      promisedOn: null,
    }),
    fan('fan-gale-190'),
  )
  expect(coresInWords(comparedCores(start))).toMatch(/^The new core is better/)
  const deep = set(set(start, 'newCore.thicknessM', 0.076), 'newCore.finsPerInch', 14)
  expect(coresInWords(comparedCores(deep))).toMatch(/^The new core is worse here: .*less air/)
  // the same core twice is neither
  const same = set(
    set(start, 'newCore.thicknessM', start.cooling!.coreThicknessM.value),
    'newCore.finsPerInch',
    start.cooling!.finsPerInch.value,
  )
  for (const row of comparedCores(same)) expect(row.gain).toBeCloseTo(0, 12)
  expect(comparedCores(bike)).toEqual([])
})

describe('a bay', () => {
  const chosen = digger.fans[0]!.part
  const way = (job: Job, panel: string, side: string) =>
    bayWays(job, chosen).find((w) => w.panel?.name === panel && w.side === side)!
  test(
    'a fan that pulls where the flywheel blows moves more than one that pushes there; without a flywheel fan ' +
      'both move the same',
    () => {
      expect(way(digger, 'rear louvre', 'puller').fanFlow).toBeGreaterThan(way(digger, 'rear louvre', 'pusher').fanFlow)
      const still = changeBay(digger, { flywheel: null })
      expect(way(still, 'rear louvre', 'puller').fanFlow).toBeCloseTo(way(still, 'rear louvre', 'pusher').fanFlow, 9)
      // what it moves is hot: pulling brings T_air / T_bay of it as outside air, so the bay gets hotter
      expect(way(still, 'rear louvre', 'puller').bayC).toBeGreaterThan(way(still, 'rear louvre', 'pusher').bayC)
    },
  )
  test('wires swapped: with the blade turned over too it is a fan of the other side, without that a weaker one', () => {
    const [f] = digger.fans
    for (const panel of ['rear louvre', 'top cover']) {
      const [pulls, pushes] = [way(digger, panel, 'puller'), way(digger, panel, 'pusher')]
      const turned = turnFan(digger, f!.id, { wiresSwapped: true, bladeTurned: true })
      expect(way(turned, panel, 'puller')).toMatchObject({
        blows: 'pusher',
        fanFlow: pushes.fanFlow,
        bayC: pushes.bayC,
        operator: pushes.operator,
        flywheel: pushes.flywheel,
        intakeC: pushes.intakeC,
      })
      expect(way(turned, panel, 'pusher').bayC).toBe(pulls.bayC)
      const weak = way(turnFan(digger, f!.id, { wiresSwapped: true }), panel, 'puller')
      expect(weak.blows).toBe('pusher')
      expect(weak.fanFlow).toBeLessThan(pushes.fanFlow)
    }
  })
  test('energy: what the air carries is the heat, for each way', () => {
    const heat = 0.5 * 0.5 * 9000
    for (const w of bayWays(digger, chosen)) {
      const density = 88_240 / (287.05 * 305.15)
      expect(density * 1006 * w.flow * (w.bayC - 32)).toBeCloseTo(heat, -1)
    }
  })
  test('the intake breathes cool air only where it is aimed at; the size down is the next smaller for this voltage', () => {
    expect(way(digger, 'top cover', 'pusher').intakeC).toBe(32)
    expect(way(digger, 'top cover', 'puller').intakeC).toBe(way(digger, 'top cover', 'puller').bayC)
    expect(way(digger, 'left side panel', 'puller').operator).toBe('hot air is blown at the operator')
    expect(way(digger, 'top cover', 'puller').lacksM).toEqual({
      what: 'depth',
      byM: expect.closeTo(0.016, 6) as number,
    })
    expect(nextSizeDown(digger, chosen, fans)?.id).toBe('fan-gale-140')
    expect(nextSizeDown(digger, fan('fan-burrow-76'), fans)).toBeNull()
  })
})

test('one fan in another’s place: the same one is as good, a better one is said to be so with how sure that is', () => {
  const itself = chooseOldFan(bike, bike.fans[0]!.part)
  expect(replacementInWords(itself, replacement(itself)!, 'metric')).toEqual([
    expect.stringMatching(/moves as much air for the same current; .*overlap/),
    expect.stringMatching(/^All 4 fixing points meet the old housing, turned by 0°, 90°/),
  ])
  const sure = (p: FanPart, flowM3s: number): FanPart => ({
    ...p,
    freeFlowM3s: { value: flowM3s, source: 'measured', spread: 0.0005 },
    maxPressurePa: { value: 110, source: 'measured', spread: 1 },
    diameterM: { ...p.diameterM, spread: 0.0005 },
    ratedA: { value: 2.9, source: 'measured', spread: 0.02 },
  })
  const told = chooseOldFan(chooseFan(bike, sure(fan('fan-swift-116'), 0.05)), sure(fan('fan-swift-116'), 0.038))
  expect(replacement(told)!.air.overlap).toBe(false)
  expect(replacementInWords(told, replacement(told)!, 'metric')[0]).toMatch(
    /more air for the same current; the spreads of their air do not overlap/,
  )
})

test(
  'makeshift measurements: median and range of a bag, mean of a grid, millivolts over a fuse; nothing ' +
    'from nothing',
  () => {
    // 0.12 m³ in 3.0 s is 0.04; in 2.9 s 0.04138, in 3.2 s 0.0375: half of the range is 0.00194
    expect(flowByBag(0.12, [3.2, 2.9, 3])).toEqual({
      value: 0.12 / 3,
      source: 'measured',
      spread: expect.closeTo((0.12 / 2.9 - 0.12 / 3.2) / 2, 9) as number,
    })
    expect(flowByAnemometer(0.01, [3, 4, 5])).toMatchObject({
      value: expect.closeTo(0.04, 9) as number,
      spread: expect.closeTo(0.01 / Math.sqrt(3), 9) as number,
    })
    // a 10 A blade fuse: 0.12 · 10^−1.2 = 7.57 milliohm
    expect(currentByFuse(0.03, 10)!.value).toBeCloseTo(3.96, 2)
    expect([
      flowByBag(0, [3]),
      flowByBag(0.1, [0]),
      flowByBag(0.1, []),
      flowByAnemometer(0.1, [-1]),
      currentByFuse(0.02, 0),
    ]).toEqual([null, null, null, null, null])
  },
)

test('a tie whose hole lies beside the fins is no tie: said in words, and no gap is named', () => {
  expect(tiesOf(bike)!.besideFins).toBe(false)
  const wide = chooseFan(bike, fan('fan-curlew-225'))
  expect(tiesOf(wide)!.besideFins).toBe(true)
  expect(fasteningWords(wide)).toEqual([expect.stringMatching(/no tie can go through/)])
  expect(planWarnings(wide).filter((w) => w.id === 'tie holes')).toHaveLength(1)
})

test('ties bring a look after the first hour, once, and take it with them unless it was done', () => {
  const care = (job: Job) => job.after.filter((a) => a.id === 'ties')
  const tied = changeMount(changeMount(bike, 'bracket'), 'ties')
  expect(care(tied)).toMatchObject([
    { id: 'ties', what: expect.stringContaining('first hour') as string, dueOn: null, doneOn: null },
  ])
  expect(care(changeMount(tied, 'ties'))).toHaveLength(1)
  expect(care(changeMount(tied, 'shroud'))).toHaveLength(0)
  const done: Job = { ...tied, after: tied.after.map((a) => ({ ...a, doneOn: '2026-01-20' })) }
  expect(care(changeMount(changeMount(done, 'bracket'), 'ties'))).toMatchObject([{ doneOn: '2026-01-20' }])
})

test('a reading is said to firm up the margin that it moves most; what is measured exactly firms up nothing', () => {
  const firms = firmsUp(bike)
  expect(firms.get('cooling.transferFactor')?.margin).toBe('air')
  expect(firms.get('place.obstacles.near2.fromLeftM')?.margin).toBe('fit')
  expect(
    firmsUp(withReading(bike, 'cooling.transferFactor', { value: 1, source: 'measured', spread: 0 })).has(
      'cooling.transferFactor',
    ),
  ).toBe(false)
})

test(
  'awkward places stay figures: a fan larger than its core, overlapping neighbours, one tube, no vents, a fan ' +
    'that barely turns',
  () => {
    const twice = changePlace(bike, {
      obstacles: [...bike.place.obstacles, { ...bike.place.obstacles[0]!, id: 'near9' }],
    })
    const jobs = [
      chooseFan(bike, fan('fan-curlew-225')),
      twice,
      set(bike, 'cooling.tubePitchM', 0.05),
      set(digger, 'bay.ventInM2', 0),
      set(bike, 'fans.fan1.part.freeFlowM3s', 0.0005),
      set(bike, 'place.freeDepthM', 0),
      set(changePlace(digger, { mount: 'duct' }), 'place.duct.diameterM', 0.02),
    ]
    for (const job of jobs) {
      for (const m of evaluate(job).margins)
        for (const p of m.parts) if (p.value !== null) expect(Number.isFinite(p.value + p.worst! + p.best!)).toBe(true)
      expect(() => sample(job)).not.toThrow()
    }
  },
)

test(
  'what cannot be is refused by the document: negative bends, a panel that is not there, the same neighbour ' +
    'twice, a seat in the next county',
  () => {
    const refused = (job: unknown, at: string) =>
      expect(jobSchema.safeParse(job).error?.issues.some((i) => i.path.join('.').startsWith(at))).toBe(true)
    refused(changePlace(bike, { duct: { ...bike.place.duct, bends: -1 } }), 'place.duct.bends')
    refused(changePlace(digger, { panel: 'nowhere' }), 'place.panel')
    refused(changePlace(bike, { obstacles: [bike.place.obstacles[0]!, bike.place.obstacles[0]!] }), 'obstacles')
    refused({ ...bike, fans: bike.fans.map((f) => ({ ...f, seat: { core: 9, xM: 99, yM: 0 } })) }, 'fans.0.seat')
    refused({ ...digger, bay: { ...digger.bay!, panels: [] } }, 'bay.panels')
  },
)

test('remedies of Air: a shroud with what it brings, then closing its gap; without a fan, a fan', () => {
  const air = (job: Job) =>
    remediesFor(
      job,
      evaluate(job).margins.find((m) => m.id === 'air')!,
    )
      .map((r) => r.text)
      .join(' ')
  const hard = set(bike, 'engine.slowShare', 0.4)
  const shrouded = changePlace(hard, { mount: 'shroud', gapM: { value: 0.004, source: 'measured' } })
  expect(air(hard)).toMatch(
    /A shroud over the whole core, closed all round: \d+ m³\/h through the fins instead of 1\d\d m³\/h/,
  )
  expect(air(shrouded)).toMatch(/Close the gap round the shroud/)
  expect(air(changePlace(shrouded, { gapM: { value: 0, source: 'measured' } }))).not.toMatch(/Close the gap/)
  const none: Job = { ...hard, fans: [], runs: hard.runs.map((r) => ({ ...r, fan: null })) }
  expect(air(none)).toMatch(/Choose a fan/)
})

test('things near, panels and legs come and go by choices; the last panel and the last leg stay', () => {
  const three = ['fixed', 'moves', 'exhaust'].reduce(
    (j, kind) => addObstacle(j, kind as 'fixed', kind),
    changePlace(bike, { obstacles: [] }),
  )
  expect(jobSchema.safeParse(three).success).toBe(true)
  expect(new Set(three.place.obstacles.map((o) => o.id)).size).toBe(3)
  expect(dropObstacle(three, three.place.obstacles[1]!.id).place.obstacles.map((o) => o.name)).toEqual([
    'fixed',
    'exhaust',
  ])
  // two of a kind do not lie on each other
  const tubes = addObstacle(addObstacle(changePlace(bike, { obstacles: [] }), 'fixed', 'one'), 'fixed', 'two').place
    .obstacles
  expect(tubes[0]!.fromLeftM.value).not.toBe(tubes[1]!.fromLeftM.value)
  const more = addPanel(digger, 'floor plate')
  expect(more.bay!.panels.at(-1)).toMatchObject({ name: 'floor plate', faces: 'neither' })
  const moved = changePlace(more, { panel: more.bay!.panels.at(-1)!.id })
  expect(dropPanel(moved, moved.place.panel!).place.panel).toBe('panel1')
  const one = ['panel3', 'panel2', 'panel1'].reduce(dropPanel, digger)
  expect(one.bay!.panels.map((p) => p.id)).toEqual(['panel1'])
  const legs = addLeg(bike, 'fan', 'under the tank')
  expect(part(legs, 'fit', 'fan lead').value).toBeCloseTo(part(bike, 'fit', 'fan lead').value! - 105)
  expect(dropLeg(dropLeg(legs, 'fan', 'leg2'), 'fan', 'leg1').place.leads.fan.map((l) => l.id)).toEqual(['leg1'])
  const fed = changeFlywheel(changeFlywheel(digger, false), true)
  expect(fed.bay!.flywheel).toMatchObject({ freeFlowM3s: { source: 'typical' } })
  expect(coreName(bike, 1)).toBe('right core')
  expect([0.02, 0.12, 0.22].map((y) => heightInWords(bike, y))).toEqual(['high', 'middle', 'low'])
})
