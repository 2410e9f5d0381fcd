import { type MachineKind } from './choices'
import { machineKinds } from './choices'
import { type MarginId } from './choices'
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { readJob, readShelfFile } from '@/formats'
import { example } from '@/formats/test-support/examples'
import { proofsOf, stepsOf } from '../build'
import { benchSheet } from '../sheets'
import { cureChecks, planWarnings, signing } from '../plan'
import { Bench } from '../reading'
import { comparedCores, coresInWords, remediesFor } from '../advice'
import { chooseController, powerFlows, proposedSetting } from '../fan-circuit'
import { batteryOutlook, evaluate, sample } from '../margins'
import type { BatteryPart, ControllerPart, FanPart, ProbePart, RelayPart } from '../parts'
import { holeMove } from '../placing'
import { percent } from '../units'
import { addSecondFan } from '../wiring'
import { slideCollar, triggerLadder } from '../run'
import { askedFields, lookupOf, withReading } from './address'
import { chooseRelay } from './changes/control'
import { chooseFan } from './changes/fan'
import { changeSystemVoltage, takeBatteryLabel } from './changes/machine'
import { changeFuse, changeRun, changeSizes } from './changes/run'
import { changeWiring } from './changes/wiring'
import { type Job, jobSchema } from './document'
import { type JobKind, jobKinds } from './kinds'
import { migrateJob } from './migrations'
import { JOB_VERSION } from './version'
import { startJob } from './start'
import { typicalMachines } from './typical'

const shelf = readShelfFile(readFileSync(path.join(__dirname, '..', '..', '..', 'examples', 'shelf.json'), 'utf8'))
const partOf = <P>(id: string): P => (shelf.ok ? (shelf.parts.find((p) => p.id === id) as unknown as P) : undefined)!
const begin = (kind: MachineKind, job?: JobKind): Job =>
  startJob({
    title: 't',
    kind,
    job,
    machineName: 'm',
    owner: '',
    units: 'metric',
    startedOn: '2026-01-15',
    promisedOn: null,
  })
const equipped = (job: Job, fan = partOf<FanPart>('fan-gale-140')): Job =>
  changeFuse(
    changeSizes(
      changeRun(
        chooseController(
          chooseFan(job, fan),
          partOf<ControllerPart>('controller-beadwheel'),
          partOf<ProbePart>('probe-fin-800'),
        ),
        { switchedBy: 'controller' },
      ),
      '2.5 mm²',
    ),
    15,
  )
const ids = (job: Job): string[] => evaluate(job).margins.map((m) => m.id)
const part = (job: Job, margin: MarginId, id: string) =>
  evaluate(job)
    .margins.find((m) => m.id === margin)!
    .parts.find((p) => p.id === id)!
const asks = (job: Job): string =>
  askedFields(job)
    .map((f) => f.address)
    .join(' ')

test('every machine with every kind of job that suits it: a valid document, total, and it says what is left', () => {
  for (const kind of machineKinds)
    for (const job of typicalMachines[kind].jobs) {
      for (const j of [
        begin(kind, job),
        equipped(begin(kind, job)),
        changeSystemVoltage(equipped(begin(kind, job)), 24),
      ]) {
        expect(jobSchema.safeParse(j).success).toBe(true)
        expect(signing(j, evaluate(j)).ready).toBe(false)
        const headings = benchSheet(j, evaluate(j)).sections.map((s) => s.heading)
        expect(headings.includes('Place')).toBe(j.fans.length > 0 && jobKinds[j.kind].mountsFan)
        expect(new Set(headings).size).toBe(headings.length)
      }
      expect(() => sample(equipped(begin(kind, job)))).not.toThrow()
    }
})

