import fc from 'fast-check'
import { AIR_HEAT, bayRise, effectiveness, faceVelocity, heatTransfer, STILL_AIR, zoneFlows } from '../air'
import { runningFan } from '../electrical'
import {
  BayPlant,
  Bus,
  CoolantPlant,
  FanMotor,
  Governor,
  HOT,
  integrate,
  METAL,
  OPENING,
  OUTLET,
  PROBE,
  SpeedTable,
  STATES,
  StiffError,
  thinned,
  type Leg,
  type Run,
  type RunSpec,
} from '.'
import {
  battery,
  coolantSpec,
  core,
  coveredM2,
  fan,
  leg,
  rating,
  ratedHeatW,
  runSpec,
  thermostat,
  wholeM2,
} from './test-machine'

/** the adaptive solver as it is used here; its own types do not pass strict checks */
interface AdaptiveSolver {
  absoluteTolerance: number
  relativeTolerance: number
  solve(rates: (t: number, y: number[]) => number[], from: number, y: readonly number[], to: number): { y: number[] }
}
const { Solver } = jest.requireActual<{ Solver: new (n: number) => AdaptiveSolver }>('odex')

const run = (spec: RunSpec, stepS = 0.2, everyS = 1): Run => integrate(spec, { stepS, everyS })!
const last = <T extends ArrayLike<number>>(column: T): number => column[column.length - 1]!
/** most that two runs of the same rows differ, from the second row on */
const apart = (a: Run, b: Run, column: 'hot' | 'outlet' | 'probe' | 'metal'): number =>
  Math.max(...Array.from(a.trace[column], (v, i) => Math.abs(v - b.trace[column][i]!)))
const outing = [
  leg('start', 4, 1200),
  leg('climb', 20, 3000, { travelMs: 2.2 }),
  leg('track', 8, 3500, { travelMs: 9, pumpShare: 0.65 }),
  leg('gate', 6, 650, { pumpShare: 0.2 }),
  leg('off', 15, 0, { running: false, live: false, chargeA: 0, loadsA: 0, pumpShare: 0 }),
]

describe('a steady state', () => {
  test(
    'with the thermostat out is what the closed form says: ε C_min of each zone, 25 W/m²K, and what the ' +
      'engine sheds',
    () => {
      const heatW = 2500
      const steady = run(
        runSpec([leg('steady', 180, heatW, { travelMs: 3 })], { kind: 'on' }, { coolant: { thermostat: null } }),
        0.5,
        60,
      )
      const volts = last(steady.trace.volts)
      const speed = runningFan(rating, volts, 0.05).speed
      // by hand from the formulas of air and heat: nothing of the run goes in but its bus voltage
      const ram = 0.4 * 0.5 * 1.2 * 9
      const v =
        zoneFlows(
          { core, coveredArea: coveredM2, openArea: 0, gapArea: 0 },
          { fan, speed, against: false, ramPa: ram, density: 1.2 },
        ).covered / coveredM2
      const flow = (ratedHeatW / 8) * 0.4
      const zone = (area: number, velocity: number): number => {
        const [air, coolant] = [1.05 * AIR_HEAT * velocity * area, (flow * area) / wholeM2]
        const [least, most] = [Math.min(air, coolant), Math.max(air, coolant)]
        return effectiveness((heatTransfer(core, velocity) * area) / least, least / most) * least
      }
      const ua = zone(coveredM2, v) + zone(wholeM2 - coveredM2, faceVelocity(core, ram, 1.2))
      const still = STILL_AIR * wholeM2
      const outer = (8 + 4 * Math.sqrt(3)) * 0.055 * 27 ** (2 / 3)
      // unknown T_h: T_r = T_h − Q/flow, T_e = T_h + Q/(ratedHeat/25), Q = ua (T_h − 30) + still (T_r − 30), heat = Q +
      // outer (T_e − 30)
      const overOf = (q: number): number => (q + (still * q) / flow) / (ua + still)
      let [low, high] = [0, heatW]
      for (let i = 0; i < 80; i++) {
        const q = (low + high) / 2
        if (q + outer * (overOf(q) + q / (ratedHeatW / 25)) > heatW) high = q
        else low = q
      }
      expect(last(steady.trace.hot)).toBeCloseTo(30 + overOf(low), 1)
      expect(last(steady.trace.outlet)).toBeCloseTo(30 + overOf(low) - low / flow, 1)
      expect(last(steady.trace.metal)).toBeCloseTo(30 + overOf(low) + low / (ratedHeatW / 25), 1)
      // the probe shows 0.9 of the outlet's warmth
      expect(last(steady.trace.probe)).toBeCloseTo(30 + 0.9 * (overOf(low) - low / flow), 1)
    },
  )
  test('of a bay is §2.7 solved at once', () => {
    const air = { ventM2: 0.02, heightM: 0.45, breezeMs: 0, panelM2: 1.2 }
    const plant = new BayPlant({
      metal: 450 * 30 * 0.6,
      bay: 7000,
      metalToBay: 45,
      ...air,
      fans: 1,
      fanFlow: (_, speeds) => 0.05 * speeds[0]!,
      apart: [0],
      extracts: true,
      inletRiseK: 0,
      probes: [{ kappa: 1, lagS: 20, atOutlet: false }],
    })
    const steady = run(
      {
        plant,
        legs: [leg('dig', 400, 2000)],
        motors: [new FanMotor(rating, 0)],
        governors: [new Governor({ kind: 'on' }, { afterS: 0 })],
        bus: new Bus(battery),
        controllerA: 0,
        coolantKg: Infinity,
      },
      0.5,
      60,
    )
    const { riseK } = bayRise(2000, { ...air, fanFlow: 0.05 * last(steady.trace.speed[0]!), extracts: true }, 30, 1.05)
    expect(last(steady.trace.hot) - 30).toBeCloseTo(riseK, 2)
  })
})

