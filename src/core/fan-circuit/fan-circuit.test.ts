import fc from 'fast-check'
import { example, examplesOf } from '../../formats/test-support/examples'
import { addSecondFan } from '../wiring'
import { changeFuse, changeRunOf, changeWiring, type Job, jobSchema, lookupOf, withReading } from '../job'
import { type ControllerPart, type ProbePart } from '../parts'
import { Bench } from '../reading'
import {
  ambientAt,
  chargeAt,
  chooseController,
  circuitsOf,
  eachOnce,
  fanFirst,
  fansAtRest,
  batteryAt,
  fansCurrent,
  fanSpeed,
  inOrder,
  ownController,
  pointsOf,
  powerFlows,
  runConductor,
  runCurrent,
  seenFrom,
  shareController,
  statesOf,
  terminalLimit,
  wiresOf,
  wiresWaitFor,
} from '.'

const bike = example('fell-bike-signed')
const buggy = example('vineyard-buggy-ready')
const digger = example('churchyard-digger-bay')
const demo = [bike, buggy, digger, example('market-cold-trailer')]
const controllers = examplesOf('controller')
const probes = examplesOf('probe')
const two = (job: Job): Job => addSecondFan(job, job.fans[0]!.part)
/** each called by its own */
const owned = (job: Job): Job => ownController(two(job), 1)
const bench = (job: Job): Bench => new Bench(lookupOf(job))
const measured = (job: Job, address: string, value: number): Job =>
  withReading(job, address, { value, source: 'measured' })

describe('a job seen from one of its fans', () => {
  test('is the same job: the one that is looked at stands first, each keeps its number', () => {
    for (const job of demo.map(owned)) {
      const names = (j: Job) => circuitsOf(j).map((c) => c.run.id + c.suffix)
      expect(circuitsOf(job).map((c) => c.suffix)).toEqual([', fan 1', ', fan 2'])
      expect(names(fanFirst(job, 1))).toEqual([1, 0].map((n) => names(job)[n]))
      expect(fanFirst(job, 0)).toBe(job)
      expect(fanFirst(job, 9)).toBe(job)
      for (const n of [0, 1]) expect(inOrder(fanFirst(job, n), job)).toEqual(job)
    }
  })

  test('what is changed of the first is changed of the one that is looked at, and of no other', () => {
    const job = owned(buggy)
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(2), fc.constantFrom('battery', 'key switch', 'accessory block'))), (all) => {
        const sources = job.runs.map((r) => r.source)
        let changed = job
        for (const [n, source] of all) {
          // one that is not there is the first
          sources[n < 2 ? n : 0] = source
          changed = seenFrom(n, (j) => changeRunOf(j, j.runs[0]!.id, { source: source }))(changed)
        }
        expect(changed.runs.map((r) => r.source)).toEqual(sources)
        expect(changed.runs.map((r) => r.id)).toEqual(job.runs.map((r) => r.id))
      }),
      { seed: 18, numRuns: 60 },
    )
  })
})

describe('which controller calls a fan', () => {
  const [first, other] = [controllers[0]!, controllers.find((c) => c.suppliedProbeId)!]
  const [itsProbe, anotherProbe] = [
    probes.find((p) => p.id === other.suppliedProbeId)!,
    probes.find((p) => p.id !== other.suppliedProbeId)!,
  ]
  const probeOf = (job: Job): ProbePart | null => circuitsOf(job)[0]!.probe.part
  const unprobed: Job = { ...buggy, probes: buggy.probes.map((p) => ({ ...p, part: null })) }

  test('a probe that came in the box goes with it; one that was chosen by itself stays', () => {
    const boxed = chooseController(unprobed, other, itsProbe)
    expect(probeOf(boxed)?.id).toBe(itsProbe.id)
    expect(probeOf(chooseController(boxed, { ...first, suppliedProbeId: anotherProbe.id }, anotherProbe))?.id).toBe(
      anotherProbe.id,
    )
    const own = { ...boxed, probes: boxed.probes.map((p) => ({ ...p, part: anotherProbe })) }
    expect(probeOf(chooseController(own, other, itsProbe))?.id).toBe(anotherProbe.id)
    // one that brings none leaves what is there
    expect(probeOf(chooseController(boxed, { ...first, suppliedProbeId: null }, null))?.id).toBe(itsProbe.id)
  })

  test('another one in its place keeps its name, and calls all that it called', () => {
    const shared = two(buggy)
    const changed = chooseController(shared, other, itsProbe)
    expect(changed.controllers.map((c) => [c.id, c.part.id])).toEqual([[shared.controllers[0]!.id, other.id]])
    expect(circuitsOf(changed).map((c) => c.controller?.part.id)).toEqual([other.id, other.id])
    expect(eachOnce(changed, 'controller')).toHaveLength(1)
  })

  test('one of its own and back: the very job, and nobody is left who calls nothing', () => {
    for (const job of demo) {
      const shared = two(job)
      const own = ownController(shared, 1)
      expect(jobSchema.safeParse(own).success).toBe(true)
      expect(eachOnce(own, 'controller').map(([, c]) => c.suffix)).toEqual([', fan 1', ', fan 2'])
      expect(own.controllers[1]!.setC - own.controllers[0]!.setC).toBe(5)
      expect(ownController(own, 1)).toBe(own)
      expect(shareController(own, 1)).toEqual(shared)
      // shared the other way round: the first one's is left by the first
      expect(shareController(own, 0, 1).controllers.map((c) => c.id)).toEqual([own.controllers[1]!.id])
    }
  })

  test('its points, by its kind and by what it is set to', () => {
    const points = (part: ControllerPart, setC: number, bandK: number) => {
      const job = chooseController(buggy, part, null)
      const { on, off } = pointsOf(bench(job), { controller: { ...job.controllers[0]!, setC, bandK } })
      return [on.c, off.c]
    }
    const of = (band: string) => controllers.find((c) => c.band === band)!
    expect(points(of('below'), 90, 6)).toEqual([90, 84])
    expect(points({ ...of('below'), band: 'above' }, 90, 6)).toEqual([96, 90])
    const fixed = controllers.find((c) => c.fixed)!
    expect(points(fixed, 20, 1)).toEqual([fixed.fixed!.closesC.value, fixed.fixed!.opensC.value])
  })
})