describe('each kind of job asks only its own questions and shows only its own margins', () => {
  const all = ['fit', 'air', 'supply', 'wire', 'fuse', 'contacts', 'charge', 'battery', 'trigger', 'boil']
  test('a fan on a core', () => {
    const job = equipped(begin('digger-liquid'))
    expect(ids(job)).toEqual(all)
    expect(asks(job)).toMatch(/cooling\.coreWidthM.*engine\.|engine\..*cooling\.coreWidthM/)
    expect(asks(job)).not.toMatch(/bay\.|newCore|trailer/)
  })
  test('air through a bay: no coolant, no engine thermostat, no boiling', () => {
    const job = equipped(begin('digger-air'))
    expect(ids(job)).toEqual(all.filter((m) => m !== 'boil'))
    expect(asks(job)).toMatch(/bay\.ventInM2/)
    expect(asks(job)).not.toMatch(/cooling|thermostatOpensC/)
    expect(
      evaluate(job)
        .margins.find((m) => m.id === 'trigger')!
        .parts.map((p) => p.id),
    ).toEqual(['band', 'stops, coldest', 'in time, coldest', 'stops, hottest', 'in time, hottest', 'controller'])
    expect(
      evaluate(job)
        .margins.find((m) => m.id === 'air')!
        .parts.map((p) => p.unit),
    ).toEqual(['K'])
    expect(stepsOf(job).map((s) => s.id)).not.toEqual(expect.arrayContaining(['drain']))
    expect(proofsOf(job).map((p) => p.id)).not.toContain('level')
    expect(cureChecks(job).map((c) => c.id)).toContain('shut-vents')
    expect(cureChecks(job).map((c) => c.id)).not.toContain('low-coolant')
  })
  test('a thicker core: the gaps it takes, the pins that move, coolant out whatever holds the fan', () => {
    const job = equipped(begin('side-by-side', 'thicker-core'))
    const read = (address: string, mm: number) => (j: Job) =>
      withReading(j, address, { value: mm / 1000, source: 'measured' })
    const thick = [
      read('cooling.coreThicknessM', 38),
      read('newCore.thicknessM', 56),
      read('place.freeDepthM', 90),
      read('place.standOffM', 5),
      read('newCore.hoseGapM', 30),
      read('newCore.pinOldM', 19),
      read('newCore.pinNewM', 28),
    ].reduce((j, f) => f(j), job)
    // 90 − (56 − 38) − 52 − 5 − 6 mm; 30 − 18 − 6 mm; 28 − 19 mm
    expect(part(thick, 'fit', 'depth').value).toBeCloseTo(9)
    expect(part(thick, 'fit', 'hoses').value).toBeCloseTo(6)
    expect(holeMove(thick)).toBeCloseTo(0.009)
    expect(stepsOf(thick).map((s) => s.id)).toContain('drain')
    expect(
      planWarnings({ ...thick, machine: { ...thick.machine, ownerAllows: 'undoable only' } })
        .map((w) => w.text)
        .join(),
    ).toMatch(/pin holes moved/)
  })
  test('wiring or controller only: nothing of core, depth and weight is asked, Air does not stand there', () => {
    const job = equipped(begin('older-vehicle', 'wiring'))
    expect(ids(job)).toEqual(all.filter((m) => m !== 'air'))
    expect(asks(job)).not.toMatch(/coreWidthM|freeDepthM|massKg|diameterM/)
    expect(part(job, 'fit', 'depth')).toBeUndefined()
    expect(stepsOf(job).map((s) => s.id)).not.toContain('mount')
    expect(ids(begin('digger-air', 'wiring'))).not.toContain('boil')
  })
  test('a trailer: its own states, no engine, no starter', () => {
    const job = equipped(begin('trailer'))
    expect(
      evaluate(job)
        .margins.find((m) => m.id === 'charge')!
        .parts.map((p) => p.id),
    ).toEqual(['towed', 'on its charger'])
    expect(
      evaluate(job)
        .margins.find((m) => m.id === 'battery')!
        .parts.map((p) => p.id),
    ).toEqual(['standing alone', 'standing'])
    expect(asks(job)).not.toMatch(/engine\.|crankingA|ratedRpm|afterRunS/)
    expect(stepsOf(job).flatMap((s) => s.cautions)).toContain('towLights')
  })
})

// The Gale 140: 5.8 A at 12 V, so I0 0.58, R 12/23.2 = 0.51724, k = 12 − 5.8 R = 9, c/k = 5.22: 2.7 w² + 9 w − (V −
// 0.3) = 0, I = 0.58 + 5.22 w².
const gale = (volts: number): number => 0.58 + 5.22 * ((-9 + Math.sqrt(81 + 10.8 * (volts - 0.3))) / 5.4) ** 2
const standby = 0.002

