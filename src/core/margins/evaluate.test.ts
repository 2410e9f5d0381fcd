import { readdirSync } from 'node:fs'
import path from 'node:path'
import fc from 'fast-check'
import { Bench } from '../reading'
import { example, exampleShelf } from '@/formats/test-support/examples'
import { proposedFuse, proposedSize, remediesFor } from '../advice'
import { chooseController, powerFlows } from '../fan-circuit'
import {
  changeCharging,
  changeFuse,
  changeRun,
  changeSizes,
  changeWiring,
  chooseFan,
  fieldsOf,
  type Job,
  jobSchema,
  lookupOf,
  type MarginId,
  startJob,
  withReading,
} from '../job'
import type { ControllerPart, FanPart, ProbePart } from '../parts'
import { slideCollar, triggerLadder } from '../run'
import { evaluate } from './evaluate'
import { evaluationSchema } from './evaluation'
import { sample } from './sample'
import { perhaps, toldFromDraws } from './told-from-draws'
import { worstInWords } from './words'
import { speak } from '../words'
import { often } from '../../test-support/often'

const EXAMPLES = path.join(__dirname, '..', '..', '..', 'examples')
const shelf = exampleShelf()
const partOf = <P>(id: string): P => shelf.find((p) => p.id === id) as unknown as P
const part = (job: Job, margin: MarginId, id: string) =>
  evaluate(job)
    .margins.find((m) => m.id === margin)!
    .parts.find((p) => p.id === id)!
const margin = (job: Job, id: MarginId) => evaluate(job).margins.find((m) => m.id === id)!
const fresh = startJob({
  title: 't',
  kind: 'trail-bike',
  machineName: 'm',
  owner: '',
  units: 'metric',
  startedOn: '2026-01-15',
  promisedOn: null,
})
const short = example('fell-bike-short-at-idle')

test('every example is a valid job, and its evaluation has the published shape', () => {
  for (const file of readdirSync(EXAMPLES).filter((f) => f.endsWith('.job.json'))) {
    const evaluation = evaluate(example(file.replace('.job.json', '')))
    expect(evaluationSchema.parse(JSON.parse(JSON.stringify(evaluation)))).toEqual(evaluation)
  }
})

test('a fresh job: everything is open but the fuse, which is short in words', () => {
  const { margins } = evaluate(fresh)
  expect(margins.filter((m) => m.verdict === 'open')).toHaveLength(9)
  expect(margin(fresh, 'fuse')).toMatchObject({ verdict: 'short', value: null })
  expect(worstInWords(evaluate(fresh), 'metric')).toBe('Fuse short: no fuse fitted')
})