test('what goes in comes out or is stored, through fan, boiling, venting and heat soak, to a thousandth', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 500, max: 9000, noNaN: true }),
      fc.double({ min: 0, max: 12, noNaN: true }),
      fc.integer({ min: -10, max: 40 }),
      (heatW, travelMs, airC) => {
        const { energy, ventedKg } = run(
          runSpec([
            leg('work', 25, heatW, { travelMs, airC }),
            leg('higher', 5, heatW, { travelMs, airC, boilsC: 104 }),
            leg('off', 10, 0, { running: false, live: false, airC }),
          ]),
        )
        expect(Math.abs(energy.brought - energy.carried - energy.shed - energy.vented - energy.stored)).toBeLessThan(
          1e-3 * energy.brought,
        )
        expect(ventedKg * 2.2e6).toBeCloseTo(energy.vented, 3)
      },
    ),
    { numRuns: 12 },
  )
})

test('half the step moves no temperature by 0.05 K and no running time by half a second', () => {
  for (const spec of [
    () => runSpec(outing),
    () => runSpec(outing, { kind: 'thermostat', onC: 84, offC: 80, spanK: 12, leastDuty: 0.15 }),
    () => runSpec([leg('up', 30, 7000, { travelMs: 2 }), leg('off', 10, 0, { running: false, live: false })]),
    () => runSpec(outing, thermostat(87, 84), { coolant: { probes: [{ kappa: 1, lagS: 8, atOutlet: false }] } }),
  ]) {
    const [whole, half] = [run(spec()), run(spec(), 0.1)]
    for (const column of ['hot', 'outlet', 'probe', 'metal'] as const)
      expect(apart(whole, half, column)).toBeLessThan(0.05)
    whole.legs.forEach((l, i) => expect(Math.abs(l.fanS - half.legs[i]!.fanS)).toBeLessThan(0.5))
    expect(whole.starts).toEqual(half.starts)
  }
})

test('a general adaptive solver finds the same course on the same equations', () => {
  // no fan and no boiling: nothing to cut, so the two must agree all the way
  const spec = runSpec([leg('work', 20, 2200, { travelMs: 4 })], { kind: 'off' })
  const mine = run(spec, 0.2, 60)
  const plant = runSpec([leg('work', 20, 2200, { travelMs: 4 })], { kind: 'off' }).plant
  plant.begin(spec.legs[0]!)
  plant.blow(new Float64Array(1))
  const y = new Float64Array(STATES)
  plant.settle(y, 30)
  const solver = new Solver(STATES)
  solver.absoluteTolerance = solver.relativeTolerance = 1e-8
  const ends = solver.solve(
    (_t, at) => {
      const dy = new Float64Array(STATES)
      plant.rates(Float64Array.from(at), dy)
      return [...dy]
    },
    0,
    [...y],
    1200,
  ).y
  for (const [state, column] of [
    [METAL, 'metal'],
    [HOT, 'hot'],
    [OUTLET, 'outlet'],
    [OPENING, 'opening'],
    [PROBE, 'probe'],
  ] as const)
    expect(last(mine.trace[column])).toBeCloseTo(ends[state]!, 2)
})

