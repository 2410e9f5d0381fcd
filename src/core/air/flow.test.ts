import fc from 'fast-check'
import { rootBetween } from './root'
import {
  AIR_HEAT,
  bayResistance,
  besideEachOther,
  bayRise,
  blockedShare,
  corePressure,
  effectiveness,
  faceVelocity,
  fanPressure,
  flowAtPressure,
  heatTransfer,
  inSeries,
  ramPressure,
  ventsInSeries,
  zoneFlows,
  zoneHeat,
  zonesHeat,
  type Blowing,
  type CoveredCore,
} from '.'

const fan = { freeFlow: 0.044, maxPressure: 110 }
const core = { thickness: 0.03, finsPerInch: 14 }
const narrow: CoveredCore = { core, coveredArea: 0.0106, openArea: 0.0182, gapArea: 0 }
const still: Blowing = { fan, speed: 1, against: false, ramPa: 0, density: 1.2 }
const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('one law for a fan at every flow', () => {
  test('nothing at its free flow, all at none, in the way above it and when it stands', () => {
    expect(fanPressure(fan, 0.044, 1, 1.2)).toBeCloseTo(0)
    expect(fanPressure(fan, 0, 1, 1.2)).toBeCloseTo(110)
    expect(fanPressure(fan, 0.06, 1, 1.2)).toBeLessThan(0)
    expect(fanPressure(fan, 0.01, 0, 1.2)).toBeLessThan(0)
    expect(fanPressure(fan, 0, 2, 0.6)).toBeCloseTo(110 * 4 * 0.5)
  })
  test('pressure and flow are each other turned round, and fall against each other', () => {
    fc.assert(
      fc.property(
        positive(-0.2, 0.2),
        positive(0, 1.4),
        positive(0.8, 1.3),
        positive(1e-4, 0.05),
        (flow, speed, density, more) => {
          expect(flowAtPressure(fan, fanPressure(fan, flow, speed, density), speed, density)).toBeCloseTo(flow, 6)
          expect(fanPressure(fan, flow + more, speed, density)).toBeLessThan(fanPressure(fan, flow, speed, density))
        },
      ),
    )
  })
})

describe('a core', () => {
  test('by hand: 25 mm of 14 fins per inch', () => {
    expect(corePressure({ thickness: 0.025, finsPerInch: 14 }, 2, 1.2)).toBeCloseTo(9.5 * 2 ** 1.6)
    expect(corePressure({ thickness: 0.05, finsPerInch: 14 }, -1, 0.6)).toBeCloseTo(-9.5)
    expect(heatTransfer({ thickness: 0.025, finsPerInch: 14 }, 3)).toBeCloseTo(3500)
    expect(faceVelocity(core, corePressure(core, 1.7, 1.1), 1.1)).toBeCloseTo(1.7)
  })
  /** both fluids unmixed: the exact series of the textbooks */
  const exact = (ntu: number, cr: number): number => {
    let sum = 0
    let [ta, tb] = [Math.exp(-ntu), Math.exp(-cr * ntu)]
    let [a, b] = [ta, tb]
    for (let n = 0; n < 60; n++) {
      sum += (1 - a) * (1 - b)
      ta *= ntu / (n + 1)
      tb *= (cr * ntu) / (n + 1)
      a += ta
      b += tb
    }
    return sum / (cr * ntu)
  }
  test(
    'effectiveness is within 4 % of the exact series (3 % where the capacities differ by a quarter), and 1 − ' +
      'e^(−NTU) where one side has no end of heat',
    () => {
      for (const ntu of [0.25, 0.5, 1, 2, 3, 5])
        for (const cr of [0.1, 0.25, 0.5, 0.75, 1])
          expect(Math.abs(effectiveness(ntu, cr) / exact(ntu, cr) - 1)).toBeLessThan(cr > 0.75 ? 0.04 : 0.03)
      expect(effectiveness(1, 0)).toBeCloseTo(0.632, 3)
      expect(effectiveness(0, 0.5)).toBe(0)
    },
  )
})