// The job "short at idle": Swift 116, 2.9 A at 12 V, 1 mm² 1.1 m out and 1 m back at 60 °C, 7.5 A fuse 40 °C,
// controller's own contact.
// Fan at 14.2 V: I0 0.29, R 12/11.6 = 1.0345, k 9, c/k 2.61: 2.7 ω² + 9 ω − 13.9 = 0, ω = 1.151, I = 3.748… see below.
describe('each margin by hand', () => {
  const i0 = 0.29
  const r = 12 / 11.6
  const k = 12 - 2.9 * r
  const ck = 2.61
  const speed = (-k + Math.sqrt(k * k + 4 * r * ck * (14.2 - r * i0))) / (2 * r * ck)
  const run = i0 + ck * speed * speed
  test('the fan takes 3.73 A at the regulator', () => {
    expect(run).toBeCloseTo(3.73, 2)
    expect(14.2 - run * r - k * speed).toBeCloseTo(0, 9)
  })
  test('fit: 57 − 38 − 5 − 6 mm; lead 400 − (1.05 · (220 + 60 + 72 − 180) + 50 + 30) mm; 50 mm from the exhaust', () => {
    expect(part(short, 'fit', 'depth').value).toBeCloseTo(8)
    expect(part(short, 'fit', 'fan lead').value).toBeCloseTo(139.4)
    // exhaust from 163 mm right and 165 mm down; the fan's frame ends at 60 + 58 and at 72 + 58
    expect(part(short, 'fit', 'near near2').value).toBeCloseTo(Math.hypot(163 - 118, 165 - 130) - 50)
    // the frame tube stands beside it from 131 mm on
    expect(part(short, 'fit', 'near near1').value).toBeCloseTo(13 - 6)
    expect(part(short, 'fit', 'edge').value).toBeCloseTo(2)
  })
  test('supply: 0.36 V less the drop in 2.1 m of 18.5 milliohm a metre, warmed by the current', () => {
    const allowed = 20 * Math.sqrt(45 / 75)
    const warm = 60 + 45 * (run / allowed) ** 2
    expect(part(short, 'supply', 'wires').value).toBeCloseTo(0.36 - run * 2.1 * 0.0185 * (1 + 0.00393 * (warm - 20)), 4)
  })
  test('wire: 0.8 of 20 A · root(45/75) less the fan', () => {
    expect(part(short, 'wire', 'carries, feed').value).toBeCloseTo(0.8 * 20 * Math.sqrt(0.6) - run, 4)
    expect(part(short, 'wire', 'strong enough, feed').value).toBeCloseTo(0.25)
    expect(part(short, 'wire', 'fits the terminal, feed').value).toBeCloseTo(1.5)
  })
  test('fuse: 0.75 · 7.5 · (1 − 0.0015 · 15) less the fan; guards 15.5 A wire', () => {
    expect(part(short, 'fuse', 'carries').value).toBeCloseTo(5.4984 - run, 3)
    expect(part(short, 'fuse', 'guards the wire').value).toBeCloseTo(20 * Math.sqrt(0.6) - 7.5, 3)
    expect(part(short, 'fuse', 'near the post').value).toBeCloseTo(60)
  })
  test('contacts: 0.8 · 10 A less the fan; 35 A less 14.2 V over the winding', () => {
    expect(part(short, 'contacts', 'controller runs').value).toBeCloseTo(8 - run, 4)
    expect(part(short, 'contacts', 'controller starts').value).toBeCloseTo(35 - 14.2 / r, 3)
  })
  test('charge at idle: 6.22 − 6 − fan − 0.002 A', () => {
    expect(part(short, 'charge', 'idle').value).toBeCloseTo(6.2154 - 6 - run - 0.002, 2)
    expect(margin(short, 'charge').verdict).toBe('short')
  })
  test(
    'battery: 1.68 Ah over its own loss alone is 240 days, less 14; with the controller on the feed that is live ' +
      'when parked, 30.5',
    () => {
      // 7 Ah · 0.3 · 0.8 at 0 °C; 7 · 0.03 / 720 h = 0.29 mA, and 2 mA of controller
      expect(part(short, 'battery', 'standing').value).toBeCloseTo(226, 6)
      expect(part(changeWiring(short, { controlFrom: 'feed' }), 'battery', 'standing').value).toBeCloseTo(16.5, 1)
    },
  )
  test('trigger and boil as in the rules: 82 − 73.4 − 2; boiling − 10 − (96.67 + 9.56 + 6)', () => {
    expect(part(short, 'trigger', 'stops, hottest').value).toBeCloseTo(6.6)
    expect(part(short, 'boil', 'boil, coldest').value).toBeGreaterThan(6)
    expect(part(short, 'boil', 'boil, coldest').value).toBeLessThan(7.5)
  })
})

const anyReading = fc.constantFrom(...fieldsOf(short).keys())

test('worst ≤ value ≤ best, and the evaluation is total, whatever the readings are', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          anyReading,
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.constantFrom('measured' as const, 'label' as const, 'typical' as const),
        ),
        { maxLength: 12 },
      ),
      (changes) => {
        const job = changes.reduce((j, [address, share, source]) => {
          const { limits } = fieldsOf(j).get(address)!
          return withReading(j, address, { value: limits.min + share * (limits.max - limits.min), source })
        }, short)
        const evaluation = evaluate(jobSchema.parse(job))
        evaluationSchema.parse(evaluation)
        for (const p of evaluation.margins.flatMap((m) => m.parts)) {
          if (p.value === null) continue
          expect(p.worst!).toBeLessThanOrEqual(p.value)
          expect(p.best!).toBeGreaterThanOrEqual(p.value)
        }
      },
    ),
    { numRuns: often(24) },
  )
})

test('a longer wire never raises a margin', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('conductors.feed1.lengthM', 'conductors.return1.lengthM'),
      fc.double({ min: 0.05, max: 30, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      (address, length, more) => {
        const at = (value: number) =>
          evaluate(withReading(short, address, { value, source: 'measured' })).margins.flatMap((m) =>
            m.parts.map((p) => p.value),
          )
        const longer = at(length + more)
        at(length).forEach((v, i) => {
          if (v !== null) expect(longer[i]!).toBeLessThanOrEqual(v + 1e-9)
        })
      },
    ),
    { numRuns: often(24) },
  )
})

test('sampling gives the same answer twice, agrees with the verdicts, and names the reading that matters', () => {
  const once = sample(short)
  expect(sample({ ...short })).toEqual(once)
  const of = (id: MarginId) => once.find((m) => m.id === id)!
  expect(of('charge').chanceShort).toBeGreaterThan(0.9)
  // 2 mm of room across, and a tape is within 1 mm
  expect(of('fit').chanceShort).toBeLessThan(0.05)
  expect(of('air').chanceShort).toBeGreaterThan(0.2)
  expect(of('fuse').measureNext?.address).toBe('fans.fan1.part.ratedA')
  expect(sample(fresh).find((m) => m.id === 'fuse')!.chanceShort).toBe(1)
})