test('trailer by hand: 90 Ah absorbed-glass at 0.9, 6 m of 2.5 mm² to the tow vehicle, 15 A pin, 4 A of loads', () => {
  const job = equipped(begin('trailer'))
  const rest = 12.65 + 0.2 * 0.6
  const cable = 2 * 6 * 7.6e-3 * (1 + 0.00393 * 18)
  const towed = (14.2 - rest) / cable
  expect(towed).toBeCloseTo(14.64, 2)
  const flows = Object.fromEntries(powerFlows(job, new Bench(lookupOf(job))).flows.map((f) => [f.id, f]))
  expect(flows.towed!.chargeA).toBeCloseTo(towed, 6)
  expect(part(job, 'charge', 'towed').value).toBeCloseTo(towed - 4 - gale(14.2) - standby, 4)
  expect(part(job, 'charge', 'on its charger').value).toBeCloseTo(10 - 4 - gale(14.2) - standby, 4)
  // a short, thick cable is limited by the pin
  expect(
    powerFlows(
      withReading(job, 'trailer.cableM', { value: 2, source: 'measured' }),
      new Bench(lookupOf(withReading(job, 'trailer.cableM', { value: 2, source: 'measured' }))),
    ).flows[0]!.chargeA,
  ).toBe(15)
  // 90 · 0.3 · (1 − 0.008 · 20) = 22.68 Ah at 5 °C; Peukert against 9 A
  const all = gale(rest) + 4 + standby
  const alone = (22.68 / all) * (9 / all) ** 0.1 * 60
  expect(part(job, 'battery', 'standing alone').value).toBeCloseTo(alone - 480, 2)
  expect(batteryOutlook(job, new Bench(lookupOf(job)))).toMatchObject({ crankingWithV: null, crankingWithoutV: null })
  // 22.68 Ah over 90 · 0.03 / 720 h = 3.75 mA: its isolator is off; without one the controller's 2 mA too
  expect(part(job, 'battery', 'standing').value).toBeCloseTo(22.68 / 0.00375 / 24 - 14, 3)
  expect(part(changeWiring(job, { isolator: false }), 'battery', 'standing').value).toBeCloseTo(
    22.68 / 0.00575 / 24 - 14,
    3,
  )
})

test('24 V by hand: regulator, drop, cranking and charge of two batteries in series', () => {
  const fan24: FanPart = { ...partOf<FanPart>('fan-gale-140'), id: 'fan24', ratedV: 24 }
  const job = equipped(changeSystemVoltage(begin('digger-liquid'), 24), fan24)
  expect(job.charging.regulatorV.value).toBeCloseTo(28.4)
  // R = 24/23.2, k = 18, c/k = 5.22: 5.4 w² + 18 w − (V − 0.6) = 0
  const fan = (volts: number): number => 0.58 + 5.22 * ((-18 + Math.sqrt(324 + 21.6 * (volts - 0.6))) / 10.8) ** 2
  expect(
    part(job, 'charge', 'cruise')
      .working.at(-1)!
      .terms.find((t) => t.name === 'fan')!.value,
  ).toBeCloseTo(fan(28.4), 6)
  expect(part(job, 'supply', 'wires').scale).toBeCloseTo(0.24)
  expect(part(job, 'supply', 'wires').working.find((l) => l.name === 'may be lost')!.value).toBeCloseTo(0.72)
  // flooded at 0.9: 2 · (12.45 + 0.2 · 0.6) = 25.14 V; R = 2 · 5.4/450 · e^(−0.02 · 18)
  const ohm = ((2 * 5.4) / 450) * Math.exp(-0.36)
  const { crankingWithV, crankingWithoutV } = batteryOutlook(job, new Bench(lookupOf(job)))
  expect(crankingWithoutV).toBeCloseTo(25.14 - 220 * ohm, 6)
  expect(crankingWithV).toBeCloseTo(25.14 - (220 + fan(25.06 + 0.08)) * ohm, 3)
  expect(part(job, 'battery', 'cranking').value).toBeCloseTo(crankingWithV! - 19.2, 6)
})

/** an engine whose own fan is elsewhere, so that a bay's air is the added fan's alone */
const withoutFlywheel = (job: Job): Job => ({ ...job, bay: job.bay && { ...job.bay, flywheel: null } }) as Job