describe('two zones', () => {
  test('what the fan moves goes through core and gap, at its own pressure', () => {
    fc.assert(
      fc.property(
        positive(0, 1.3),
        positive(0, 60),
        positive(0, 0.002),
        fc.boolean(),
        (speed, ramPa, gapArea, against) => {
          const flows = zoneFlows({ ...narrow, gapArea }, { ...still, speed, ramPa, against })
          const byFan = against
            ? -flowAtPressure(fan, -flows.fanPressurePa, speed, 1.2)
            : flowAtPressure(fan, flows.fanPressurePa, speed, 1.2)
          expect(flows.covered + flows.gap).toBeCloseTo(byFan, 6)
          expect(corePressure(core, flows.covered / narrow.coveredArea, 1.2)).toBeCloseTo(
            flows.fanPressurePa + ramPa,
            4,
          )
        },
      ),
    )
  })
  test(
    'limits: no gap leaks nothing, no ram passes nothing through the open zone, no fan leaves it all open, a ' +
      'blocked core nothing',
    () => {
      const flows = zoneFlows(narrow, still)
      expect(flows).toMatchObject({ gap: 0, open: 0, stalled: false })
      expect(flows.covered).toBeGreaterThan(0.02)
      expect(flows.covered).toBeLessThan(0.044)
      const open = zoneFlows(narrow, { ...still, fan: null, ramPa: 20 })
      expect(open.covered / narrow.coveredArea).toBeCloseTo(open.open / narrow.openArea)
      expect(zoneFlows({ ...narrow, coveredArea: 0, openArea: 0 }, { ...still, ramPa: 20 })).toMatchObject({
        covered: 0,
        open: 0,
      })
    },
  )
  test('more speed or ram moves more, a gap takes from the core what it gives to the fan', () => {
    fc.assert(
      fc.property(positive(0.1, 1.2), positive(0, 40), positive(0.01, 0.3), (speed, ramPa, more) => {
        const at = (change: Partial<Blowing>, gapArea = 0): number =>
          zoneFlows({ ...narrow, gapArea }, { ...still, speed, ramPa, ...change }).covered
        expect(at({ speed: speed + more })).toBeGreaterThan(at({}))
        expect(at({ ramPa: ramPa + 10 * more })).toBeGreaterThan(at({}))
        if (ramPa === 0) expect(at({}, 0.001)).toBeLessThan(at({}))
      }),
    )
    expect(zoneFlows({ ...narrow, gapArea: 0.002 }, still).covered).toBeLessThan(zoneFlows(narrow, still).covered)
  })
  test(
    'a fan wired against the ram: it blows backwards standing, stalls at some speed, and is overcome at a ' +
      'higher one',
    () => {
      const flow = (kmh: number) =>
        zoneFlows(narrow, { ...still, against: true, ramPa: ramPressure(0.4, kmh / 3.6, 1.2) })
      expect(flow(0).covered).toBeLessThan(0)
      expect(flow(0).stalled).toBe(true)
      expect(flow(100).covered).toBeGreaterThan(0)
      expect(flow(100).covered).toBeLessThan(
        zoneFlows(narrow, { ...still, ramPa: ramPressure(0.4, 100 / 3.6, 1.2) }).covered,
      )
    },
  )
  test('heat never passes what air or coolant can take, and falls to what still air takes', () => {
    fc.assert(
      fc.property(positive(1e-4, 0.2), positive(1, 3000), positive(1, 100), (flow, coolant, over) => {
        const heat = zoneHeat(core, 0.02, flow, coolant, over, 1.1)
        expect(heat).toBeGreaterThan(0)
        expect(heat).toBeLessThanOrEqual(Math.min(1.1 * AIR_HEAT * flow, coolant) * over * (1 + 1e-9))
      }),
    )
    expect(
      zonesHeat(
        core,
        [
          { area: 0.0106, flow: 0 },
          { area: 0.0182, flow: 0 },
        ],
        800,
        80,
        1.2,
      ),
    ).toBeCloseTo(25 * 0.0288 * 80)
    const divided = zonesHeat(
      core,
      [
        { area: 0.0106, flow: 0.03 },
        { area: 0.0182, flow: 0.01 },
      ],
      800,
      80,
      1.2,
    )
    expect(divided).toBeCloseTo(
      zoneHeat(core, 0.0106, 0.03, (800 * 0.0106) / 0.0288, 80, 1.2) +
        zoneHeat(core, 0.0182, 0.01, (800 * 0.0182) / 0.0288, 80, 1.2) +
        57.6,
    )
  })
})