describe('a thermostat', () => {
  const turns = (r: Run): { on: number[]; off: number[] } => {
    const share = r.trace.share[0]!
    const found = { on: [] as number[], off: [] as number[] }
    for (let i = 1; i < share.length; i++)
      if (share[i]! > 0 !== share[i - 1]! > 0) (share[i]! > 0 ? found.on : found.off).push(r.trace.probe[i]!)
    return found
  }
  const hot = [leg('work', 60, 2600, { travelMs: 1 })]
  test.each([
    ['band below: set 87, band 5', 87, 82],
    ['band above: set 82, band 5', 87, 82],
    ['fixed: closes at 92, opens at 86', 92, 86],
  ])('%s switches there', (_, onC, offC) => {
    const { on, off } = turns(run(runSpec(hot, thermostat(onC, offC)), 0.2, 0.2))
    expect(on.length).toBeGreaterThan(0)
    for (const c of on) expect(c).toBeCloseTo(onC, 1)
    for (const c of off) expect(c).toBeCloseTo(offC, 1)
  })
  test('a ramp begins with its least duty, is full at set + span, and holds the least down to off', () => {
    const g = new Governor({ kind: 'thermostat', onC: 80, offC: 75, spanK: 10, leastDuty: 0.2 }, { afterS: 0 })
    g.look(79)
    expect(g.duty(79, true)).toBe(0)
    g.look(80)
    expect([80, 85, 90, 99, 77].map((c) => g.duty(c, true))).toEqual(
      [0.2, 0.6, 1, 1, 0.2].map((d): unknown => expect.closeTo(d, 9)),
    )
    g.look(75)
    expect(g.duty(77, true)).toBe(0)
  })
  test('off below what the engine thermostat holds: once on, the fan never stops; 2 K above, it does', () => {
    // the probe in the inlet shows 30 + 0.9 · (78 − 30) = 73.2 when the engine thermostat only just opens
    const inlet = { coolant: { probes: [{ kappa: 0.9, lagS: 20, atOutlet: false }] } }
    const idle = [leg('work', 15, 3500), leg('idle', 60, 900, { pumpShare: 0.2 })]
    const never = run(runSpec(idle, thermostat(80, 71), inlet))
    expect(never.legs[1]!.fanS).toBeCloseTo(3600, 0)
    expect(never.starts).toEqual([1])
    const stops = run(runSpec(idle, thermostat(84, 75.5), inlet))
    expect(stops.legs[1]!.fanS).toBeLessThan(3000)
  })
  test('two fans staged: the second comes on at its own point, later, and runs less', () => {
    const one = coolantSpec([0])
    const [covered, open] = one.zones
    const plant = new CoolantPlant({
      ...one,
      fans: 2,
      zones: [covered!, { ...covered!, fan: 1 }, { ...open!, areaM2: open!.areaM2 - covered!.areaM2 }],
    })
    const staged = run(
      {
        ...runSpec([leg('work', 60, 3300)]),
        plant,
        motors: [new FanMotor(rating, 0.05), new FanMotor(rating, 0.05)],
        governors: [new Governor(thermostat(84, 80), { afterS: 0 }), new Governor(thermostat(90, 86), { afterS: 0 })],
      },
      0.2,
      0.2,
    )
    const [first, second] = staged.trace.share
    const begins = (share: Float64Array): number => share.findIndex((d) => d > 0)
    expect(staged.trace.probe[begins(second!)]!).toBeCloseTo(90, 1)
    expect(begins(second!)).toBeGreaterThan(begins(first!))
    expect(second!.reduce((a, b) => a + b, 0)).toBeLessThan(first!.reduce((a, b) => a + b, 0))
    // what both take is more than one alone
    expect(staged.endCharge).toBeLessThan(run(runSpec([leg('work', 60, 3300)], thermostat(84, 80))).endCharge)
  })
  test('with the key off the fan stands; a timer carries it through the heat soak for as long as it is set', () => {
    const soak = [leg('work', 25, 3500), leg('off', 20, 0, { running: false, live: false, loadsA: 0, chargeA: 0 })]
    expect(run(runSpec(soak)).after).toEqual({ seconds: 0, ah: 0, still: false })
    const timed = run(runSpec(soak, { kind: 'on' }, { fed: { afterS: 180 } }))
    expect(timed.after!.seconds).toBeCloseTo(180, 0)
    // 180 s at what the fan takes on the battery alone
    const amps = new FanMotor(rating, 0.05).current(12.5)
    expect(timed.after!.ah / ((amps * 180) / 3600)).toBeGreaterThan(0.95)
    expect(timed.after!.ah / ((amps * 180) / 3600)).toBeLessThan(1.05)
    expect(run(runSpec(soak, { kind: 'on' }, { fed: { afterS: Infinity } })).after).toMatchObject({
      seconds: expect.closeTo(1200, 3),
      still: true,
    })
  })
})