test('following the remedies leads a chosen fan and controller to a circuit where nothing is short or open', () => {
  let job = chooseController(
    chooseFan(fresh, partOf<FanPart>('fan-swift-92')),
    partOf<ControllerPart>('controller-beadwheel'),
    partOf<ProbePart>('probe-fin-800'),
  )
  // without an override through the key, which would carry the fan
  job = changeWiring(changeRun(job, { switchedBy: 'controller' }), { override: 'none' })
  for (let n = 0; n < 8; n++) {
    const change = evaluate(job)
      .margins.filter((m) => ['supply', 'wire', 'fuse', 'contacts'].includes(m.id) && m.verdict !== 'holds')
      .flatMap((m) => remediesFor(job, m))
      .find((x) => x.change)?.change
    if (change) job = change(job)
  }
  expect(['supply', 'wire', 'fuse', 'contacts'].map((id) => margin(job, id as MarginId).verdict)).toEqual([
    'holds',
    'holds',
    'holds',
    'holds',
  ])
  // what could still take most of it away is the label's 10 % on the fan's current, which the next size up allows for
  expect(margin(job, 'fuse').hurtsMost).toBe('fans.fan1.part.ratedA')
  expect(job.fuses[0]!.ratingA).toBeGreaterThan(proposedFuse(job)!.ratingA)
  // and none smaller holds
  const smaller = changeFuse(job, proposedFuse(job)!.ratingA)
  expect(margin(smaller, 'fuse').verdict).not.toBe('holds')
})

test('a fuse too large for its wire is short, and the wire too thick for its terminal too', () => {
  expect(margin(changeFuse(short, 20), 'fuse').verdict).toBe('short')
  expect(margin(changeSizes(short, '4 mm²'), 'wire').verdict).toBe('short')
  expect(margin(changeFuse(short, null), 'fuse')).toMatchObject({ verdict: 'short', value: null })
  expect(proposedSize(short, 'imperial')).toEqual({ kind: 'size', size: '18 AWG' })
})

test('charging points begin as the rating promises, and then rule', () => {
  const job = withReading(changeCharging(short, 'points'), 'charging.points.idle.currentA', {
    value: 12,
    source: 'measured',
  })
  expect(powerFlows(job, new Bench(lookupOf(job))).flows[0]!.chargeA).toBeCloseTo(12)
  const clamped = changeCharging(short, 'points')
  expect(part(clamped, 'charge', 'slow work').value).toBeCloseTo(part(short, 'charge', 'slow work').value!)
  // nobody measured a speed with a clamp, and at idle it does not matter how sure idle is
  expect(clamped.charging.points.map((p) => p.rpm.source)).not.toContain('measured')
  const unsure = (j: Job, rpm: number) =>
    withReading(j, 'engine.idleRpm', { value: 1700, source: 'measured', spread: rpm })
  const [loose, tight] = [600, 10].map((s) => part(unsure(job, s), 'charge', 'idle'))
  expect([loose!.worst, loose!.best]).toEqual([tight!.worst, tight!.best])
  // clamped at another speed than idle it counts again
  const faster = withReading(job, 'charging.points.idle.rpm', { value: 1500, source: 'measured' })
  expect(part(unsure(faster, 600), 'charge', 'idle').worst!).toBeLessThan(
    part(unsure(faster, 10), 'charge', 'idle').worst!,
  )
})

test("collars slide by the controller's steps and stop at its ends", () => {
  const to = (job: Job) => triggerLadder(job)!.probe
  expect(to(slideCollar(short, 'on', 91.4))).toMatchObject({ onC: 91, offC: 86 })
  expect(to(slideCollar(short, 'off', 79.6))).toMatchObject({ onC: 87, offC: 80 })
  expect(to(slideCollar(short, 'on', 500)).onC).toBe(115)
  expect(to(slideCollar(short, 'off', 200)).offC).toBe(85)
})

test('what is perhaps so is told once as such, in any language', () => {
  const supply = evaluate(example('fell-bike-signed')).margins.find((m) => m.id === 'supply')!
  const part = supply.parts.find((p) => p.warns)!
  const told = (chanceShort: number): string[] => {
    const warned = { ...supply, warnings: [{ part: part.id, text: perhaps('it loses too much') }] }
    const parts = supply.parts.map((p) => ({ id: p.id, chanceShort: p === part ? chanceShort : 0, low: -1, high: 1 }))
    return toldFromDraws(warned, { x: null, chanceShort: 0, parts, measureNext: null }).warnings.map((w) => w.text)
  }
  const said = () => [told(0.2), told(0.9), told(0)]
  expect(said()).toEqual([['Perhaps: it loses too much'], ['it loses too much'], []])
  speak({ tag: 'nl', decimal: ',', phrases: { 'Perhaps: {0}': 'Misschien: {0}' } })
  try {
    expect(said()).toEqual([['Misschien: it loses too much'], ['it loses too much'], []])
  } finally {
    speak(null)
  }
})