describe('a bay', () => {
  test('by hand: 300 W into 0.03 m³/s is 8.3 K; two like vents in series are one over root two', () => {
    expect(
      bayRise(300, { ventM2: 0, heightM: 0, breezeMs: 0, fanFlow: 0.03, extracts: false }, 20, 1.2).riseK,
    ).toBeCloseTo(300 / (1.2 * 1006 * 0.03), 3)
    expect(ventsInSeries(0.03, 0.03)).toBeCloseTo(0.03 / Math.SQRT2)
    expect(ventsInSeries(0.03, 0)).toBe(0)
    // buoyancy alone: rise^(3/2) = heat / (density · 1006 · 0.6 A root(2 g H / T))
    const { riseK } = bayRise(500, { ventM2: 0.02, heightM: 0.5, breezeMs: 0, fanFlow: 0, extracts: true }, 20, 1.2)
    expect(1.2 * 1006 * 0.6 * 0.02 * Math.sqrt((2 * 9.81 * 0.5 * riseK) / (293.15 + riseK / 2)) * riseK).toBeCloseTo(
      500,
      3,
    )
  })
  test('what goes in as heat goes out with the air; a fan helps, and without any opening there is no end', () => {
    fc.assert(
      fc.property(
        positive(10, 8000),
        positive(0.001, 0.2),
        positive(0, 1),
        positive(0, 8),
        positive(0, 0.3),
        fc.boolean(),
        (heat, ventM2, heightM, breezeMs, fanFlow, extracts) => {
          const bay = { ventM2, heightM, breezeMs, fanFlow, extracts }
          const { riseK, flow } = bayRise(heat, bay, 25, 1.15)
          if (!Number.isFinite(riseK)) return
          expect((1.15 * AIR_HEAT * flow * riseK) / heat).toBeCloseTo(1, 6)
          expect(bayRise(heat, { ...bay, fanFlow: fanFlow + 0.05, extracts }, 25, 1.15).riseK).toBeLessThanOrEqual(
            riseK + 1e-6,
          )
        },
      ),
    )
    expect(bayRise(300, { ventM2: 0, heightM: 0.5, breezeMs: 3, fanFlow: 0, extracts: true }, 20, 1.2)).toEqual({
      riseK: Number.POSITIVE_INFINITY,
      flow: 0,
    })
  })
  test('a blower against vents and hose: less than on the box, none through closed vents, less with every bend', () => {
    const blower = { freeFlow: 0.036, maxPressure: 250 }
    const hose = { lengthM: 1.2, diameterM: 0.076, bends: 2, splitter: false }
    const flow = (vent: number, duct: typeof hose | null): number =>
      inSeries([{ fan: blower, speed: 1 }], 1.2, bayResistance(vent, 1.2, duct))
    const at = flow(0.01, hose)
    expect(fanPressure(blower, at, 1, 1.2)).toBeCloseTo(bayResistance(0.01, 1.2, hose) * at ** 2, 4)
    expect(at).toBeLessThan(flow(0.01, null))
    expect(flow(0.01, { ...hose, bends: 3 })).toBeLessThan(at)
    expect(flow(0.01, { ...hose, splitter: true })).toBeLessThan(at)
    expect(flow(0, hose)).toBe(0)
    expect(inSeries([{ fan: blower, speed: 0 }], 1.2, bayResistance(0.01, 1.2, null))).toBe(0)
  })
  test(
    'fans in a row: two alike push as one of twice the pressure, against each other nothing moves, the ' +
      'stronger wins',
    () => {
      const fan = { freeFlow: 0.05, maxPressure: 120 }
      const vents = bayResistance(0.01, 1.2, null)
      const row = (...others: { fan: typeof fan; speed: number; against?: boolean }[]): number =>
        inSeries([{ fan, speed: 1 }, ...others], 1.2, vents)
      expect(row({ fan, speed: 1 })).toBeCloseTo(
        inSeries([{ fan: { ...fan, maxPressure: 240 }, speed: 1 }], 1.2, vents),
        8,
      )
      expect(row({ fan, speed: 1, against: true })).toBeCloseTo(0, 6)
      expect(row({ fan: { ...fan, maxPressure: 400 }, speed: 1, against: true })).toBeLessThan(0)
      expect(row({ fan: { ...fan, maxPressure: 20 }, speed: 1, against: true })).toBeGreaterThan(0)
      // one that stands still in the way costs air
      expect(row({ fan, speed: 0 })).toBeLessThan(row())
    },
  )
  test('sheet that sheds heat and air that something else moves both cool; the shed part is 5 W/m²K', () => {
    const bay = { ventM2: 0, heightM: 0, breezeMs: 0, fanFlow: 0.02, extracts: false }
    const alone = bayRise(600, bay, 30, 1.1).riseK
    const shed = bayRise(600, { ...bay, panelM2: 2 }, 30, 1.1).riseK
    expect(600 / shed).toBeCloseTo(1.1 * 1006 * 0.02 + 10, 4)
    expect(bayRise(600, { ...bay, besides: 0.015 }, 30, 1.1).riseK).toBeCloseTo(600 / (1.1 * 1006 * 0.025), 4)
    expect(shed).toBeLessThan(alone)
    // with no air at all the sheet carries everything
    expect(bayRise(100, { ...bay, fanFlow: 0, panelM2: 1 }, 30, 1.1).riseK).toBeCloseTo(20, 6)
  })
})

