import { Circuit, motorsOf, solveState, withFaults } from '../circuit'
import { calledState } from '../diagnose'
import { blowing, fuseGate, fuseRatings, jammedCurrent, restVoltage } from '../electrical'
import { batteryAt, firstCircuit, pointsOf, hasThermostat, ratingOf, runningAmps, startingAmps } from '../fan-circuit'
import { changeSetting, type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { dayOfStint, runWaitsFor, simulate } from '../run'
import { format, percent } from '../units'
import { guardsOf, netlistOf } from '../wiring'
import { type LibraryPage, told } from './page'
import { say, spokenWord } from '../words'

const benchOf = (job: Job): Bench => new Bench(lookupOf(job))
const amps = (job: Job, a: number): string => format(a, 'current', job.units, 2)
const hasFan = (job: Job): boolean => firstCircuit(job).fan !== null
const seconds = (s: number): string => (s < 100 ? `${s.toPrecision(2)} s` : `${Math.round(s / 60)} min`)

/** How soon a fuse opens at a current. */
const opens = (a: number, ratingA: number): string => {
  const { shortestS, longestS } = fuseGate(a / ratingA)
  if (!Number.isFinite(shortestS)) return say`never`
  return Number.isFinite(longestS) ? say`${seconds(shortestS)} to ${seconds(longestS)}` : say`perhaps never`
}

/** Wires that the fans' own fuses alone stand before. */
const behindFuse = (job: Job) => guardsOf(job).filter((g) => g.own && g.fuses.length > 0 && !g.bare)

/** What the battery would give through a wire behind the fuse worn through to the frame, with no fuse at all, A. */
function bareCurrent(job: Job): number {
  const net = netlistOf(job)
  const own = net.elements.filter((e) => e.run === 0)
  const fuse = own.find((e) => e.kind === 'fuse')
  const behind = own.find((e) => e.kind === 'wire' && e.a === fuse?.b)
  if (!fuse || !behind) return 0
  const bare = withFaults(net, [`bridged:${fuse.name}`, `chafed:${behind.name}`])
  return Math.abs(solveState(new Circuit(bare), calledState(net, true)).amps.get(fuse.name) ?? 0)
}

const fuseAndWire: LibraryPage = {
  id: 'fuse-and-wire',
  when: (job) => hasFan(job) && firstCircuit(job).fuse !== null && behindFuse(job).length > 0 && bareCurrent(job) > 0,
  tell: (job) => {
    const bench = benchOf(job)
    const { fan, fuse } = firstCircuit(job)
    const guards = behindFuse(job)
    const weakest = guards.reduce((least, g) => (g.allowedA < least.allowedA ? g : least), guards[0]!)
    const held = jammedCurrent(ratingOf(bench, fan!), bench.value('charging.regulatorV'))
    const shorted = bareCurrent(job)
    const ratings = [0.5, 1, 2, 4].map((f) => fuseRatings.find((r) => r >= f * fuse!.ratingA) ?? 100)
    return [
      told(say`In short`, [
        say`Worn through to the frame, a wire here would carry ${amps(job, shorted)}: it glows within seconds and
          takes the loom with it. The fuse is there for that moment, and must open before its thinnest wire is too
          hot.`,
        say`The thinnest wire behind it is the ${weakest.name}: ${amps(job, weakest.allowedA)} for good. The fuse is
          ${fuse!.ratingA} A.`,
        say`A fan that is held fast takes ${amps(job, held)} only: a fuse of ${fuse!.ratingA} A opens at that in
          ${opens(held, fuse!.ratingA)}. Its own winding may be gone before: a fuse is no friend of the fan.`,
      ]),
      told(
        say`Other ratings`,
        [say`A bigger fuse does not make a fan start better; it only lets the wire burn longer.`],
        ['fuse', say`guards the thinnest wire`, say`opens on a bare wire in`, say`on a fan held fast in`],
        ratings.map((r) => [
          amps(job, r),
          r <= weakest.allowedA ? say`yes` : say`no`,
          opens(shorted, r),
          opens(held, r),
        ]),
      ),
    ]
  },
}

const turnedBlade: LibraryPage = {
  id: 'turned-blade',
  when: hasFan,
  tell: (job) => {
    const { motor } = firstCircuit(job).fan!.part
    const row = (swapped: boolean, turned: boolean): string[] => {
      const way = blowing(swapped, turned, motor)
      return [
        swapped ? say`swapped` : say`as marked`,
        turned ? say`turned over` : say`as it came`,
        way ? spokenWord(way.air) : say`not at all: it may be damaged`,
        way ? percent(way.effectiveness) : '–',
      ]
    }
    return [
      told(
        say`In short`,
        [
          say`A blade is a screw: turned over it is the same screw, and pushes the same way when it turns the same
            way, but with the back of its profile.`,
          say`What turns the air is which way it turns: the two wires of a ${spokenWord(motor)} motor, or the fan as a
            whole.`,
        ],
        [say`wires`, say`blade`, say`air`, say`of its best`],
        [row(false, false), row(false, true), row(true, false), row(true, true)],
      ),
    ]
  },
}

const band: LibraryPage = {
  id: 'band',
  when: (job) => runWaitsFor(job) === null && hasThermostat(firstCircuit(job)),
  tell: (job) => {
    const circuit = firstCircuit(job)
    if (!hasThermostat(circuit)) return []
    const { on, off } = pointsOf(benchOf(job), circuit)
    const c = (t: number): string => format(t, 'temperature', job.units, 3)
    const { setC, bandK, id } = circuit.controller
    const row = (k: number): string[] => {
      const run = simulate(
        changeSetting(job, id, setC, k),
        { season: 'usual', fan: 'proposed', whatIf: 'as it is' },
        { day: dayOfStint(job), roughly: true, everyS: 30 },
      )!
      return [
        format(k, 'temperatureDifference', job.units, 2),
        String(run.starts.reduce((a, b) => Math.max(a, b), 0)),
        c(run.peakC),
        percent(run.legs.reduce((s, l) => s + l.fanS, 0) / run.lengthS),
      ]
    }
    return [
      told(
        say`In short`,
        [
          say`It starts at ${c(on.c)} and stops at ${c(off.c)}, as the probe shows. What lies between is the band:
            ${format(bandK, 'temperatureDifference', job.units, 2)}.`,
          say`Without one it would start and stop at the same point, at each flicker of the probe: each start is
            several times the running current, in contacts, fuse and motor.`,
        ],
        [say`band`, say`starts in half an hour`, say`hottest`, say`share of the time it runs`],
        [1, 3, 5, 10].map(row),
      ),
    ]
  },
}

const restVolts: LibraryPage = {
  id: 'rest-volts',
  when: (job) => job.batteries.length > 0,
  tell: (job) => {
    const { kind, systemV, capacityAh } = batteryAt(benchOf(job), job)
    const v = (charge: number): string => format(restVoltage(kind, charge, systemV), 'voltage', job.units, 4)
    return [
      told(
        say`In short`,
        [
          say`Charging packs the surface of the plates first. Until that has sunk in, the volts are those of the
            surface: half a volt and more too high.`,
          say`Let it stand for an hour with nothing on, or burn the lights for two minutes and wait five. Then read
            it.`,
          say`At rest, 0.1 V is about
            ${percent(0.1 / ((restVoltage(kind, 1, systemV) - restVoltage(kind, 0.5, systemV)) / 0.5))} of this
            battery of ${format(capacityAh, 'batteryCapacity', job.units, 2)}: one decimal of a meter is not enough.`,
        ],
        ['charge', say`volts at rest`],
        [1, 0.75, 0.5, 0.25].map((s) => [percent(s), v(s)]),
      ),
    ]
  },
}

const relay: LibraryPage = {
  id: 'relay-and-key',
  when: (job) => hasFan(job) && netlistOf(job).elements.some((e) => e.name === 'key'),
  tell: (job) => {
    const bench = benchOf(job)
    const net = netlistOf(job)
    const { fan } = firstCircuit(job)
    const s = solveState(new Circuit(net), calledState(net, true))
    const through = Math.abs(s.amps.get('key') ?? 0)
    const runs = motorsOf(net).reduce((sum, m) => sum + Math.abs(s.amps.get(m.name) ?? 0), 0)
    return [
      told(say`In short`, [
        say`Through the key of this machine, as it is wired, go ${amps(job, through)} for the fan while it runs; the
          fan itself takes ${amps(job, runs)}.`,
        say`Hung on the key it would be ${amps(job, runningAmps(bench, fan!))} running and
          ${amps(job, startingAmps(bench, fan!))} at each start, through contacts that were made for lamps: they
          burn, weld, and one day the key no longer switches off.`,
        say`A coil of a relay asks some 0.15 A of the key; its contact is fed from the battery through a fuse of its
          own.`,
      ]),
    ]
  },
}

export const electricPages: readonly LibraryPage[] = [fuseAndWire, relay, restVolts, band, turnedBlade]