describe('boiling', () => {
  test('coolant stays at boiling, the rest goes off as vapour, and the run ends with a third of it gone', () => {
    const dry = run(runSpec([leg('work', 120, 6000)], { kind: 'off' }))
    expect(dry.peakC).toBeCloseTo(129, 6)
    expect(dry.ended).toBe('coolant gone')
    expect(dry.ventedKg).toBeGreaterThan(0.3 * 1.3 * 1.03)
    expect(dry.lengthS).toBeLessThan(7200)
    const boils = dry.boilsAtS!
    expect(dry.trace.hot[Math.floor(boils) - 2]!).toBeLessThan(129)
    expect(dry.boilingS).toBeGreaterThan(60)
  })
  test('is later by a lesser load, and does not come with enough fan', () => {
    const at = (heat: number) => run(runSpec([leg('work', 60, heat)], { kind: 'off' })).boilsAtS ?? Infinity
    expect(at(4000)).toBeGreaterThan(at(6000))
    expect(run(runSpec([leg('work', 60, 1500)], { kind: 'on' })).boilsAtS).toBeNull()
  })
})

test(
  'the battery: what is over is charged, at most a quarter of its capacity an hour; what is short is taken; ' +
    'empty, the fan stands',
  () => {
    const hour = (chargeA: number, loadsA: number, more = {}) =>
      run(
        runSpec([leg('hour', 60, 500, { chargeA, loadsA })], { kind: 'off' }, { battery: { charge: 0.5, ...more } }),
        0.5,
        60,
      )
    expect(hour(8, 7).endCharge).toBeCloseTo(0.5 + 0.99 / 7, 3)
    expect(hour(30, 5).endCharge).toBeCloseTo(0.75, 3)
    expect(hour(0, 1).endCharge).toBeCloseTo(0.5 - 1.01 / 7, 3)
    const flat = run(
      runSpec([leg('hours', 120, 500, { chargeA: 0, loadsA: 4 })], { kind: 'on' }, { battery: { charge: 0.5 } }),
      0.5,
      60,
    )
    expect(flat.flatAtS).not.toBeNull()
    expect(last(flat.trace.speed[0]!)).toBe(0)
  },
)

test('tables of air are within half a per cent of what they stand for', () => {
  const velocity = (travel: number, speed: number): number =>
    zoneFlows(
      { core, coveredArea: coveredM2, openArea: 0, gapArea: 0.0003 },
      { fan, speed, against: false, ramPa: 0.4 * 0.5 * 1.2 * travel ** 2, density: 1.2 },
    ).covered / coveredM2
  const travels = [0, 2.2, 11]
  const table = new SpeedTable(travels.length, (row, speed) => velocity(travels[row]!, speed))
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 2 }), fc.double({ min: 0.08, max: 1.25, noNaN: true }), (row, speed) => {
      expect(Math.abs(table.at(row, speed) / velocity(travels[row]!, speed) - 1)).toBeLessThan(0.005)
    }),
  )
})

test('readings that no step follows are refused in words; quick ones are followed with shorter steps', () => {
  expect(() => run(runSpec([leg('x', 5, 2000)], { kind: 'off' }, { coolant: { inCore: 5 } }))).toThrow(StiffError)
  const quick = run(
    runSpec([leg('x', 20, 2000, { travelMs: 5 })], thermostat(87, 82), { coolant: { inCore: 60, inEngine: 80 } }),
  )
  expect(Array.from(quick.trace.hot).every((c) => Number.isFinite(c) && c <= 129.0001)).toBe(true)
})

test('thinning keeps the ends and every peak', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -50, max: 150, noNaN: true }), { minLength: 2, maxLength: 3000 }),
      (values) => {
        const kept = thinned([values], values.length, 300)
        expect(kept[0]).toBe(0)
        expect(kept[kept.length - 1]).toBe(values.length - 1)
        expect(Math.max(...kept.map((i) => values[i]!))).toBe(Math.max(...values))
        expect(Math.min(...kept.map((i) => values[i]!))).toBe(Math.min(...values))
        expect(kept.length).toBeLessThanOrEqual(Math.max(300, 2) + 2)
      },
    ),
  )
})

test('a leg of no length changes nothing', () => {
  const none: Leg = leg('none', 0, 9000)
  expect(last(run(runSpec([none, ...outing, none])).trace.hot)).toBeCloseTo(last(run(runSpec(outing)).trace.hot), 9)
})