test('a bay by hand: what the fan brings through the vents, and how hot it gets', () => {
  const read = (address: string, value: number) => (j: Job) => withReading(j, address, { value, source: 'measured' })
  const job = [
    read('bay.ventHeightM', 0),
    read('bay.ventInM2', 0.03),
    read('bay.ventOutM2', 0.03),
    read('surroundings.heightM', 0),
    read('surroundings.hottestC', 32),
    read('bay.allowedC', 85),
  ].reduce(
    (j, f) => f(j),
    withoutFlywheel(equipped({ ...begin('digger-air'), place: { ...begin('digger-air').place, side: 'pusher' } })),
  )
  const bare: Job = { ...job, conductors: job.conductors.map((c) => ({ ...c, size: null })) }
  // Gale 140 at 14.2 V: w from the motor's curve above; 0.08611 m³/s and 110 Pa on its box; vents 0.03/root 2 m²
  const w = (-9 + Math.sqrt(81 + 10.8 * (14.2 - 0.3))) / 5.4
  const density = 101_325 / (287.05 * 305.15)
  const flow =
    w / Math.sqrt(1 / 0.08611 ** 2 + (0.5 * density) / (((110 * density) / 1.2) * ((0.6 * 0.03) / Math.SQRT2) ** 2))
  const rise = (0.5 * 0.5 * 9000) / (density * 1006 * flow)
  expect(part(bare, 'air', 'bay').value).toBeCloseTo(85 - 32 - rise, 2)
  // wire takes air from it, a vent gives some, and hot air that rises helps
  expect(part(job, 'air', 'bay').value!).toBeLessThan(part(bare, 'air', 'bay').value!)
  expect(part(read('bay.ventInM2', 0.06)(job), 'air', 'bay').value!).toBeGreaterThan(part(job, 'air', 'bay').value!)
  expect(part(read('bay.ventHeightM', 0.5)(job), 'air', 'bay').value!).toBeGreaterThan(part(job, 'air', 'bay').value!)
  expect(evaluate(read('bay.ventInM2', 0)(job)).margins.find((m) => m.id === 'air')!.verdict).toBe('short')
})

test('a 12 V fan or coil on 24 V, no battery or no direct current is short in words', () => {
  const job = equipped(changeSystemVoltage(begin('digger-liquid'), 24))
  expect(evaluate(job).margins.find((m) => m.id === 'supply')).toMatchObject({ verdict: 'short', value: null })
  const relayed = changeRun(
    chooseRelay(
      job,
      partOf<RelayPart>('relay-latch-30') ??
        (shelf.ok ? shelf.parts.find((p): p is RelayPart => p.kind === 'relay')! : undefined!),
    ),
    { switchedBy: 'relay' },
  )
  expect(part(relayed, 'contacts', 'coil').words).toMatch(/coil is for 12 V/)
  const bike = equipped(begin('trail-bike'))
  for (const machine of [{ hasBattery: false }, { outputDc: false }]) {
    expect(
      evaluate({ ...bike, machine: { ...bike.machine, ...machine } }).margins.find((m) => m.id === 'supply')!.verdict,
    ).toBe('short')
  }
})

test("a bay's setting is proposed so that it starts in time and can stop", () => {
  const job = equipped(begin('digger-air'))
  const { setC, bandK } = proposedSetting(job)!
  // allowed 90 °C less 6 K of overshoot, probe free in the air: κ 1
  expect(setC).toBe(84)
  expect(bandK).toBe(5)
  expect(part(job, 'trigger', 'in time, hottest').value).toBeCloseTo(0)
  expect(part(job, 'trigger', 'stops, hottest').value).toBeCloseTo(84 - 5 - 32 - 2)
})

test('what speaks against the plan is said, and a signature waits for a name under it', () => {
  const job: Job = {
    ...equipped(begin('digger-air')),
    surroundings: { ...begin('digger-air').surroundings, livesIn: 'pressure washer' },
    baseline: { ...begin('digger-air').baseline, state: 'cannot be had' },
  }
  const blows: Job = {
    ...job,
    place: { ...job.place, blowsOn: 'fuel tank or line' },
    machine: { ...job.machine, ownerAllows: 'undoable only' },
  }
  const texts = planWarnings(blows)
    .map((w) => w.text)
    .join(' ')
  expect(texts).toMatch(/Gale 140 is not rated.*IP65 where IPX9.*drilled hole.*without a baseline.*fuel tank/)
  expect(signing(blows, evaluate(blows)).toAccept.filter((a) => a.margin === 'plan')).toHaveLength(
    planWarnings(blows).length,
  )
  const shielded: Job = { ...job, surroundings: { ...job.surroundings, shielded: true } }
  expect(planWarnings(shielded).some((w) => w.text.startsWith('Gale'))).toBe(false)
})