describe('a root', () => {
  test('is found as closely as asked, for curves that bend, kink and lie flat; ends of one sign give the nearer', () => {
    fc.assert(
      fc.property(
        positive(-3, 3),
        fc.constantFrom(
          (x: number) => x,
          (x: number) => x ** 3,
          (x: number) => Math.sign(x) * Math.sqrt(Math.abs(x)),
          (x: number) => Math.expm1(x),
          (x: number) => (x < 0 ? x * 1e-3 : x * 1e3),
        ),
        (at, f) => {
          expect(rootBetween((x) => f(x - at), -5, 7, 1e-9)).toBeCloseTo(at, 6)
          expect(rootBetween((x) => -f(x - at), -5, 7, 1e-9)).toBeCloseTo(at, 6)
        },
      ),
    )
    expect(rootBetween((x) => x + 10, 0, 5, 1e-9)).toBe(0)
    expect(rootBetween((x) => x, 0, 5, 1e-9)).toBe(0)
  })
})

test('ground blocks more between finer fins, by the power one and a half, and never more than 0.8', () => {
  expect(blockedShare(0.3, 14)).toBeCloseTo(0.3)
  expect(blockedShare(0.3, 7)).toBeCloseTo(0.3 / Math.SQRT2 ** 3)
  expect(blockedShare(0.3, 30)).toBe(0.8)
  expect(blockedShare(0, 30)).toBe(0)
})

test('two fans through the same vents share their pressure: two alike as each through a path four times as hard', () => {
  const fan = { freeFlow: 0.09, maxPressure: 110 }
  const small = { freeFlow: 0.03, maxPressure: 60 }
  fc.assert(
    fc.property(
      fc.double({ min: 500, max: 60_000, noNaN: true }),
      fc.double({ min: 0.4, max: 1.1, noNaN: true }),
      (k, speed) => {
        const row = [{ fan, speed }]
        const [one, two] = [inSeries(row, 1.1, k), besideEachOther([row, row], 1.1, k)]
        expect(two / (2 * inSeries(row, 1.1, 4 * k))).toBeCloseTo(1, 4)
        expect(two).toBeGreaterThan(one)
        expect(two).toBeLessThan(2 * one)
        expect(besideEachOther([row], 1.1, k)).toBe(one)
        // a weak one beside it never takes more than it brings, nor brings more than it has in free air
        const beside = besideEachOther([row, [{ fan: small, speed }]], 1.1, k)
        expect(beside).toBeLessThan(one + 0.03 * speed)
      },
    ),
    { numRuns: 60 },
  )
  expect(besideEachOther([], 1.1, 900)).toBe(0)
})