describe('the road of a fan’s current, by hand', () => {
  test('a size that was told by eye counts as the next thinner one, a heat by where it lies', () => {
    const wire = buggy.conductors[0]!
    expect(runConductor({ ...wire, size: '2.5 mm²', sizeFrom: 'by eye' }).size).toBe('1.5 mm²')
    expect(runConductor({ ...wire, size: '14 AWG', sizeFrom: 'by eye' }).size).toBe('16 AWG')
    expect(runConductor({ ...wire, size: null, sizeFrom: 'by eye' }).size).toBeNull()
    const ambient = (job: Job, lies: 'outside' | 'bay' | 'exhaust' | 'engine') =>
      ambientAt(bench(job), runConductor({ ...job.conductors[0]!, lies }).at)
    expect(ambient(buggy, 'outside')).toBe(buggy.surroundings.hottestC.value)
    expect(ambient(digger, 'bay')).toBe(digger.bay!.allowedC.value)
    expect(ambient(buggy, 'exhaust') - ambient(buggy, 'engine')).toBe(30)
  })

  test('a resistor in a plug’s low speed slows the fan by Ohm, and one that is not in the way does not', () => {
    const plugged = changeRunOf(buggy, buggy.runs[0]!.id, { source: 'existing plug' })
    const at = (plugSpeed: 'low' | 'high', ohm: number): Job =>
      measured(changeWiring(plugged, { plugSpeed }), 'wiring.plugResistorOhm', ohm)
    const ohm = (job: Job) => wiresOf(bench(job), circuitsOf(job)[0]!).contactsOhm
    expect(ohm(at('low', 0.7)) - ohm(at('high', 0.7))).toBeCloseTo(0.7, 9)
    const speed = (job: Job) => fanSpeed(bench(job), circuitsOf(job)[0]!)
    expect(speed(at('high', 0.7))).toBe(speed(at('high', 0.1)))
    // what the fan gets behind its resistor it gets from that many volts less: k w + R I + r I = V
    const job = at('low', 0.7)
    const [c, b] = [circuitsOf(job)[0]!, bench(job)]
    const { ratedA, ratedV, lockedA } = c.fan!.part
    const winding = ratedV / (lockedA?.value ?? 4 * ratedA.value)
    const k = ratedV - ratedA.value * winding
    const idle = 0.1 * ratedA.value
    const w = speed(job)
    const current = idle + (ratedA.value - idle) * w ** 2
    const lost = b.value('charging.regulatorV') - k * w - winding * current
    // besides the resistor stand wires, joints and contacts, some ten milliohm each
    expect(lost / current).toBeGreaterThan(0.7 + 0.01)
    expect(lost / current).toBeLessThan(0.7 + 0.15)
  })

  test('what is waited for is said in order, and a run without wires is not one without drop', () => {
    const circuit = circuitsOf(buggy)[0]!
    expect(wiresWaitFor(circuit)).toBeNull()
    expect(wiresWaitFor({ ...circuit, fan: null })).toBe('a fan')
    expect(wiresWaitFor({ ...circuit, conductors: [] })).toBe('a conductor')
    expect(fanSpeed(bench(buggy), { ...circuit, fan: null })).toBe(0)
    const bare = { ...circuit, conductors: circuit.conductors.map((c, n) => (n === 1 ? { ...c, size: null } : c)) }
    expect(wiresWaitFor(bare)).toMatch(/^a size for the /)
    expect(() => wiresOf(bench(buggy), bare)).toThrow(TypeError)
    // without wires in the way it turns fastest
    expect(fanSpeed(bench(buggy), bare)).toBeGreaterThan(fanSpeed(bench(buggy), circuit))
  })

  test('the smallest terminal that carries the fan limits its wire: the relay’s, where one switches it', () => {
    const circuit = circuitsOf(buggy)[0]!
    const limited = {
      ...circuit,
      controller: circuit.controller && {
        ...circuit.controller,
        part: { ...circuit.controller.part, terminalAreaM2: 1e-6 },
      },
      relay: { id: 'r', part: { ...examplesOf('relay')[0]!, terminalAreaM2: 4e-6 } } as never,
    }
    const by = (switchedBy: 'relay' | 'controller') =>
      terminalLimit({ ...limited, run: { ...circuit.run, switchedBy } })
    expect(by('relay')).toBe(4e-6)
    expect(by('controller')).toBe(1e-6)
    expect(terminalLimit({ ...limited, run: { ...circuit.run, switchedBy: 'relay' }, relay: null })).toBeNull()
  })
})