test('a job of version 1 is migrated, keeps what it said, and comes to the same margins', () => {
  const old = JSON.parse(
    readFileSync(path.join(__dirname, '..', '..', 'formats', 'test-support', 'version-1.job.json'), 'utf8'),
  ) as Record<string, unknown>
  const read = readJob(old)
  expect(read.ok).toBe(true)
  if (!read.ok) return
  expect(read.job).toMatchObject({
    version: JOB_VERSION,
    kind: 'core',
    title: old.title,
    signature: old.signature,
    baseline: { state: 'taken' },
    bay: null,
  })
  // Air was open then; now that it is worked out it may be short, and nothing else is
  expect(
    evaluate(read.job)
      .margins.filter((m) => m.id !== 'air')
      .map((m) => m.verdict),
  ).not.toContain('short')
  expect(read.job.fans[0]).toMatchObject({
    seat: { core: 0, xM: read.job.cooling!.coreWidthM.value / 2 },
    wiresSwapped: false,
  })
  expect(part(read.job, 'fit', 'fan lead').value).toBeCloseTo(
    400 - (1.05 * read.job.place.leads.fan[0]!.lengthM.value * 1000 + 50 + read.job.place.sweepM.value * 1000),
  )
  expect(migrateJob(read.job)).toEqual(read.job)
  for (const broken of [
    { format: 'pyraxis-job', version: 1 },
    { ...old, fans: 7 },
    { ...old, machine: [] },
    { ...old, place: null },
  ])
    expect(readJob(broken)).toMatchObject({ ok: false })
})

test(
  'jobs of version 2 are migrated: the fan in the middle, the panel from what was free behind it, every lead ' +
    'as it was',
  () => {
    const old = (name: string) =>
      JSON.parse(
        readFileSync(path.join(__dirname, '..', '..', 'formats', 'test-support', `${name}.job.json`), 'utf8'),
      ) as { version: number; place: Record<string, { value: number }>; signature: unknown; build: unknown }
    for (const name of ['version-2', 'version-2-bay']) {
      const before = old(name)
      expect(before.version).toBe(2)
      const read = readJob(before)
      if (!read.ok) throw new Error(read.message)
      const { job } = read
      expect(job).toMatchObject({ version: JOB_VERSION, signature: before.signature, oldFan: null })
      // what was one step has become several, so that a signed job is not asked anew
      expect(job.build.done).toEqual(expect.arrayContaining((before.build as Job['build']).done))
      expect(migrateJob(job)).toEqual(job)
      const needed = (way: number) => 1000 * (1.05 * way + 0.05 + before.place.sweepM!.value)
      expect(part(job, 'fit', 'fan lead').value).toBeCloseTo(
        1000 * job.fans[0]!.part.leadM.value - needed(before.place.fanRouteM!.value),
      )
      expect(part(job, 'fit', 'probe lead').value).toBeCloseTo(
        1000 * job.probes[0]!.part!.leadM.value - needed(before.place.probeRouteM!.value),
      )
      if (job.bay) expect(job.bay.panels).toMatchObject([{ id: 'panel1', freeM: before.place.freeDepthM }])
      else
        expect(job.fans[0]!.seat).toEqual({
          core: 0,
          xM: job.cooling.coreWidthM.value / 2,
          yM: job.cooling.coreHeightM.value / 2,
        })
    }
    for (const broken of [
      { ...old('version-2'), place: 7 },
      { ...old('version-2'), fans: 'none' },
      { ...old('version-2-bay'), bay: 'none' },
    ])
      expect(readJob(broken)).toMatchObject({ ok: false })
  },
)

