import { example, examplesOf } from '@/formats/test-support/examples'
import { airDensity, corePressure, fanPressure } from '../air'
import { comparedFans } from '../advice'
import { changeCooling, changeSizes, type Job, startJob, withReading } from '../job'
import { movedAir } from './moved-air'

const job = example('fell-bike-short-at-idle')
const fans = examplesOf('fan')
const swift = fans.find((f) => f.id === 'fan-swift-116')!
const flow = (j: Job, fan = swift): number => movedAir(j, fan)!.flowM3s

test('by hand: blades of 108 mm over a 120 mm core, standing: its pressure at that flow is what the core takes', () => {
  const bare: Job = { ...job, conductors: job.conductors.map((c) => ({ ...c, size: null })) }
  const density = airDensity(job.surroundings.heightM.value, job.surroundings.hottestC.value)
  // 1.15 of its rated speed at 14.2 V (see the figures of each margin): free flow 160 m³/h, 110 Pa
  const speed = (-9 + Math.sqrt(81 + 10.8 * (14.2 - 0.3))) / 5.4
  const moved = flow(bare)
  const { value: thickness } = job.cooling!.coreThicknessM
  const face = moved / (Math.PI * 0.054 ** 2)
  expect(fanPressure({ freeFlow: swift.freeFlowM3s.value, maxPressure: 110 }, moved, speed, density)).toBeCloseTo(
    corePressure({ thickness, finsPerInch: job.cooling!.finsPerInch.value }, face, density),
    1,
  )
  expect(movedAir(bare, swift)!.ofBox).toBeCloseTo(moved / swift.freeFlowM3s.value)
})

test('thin wire costs air, a shroud and a thinner core give some, height takes some', () => {
  expect(flow(changeSizes(job, '0.35 mm²'))).toBeLessThan(flow(changeSizes(job, '2.5 mm²')))
  expect(flow({ ...job, place: { ...job.place, mount: 'shroud' } })).toBeGreaterThan(flow(job))
  expect(flow(withReading(job, 'cooling.coreThicknessM', { value: 0.02, source: 'measured' }))).toBeGreaterThan(
    flow(job),
  )
  const light = { ...job, surroundings: { ...job.surroundings, heightM: { value: 4000, source: 'measured' as const } } }
  expect(flow(light) / flow(job)).toBeCloseTo(1, 1)
})

test('a bay is limited by its vents, and every fan of the shelf gets a figure that is a number', () => {
  const digger = startJob({
    title: 't',
    kind: 'digger-air',
    machineName: 'm',
    owner: '',
    units: 'metric',
    startedOn: '2026-01-15',
    promisedOn: null,
  })
  const tight = withReading(digger, 'bay.ventInM2', { value: 0.004, source: 'measured' })
  // by hand: 40 cm² in series with 300 cm²; what the fan adds is ½ density (Q / 0.6 A)²
  const density = airDensity(digger.surroundings.heightM.value, digger.surroundings.hottestC.value)
  const area = 1 / Math.sqrt(1 / 0.004 ** 2 + 1 / 0.03 ** 2)
  const speed = (-9 + Math.sqrt(81 + 10.8 * (14.2 - 0.3))) / 5.4
  expect(fanPressure({ freeFlow: swift.freeFlowM3s.value, maxPressure: 110 }, flow(tight), speed, density)).toBeCloseTo(
    0.5 * density * (flow(tight) / (0.6 * area)) ** 2,
    1,
  )
  expect(flow(tight)).toBeLessThan(flow(digger))
  expect(flow(withReading(digger, 'bay.ventOutM2', { value: 0, source: 'measured' }))).toBe(0)
  for (const j of [job, digger, changeCooling(job, { coreWidthM: { value: 0.03, source: 'measured' } })]) {
    for (const { moved, leanestNetA } of comparedFans(j, fans)) {
      expect(moved!.flowM3s).toBeGreaterThan(0)
      expect(Number.isFinite(moved!.ofBox + leanestNetA)).toBe(true)
    }
  }
})

test('a depth that just does is not told as short by a rounding', () => {
  // 64 mm free, 50 mm of fan, 8 mm of stand-offs, 6 mm to keep
  const [wheatear] = comparedFans(
    example('churchyard-digger-bay'),
    fans.filter((f) => f.id === 'fan-wheatear-150'),
  )
  expect(wheatear!.depthOverM).toBe(0)
})