describe('what comes in and what goes out', () => {
  test('every state adds up, with one fan and with two, and all fans are told', () => {
    for (const job of [...demo, ...demo.map(owned)]) {
      const b = bench(job)
      const { flows, breakevenRpm } = powerFlows(job, b)
      expect(flows.map((f) => f.id)).toEqual(statesOf(job).map((s) => s.id))
      const each = circuitsOf(job).map((c) => runCurrent(b, c.fan!).value)
      const standby = job.controllers.reduce((sum, c) => sum + c.part.standbyA.value, 0)
      for (const f of flows) {
        expect(f.fanA).toBeCloseTo(
          each.reduce((sum, a) => sum + a, 0),
          9,
        )
        expect(f.controllerA).toBeCloseTo(standby, 9)
        expect(f.netA).toBeCloseTo(f.chargeA - f.loadsA - f.fanA - f.controllerA, 9)
        // what share of the time the fan may run with nothing taken from the battery
        const share = (f.chargeA - f.loadsA - f.controllerA) / f.fanA
        expect(f.largestShare).toBeCloseTo(Math.min(1, Math.max(0, share)), 9)
      }
      expect(fansCurrent(b, job).worked).toHaveLength(job.runs.length)
      if (breakevenRpm !== null) {
        const needed = flows[0]!.loadsA + flows[0]!.fanA + flows[0]!.controllerA
        expect(chargeAt(b, job, breakevenRpm).value).toBeCloseTo(needed, 1)
        expect(chargeAt(b, job, breakevenRpm - 60).value).toBeLessThan(needed)
      } else if (job.engine) {
        expect(chargeAt(b, job, job.engine.ratedRpm.value).value).toBeLessThan(
          flows[0]!.loadsA + flows[0]!.fanA + flows[0]!.controllerA,
        )
      }
    }
  })

  test('a current that was clamped at idle is what comes in there, whatever the speed is thought to be', () => {
    const points = (['idle', 'slow', 'cruise'] as const).map((id, n) => ({
      id,
      rpm: bike.engine![`${id}Rpm`],
      currentA: { value: [2.4, 6.1, 11][n]!, source: 'measured' as const },
    }))
    const job: Job = { ...bike, charging: { ...bike.charging, known: 'points', points } }
    expect(powerFlows(job, bench(job)).flows.map((f) => f.chargeA)).toEqual([2.4, 6.1, 11])
    const asked = statesOf(job).map((s) =>
      s
        .charge(bench(job))
        .lines.at(-1)!
        .terms.map((t) => t.address),
    )
    expect(asked[0]).toEqual(['charging.points.idle.currentA'])
    // 100 rpm away from where it was clamped it is read between the two: 2.4 + 3.7 · 100/(slow − idle)
    const { idleRpm, slowRpm } = bike.engine!
    const faster = measured(job, 'engine.idleRpm', idleRpm.value + 100)
    expect(powerFlows(faster, bench(faster)).flows[0]!.chargeA).toBeCloseTo(
      2.4 + (3.7 * 100) / (slowRpm.value - idleRpm.value),
      6,
    )
  })

  test('a battery at rest gives all fans together, each at its own curve', () => {
    for (const job of demo) {
      const alone = fansAtRest(bench(job), job, batteryAt(bench(job), job)).value
      const both = two(job)
      expect(fansAtRest(bench(both), both, batteryAt(bench(both), both)).value).toBeCloseTo(2 * alone, 9)
      expect(alone).toBeLessThan(fansCurrent(bench(job), job).total)
    }
  })
})

test('lists that fans share are told once each: two fans on one fuse have one fuse', () => {
  const pair = two(changeFuse(buggy, 15))
  const [a, b] = pair.runs
  const onOne: Job = changeRunOf(pair, b!.id, { fuse: a!.fuse })
  expect(eachOnce(onOne, 'fuse').map(([f]) => f.id)).toEqual([a!.fuse])
  expect(eachOnce(pair, 'fuse')).toHaveLength(new Set(pair.runs.map((r) => r.fuse)).size)
  expect(eachOnce({ ...pair, runs: pair.runs.map((r) => ({ ...r, fuse: null })) }, 'fuse')).toEqual([])
})