/** What was signed stays so; who signs it anew is asked what stands before the key. */
function stillGood(job: Job): void {
  expect(signing(job, evaluate(job))).toMatchObject({ blockers: [], ready: true })
  const anew = signing({ ...job, signature: null }, evaluate(job))
  // but for what is done and proved at the bench since
  expect(anew.blockers.filter((b) => !/build steps|proofs not answered|not as predicted/.test(b))).toEqual([])
  expect(anew.toAccept.filter((a) => !a.accepted).map((a) => a.text)).toContainEqual(
    expect.stringMatching(/^Fuse before the key: open/),
  )
}

test(
  'jobs of version 3 are migrated: wired as they were, the same margins but for what the key now switches off, a ' +
    'signed one still good',
  () => {
    for (const name of ['version-3', 'version-3-trailer']) {
      const old = JSON.parse(
        readFileSync(path.join(__dirname, '..', '..', 'formats', 'test-support', `${name}.job.json`), 'utf8'),
      ) as Job
      const read = readJob(old)
      if (!read.ok) throw new Error(read.message)
      const { job } = read
      expect(job.runs).toMatchObject(old.runs)
      expect(job.conductors.filter((c) => old.conductors.some((o) => o.id === c.id))).toMatchObject(old.conductors)
      expect(job.signature).toEqual(old.signature)
      expect(migrateJob(job)).toEqual(job)
      // the feed's last part is a share of what it was measured to be
      expect(job.runs[0]!.switchAtM.value).toBeCloseTo(0.4 * old.conductors[0]!.lengthM.value, 2)
      if (old.signature) stillGood(job)
      else expect(part(job, 'battery', 'standing').value).toBeCloseTo(150.348, 2)
    }
  },
)

test(
  'jobs of version 4 are migrated: a usual day, an engine with its weight, the same margins, a signed one ' +
    'still good',
  () => {
    for (const name of ['version-4', 'version-4-trailer']) {
      const old = JSON.parse(
        readFileSync(path.join(__dirname, '..', '..', 'formats', 'test-support', `${name}.job.json`), 'utf8'),
      ) as Job
      const read = readJob(old)
      if (!read.ok) throw new Error(read.message)
      const { job } = read
      const { controllers, conductors, fuses, runs, wiring, ...rest } = old
      expect(job).toMatchObject({ ...rest, version: JOB_VERSION, duty: null })
      expect(job.wiring).toMatchObject(wiring)
      expect(job.runs).toMatchObject(runs)
      // wires and fuses as they were, each in its place; what version 7 can lay besides comes after them
      const lies = job.bay ? 'bay' : 'engine'
      expect(job.fuses).toMatchObject(fuses.map((f) => ({ ...f, lies })))
      expect(job.conductors.slice(0, conductors.length)).toMatchObject(conductors.map((c) => ({ ...c, lies })))
      expect(job.controllers).toMatchObject(
        controllers.map((c) => ({ ...c, spanK: 10, part: { ...c.part, leastDuty: null, inputs: [] } })),
      )
      expect(job.surroundings.usualC).toEqual({
        value: Math.round(
          old.surroundings.coldestC.value + 0.6 * (old.surroundings.hottestC.value - old.surroundings.coldestC.value),
        ),
        source: 'typical',
      })
      if (old.signature) stillGood(job)
    }
  },
)

test('kinds are told apart by name', () => expect(new Set(Object.values(jobKinds).map((k) => k.name)).size).toBe(4))

describe('the ladder of a bay', () => {
  const job = ((): Job => {
    const j = equipped(begin('digger-air'))
    return {
      ...j,
      probes: j.probes.map((p) => ({
        ...p,
        place: 'on-panel' as const,
        kappa: { value: 0.8, source: 'typical' as const, spread: 0.1 },
      })),
    }
  })()
  test("its second rail is the bay's air, joined by the same conversion; nothing of coolant stands on it", () => {
    const ladder = triggerLadder({ ...job, controllers: job.controllers.map((c) => ({ ...c, setC: 60, bandK: 5 })) })!
    expect(ladder).toMatchObject({ other: 'bay', coolant: null, bay: { allowedC: 90 }, probe: { onC: 60, offC: 55 } })
    const at = (mark: string, season: string) => ladder.joins.find((j) => j.mark === mark && j.season === season)!
    // 32 + (60 − 32) / 0.8 and 0 + 60 / 0.8; the 90 °C allowed show as 32 + 0.8 · 58
    expect(at('on', 'hottest').otherC).toBeCloseTo(67)
    expect(at('on', 'coldest').otherC).toBeCloseTo(75)
    expect(at('allowed', 'hottest').probeC).toBeCloseTo(78.4)
    expect(ladder.joins.some((j) => j.mark === 'opens')).toBe(false)
  })
  test("its collars slide by the controller's steps like any other", () => {
    expect(triggerLadder(slideCollar(job, 'on', 71.4))!.probe).toMatchObject({ onC: 71, offC: 66 })
  })
})

test("a battery's label gives a job its figures, and a starter only to what is cranked", () => {
  const heron = {
    ...(shelf.ok ? shelf.parts.find((p) => p.id === 'battery-agm-24') : undefined)!,
  } as unknown as BatteryPart
  const bike = takeBatteryLabel(begin('trail-bike'), heron)
  expect(bike.batteries[0]).toMatchObject({
    kind: 'agm',
    hourRateH: 20,
    capacityAh: { value: 24, source: 'label' },
    coldCrankingA: { value: 310, source: 'label' },
    crankingA: { source: 'typical' },
  })
  expect(takeBatteryLabel(begin('trailer'), heron).batteries[0]).toMatchObject({
    capacityAh: { value: 24 },
    coldCrankingA: null,
    crankingA: null,
  })
  expect(takeBatteryLabel(begin('trail-bike'), { ...heron, coldCrankingA: null }).batteries[0]!.coldCrankingA).toEqual(
    begin('trail-bike').batteries[0]!.coldCrankingA,
  )
})

test('what helps a margin that does not hold is said for every kind, and what can be done at once does help', () => {
  for (const [kind, job] of [
    ['digger-air', undefined],
    ['trailer', undefined],
    ['side-by-side', 'thicker-core'],
    ['older-vehicle', 'wiring'],
    ['digger-liquid', 'bay'],
  ] as const) {
    const j = equipped(begin(kind, job))
    const evaluation = evaluate(j)
    for (const m of evaluation.margins.filter((x) => x.verdict !== 'holds' && x.verdict !== 'open')) {
      const remedies = remediesFor(j, m)
      expect(remedies.length).toBeGreaterThan(0)
      for (const { change } of remedies)
        if (change)
          expect(evaluate(change(j)).margins.find((x) => x.id === m.id)!.x!).toBeGreaterThan(
            m.x ?? Number.NEGATIVE_INFINITY,
          )
    }
  }
})

/** nobody asked then what a machine is called by its maker */
const unnamed = { model: '', serial: '' }

test('a job of version 7 is migrated to the very job that is shipped now: nobody has looked at what is new', () => {
  const [old, now] = ['formats/test-support/version-7.job.json', '../examples/vineyard-buggy-ready.job.json'].map(
    (name) => JSON.parse(readFileSync(path.join(__dirname, '..', '..', name), 'utf8')) as Job,
  )
  expect((old as { version: number }).version).toBe(7)
  expect(migrateJob(old)).toEqual({ ...now, identity: unnamed })
  const edits = [
    { id: 'e1', kind: 'length', conductor: 'feed1', fromM: 1, toM: 2 },
    { id: 'e2', kind: 'breaker to fuse', fuse: 'fuse1', ratingA: 10 },
  ]
  const read = readJob({ ...old, wiring: { ...old!.wiring, edits } })
  expect(read.ok && read.job.wiring.edits).toMatchObject([{ was: null }, { wasA: null }])
})

test('a job of version 8 opens with nothing seen and nothing doubted, its figures as they were', () => {
  const old = JSON.parse(readFileSync(path.join(process.cwd(), 'src/formats/test-support/version-8.job.json'), 'utf8'))
  const read = readJob(old)
  if (!read.ok) throw new Error(read.message)
  expect(read.job).toEqual({ ...example('fell-bike-short-at-idle'), identity: unnamed })
  expect([read.job.observations, read.job.complaint.doubted]).toEqual([[], false])
})

test('a job of version 9 opens with no place felt, nothing claimed, no mechanical fan; what was seen stays', () => {
  const old = JSON.parse(readFileSync(path.join(process.cwd(), 'src/formats/test-support/version-9.job.json'), 'utf8'))
  const seen = { ...example('fell-bike-mid-build').complaint, after: null }
  const shipped = example('fell-bike-mid-build')
  const done = shipped.build.done.filter((d) => d.step !== 'fuel')
  expect(readJob(old)).toEqual({
    ok: true,
    job: { ...shipped, identity: unnamed, build: { ...shipped.build, done, have: [] }, ledger: [] },
  })
  const noted = { id: 's', kind: 'warm-up', at: '2026-11-25T14:02:00.000Z', by: '', state: 'as it came', work: 'idle' }
  const figures = { airC: 18, fromC: null, toC: 78, forS: null, seen: 400, how: 'by a watch', spread: null }
  const read = readJob({ ...old, observations: [{ ...noted, ...figures, typed: '', doubted: false }] })
  expect(read.ok && read.job.observations).toMatchObject([{ seen: 400, place: '' }])
  expect(seen).toMatchObject({ signs: [], times: null })
})

test(
  'a signed job of version 10 opens as good as it was: nobody asked then what came off, nor held a proof ' +
    'to its band',
  () => {
    const old = JSON.parse(
      readFileSync(path.join(process.cwd(), 'src/formats/test-support/version-10.job.json'), 'utf8'),
    )
    const read = readJob(old)
    if (!read.ok) throw new Error(read.message)
    const { job } = read
    expect([job.ledger, job.debts, job.build.passed, job.proofs[0]!.earlier]).toEqual([[], [], [], []])
    expect(signing(job, evaluate(job))).toMatchObject({ blockers: [], ready: true })
    // signed anew it would have to answer for them
    expect(signing({ ...job, signature: null }, evaluate(job)).blockers.join()).toMatch(
      /steps not ticked.*not answered.*differ|as predicted/s,
    )
  },
)

test('no figure that is not a number is ever told, of no new job, with or without a fan', () => {
  expect([percent(0 / 0), percent(-0.001), percent(1 / 0), percent(0.256), percent(0.12345, 3)]).toEqual([
    'unknown',
    '0 %',
    'unknown',
    '26 %',
    '12.3 %',
  ])
  for (const kind of machineKinds)
    for (const wanted of typicalMachines[kind].jobs)
      for (const job of [begin(kind, wanted), equipped(begin(kind, wanted))]) {
        const told = JSON.stringify([benchSheet(job, evaluate(job)), coresInWords(comparedCores(job))])
        // nor is a loss told twice, as so much less than nothing worse
        expect([kind, wanted, /NaN|Infinity|undefined|[-−]\d+ % (worse|less)/.exec(told)?.[0] ?? '']).toEqual([
          kind,
          wanted,
          '',
        ])
      }
})

test(
  'a second fan without a place on the core leaves Air open: what is paid for in Charge is not left out ' +
    'in silence',
  () => {
    const one = equipped(begin('trail-bike', 'core'))
    const two = addSecondFan(one, one.fans[0]!.part)
    const homeless = { ...two, fans: two.fans.map((f, i) => (i === 1 ? { ...f, seat: null } : f)) }
    const air = (job: Job) => evaluate(job).margins.find((m) => m.id === 'air')!
    expect(air(two).parts.every((p) => p.value !== null)).toBe(true)
    expect(air(homeless).verdict).toBe('open')
    expect(JSON.stringify(air(homeless))).toContain('a place on the core for fan 2')
  },
)

test('a job of version 11 opens with no hours, nothing bought, no trace; what was done stays', () => {
  const old = JSON.parse(readFileSync(path.join(process.cwd(), 'src/formats/test-support/version-11.job.json'), 'utf8'))
  const read = readJob(old)
  if (!read.ok) throw new Error(read.message)
  expect([read.job.hours, read.job.bought, read.job.settings, read.job.looseJoints, read.job.traces].flat()).toEqual([])
  expect(read.job.build).toEqual(old.build)
})

test('a job of version 12 opens with no fault sought, and what is near it stays where it is', () => {
  const old = JSON.parse(readFileSync(path.join(process.cwd(), 'src/formats/test-support/version-12.job.json'), 'utf8'))
  const read = readJob(old)
  if (!read.ok) throw new Error(read.message)
  expect(read.job.searches).toEqual([])
  expect(read.job.place.obstacles.length).toBeGreaterThan(0)
  expect(read.job.place.obstacles.map((o) => o.dealt)).toEqual(read.job.place.obstacles.map(() => 'stays'))
  expect(read.job.signature).toEqual(old.signature)
})
