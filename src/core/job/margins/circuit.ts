import {
  contactsResistance,
  runningFan,
  startingCurrent,
  startTimeConstant,
  type Conductor,
  type FanRating,
  type RunOfWire,
  type Start,
  wiresResistance,
} from '../../electrical'
import { term, worked, type Bench, type Worked } from '../../reading'
import type { Fan, Job, Run } from '../document'
import { roleNames } from '../wiring/role-names'
import type { ControllerPart } from '../../parts'

/** What stands in one fan's path, looked up by the ids of its run; null where nothing is chosen yet. */
export interface FanCircuit {
  readonly run: Run
  /** "" for the only fan, else ", fan 2" */
  readonly suffix: string
  readonly fan: ChosenFan | null
  readonly controller: Job['controllers'][number] | null
  readonly fuse: Job['fuses'][number] | null
  readonly conductors: readonly RunConductor[]
  readonly probe: Job['probes'][number]
}

/** Addresses are put together once for a job: the inside of a sampling run only looks them up. */
const fanReadings = [
  'ratedA',
  'lockedA',
  'freeFlowM3s',
  'maxPressurePa',
  'diameterM',
  'depthM',
  'housingM',
  'leadM',
] as const
export type ChosenFan = Fan & { readonly at: Readonly<Record<(typeof fanReadings)[number], string>> }
export type RunConductor = Job['conductors'][number] & {
  readonly at: { readonly lengthM: string; readonly ambientC: string }
}

const chosenFan = (fan: Job['fans'][number] | null): ChosenFan | null =>
  fan && { ...fan, at: Object.fromEntries(fanReadings.map((r) => [r, `fans.${fan.id}.part.${r}`])) as ChosenFan['at'] }
export const runConductor = (c: Job['conductors'][number]): RunConductor => ({
  ...c,
  at: { lengthM: `conductors.${c.id}.lengthM`, ambientC: `conductors.${c.id}.ambientC` },
})

const byId = <T extends { id: string }>(list: readonly T[], id: string | null): T | null =>
  list.find((e) => e.id === id) ?? null

const known = new WeakMap<Job, readonly FanCircuit[]>()

/** Every run of a job with what its ids stand for; jobs are immutable, so it is looked up once. */
export function circuitsOf(job: Job): readonly FanCircuit[] {
  const before = known.get(job)
  if (before) return before
  const circuits = job.runs.map((run, i): FanCircuit => ({
    run,
    suffix: job.runs.length > 1 ? `, fan ${i + 1}` : '',
    fan: chosenFan(byId(job.fans, run.fan)),
    controller: byId(job.controllers, run.controller),
    fuse: byId(job.fuses, run.fuse),
    conductors: run.conductors.map((id) => runConductor(byId(job.conductors, id)!)),
    probe: byId(job.probes, run.probe)!,
  }))
  known.set(job, circuits)
  return circuits
}

/** The fan's nameplate with this pass's readings. */
export function ratingOf(bench: Bench, fan: ChosenFan): FanRating {
  return {
    motor: fan.part.motor,
    ratedV: fan.part.ratedV,
    ratedA: bench.value(fan.at.ratedA),
    lockedA: fan.part.lockedA ? bench.value(fan.at.lockedA) : null,
    diameterM: fan.part.diameterM.value,
  }
}

/**
 * Running current at the regulator's voltage with nothing in the way: the most that the fan takes in service,
 * so that no longer or thinner wire can flatter a margin.
 * @see engineering §1.6
 */
export function runCurrent(bench: Bench, fan: ChosenFan): Worked {
  const rating = ratingOf(bench, fan)
  const volts = bench.value('charging.regulatorV')
  return worked(
    'fan, running',
    'fan curve: {0} at {1}, here at {2}',
    [
      term('rated current', rating.ratedA, 'current', fan.at.ratedA),
      term('rated voltage', rating.ratedV, 'voltage'),
      term('regulator', volts, 'voltage', 'charging.regulatorV'),
    ],
    runningFan(rating, volts).currentA,
    'current',
    '§1.6',
  )
}

/** First instant of a start at the regulator's voltage with nothing in the way. @see engineering §1.6 */
export function startCurrent(bench: Bench, fan: ChosenFan): Worked {
  const rating = ratingOf(bench, fan)
  const volts = bench.value('charging.regulatorV')
  return worked(
    'fan, starting',
    '{0} over its winding',
    [term('regulator', volts, 'voltage', 'charging.regulatorV')],
    startingCurrent(rating, volts),
    'current',
    '§1.6',
  )
}

export const startOf = (bench: Bench, fan: ChosenFan): Start => ({
  runningA: runCurrent(bench, fan).value,
  startingA: startCurrent(bench, fan).value,
  timeConstantS: startTimeConstant(fan.part.diameterM.value),
})

/** One conductor with this pass's readings. @throws TypeError if its size is not chosen */
export function conductorAt(bench: Bench, c: RunConductor): Conductor {
  if (c.size === null) throw new TypeError(`${c.id} has no size`)
  return {
    name: roleNames[c.role],
    size: c.size,
    insulationC: c.insulationC,
    bundled: c.bundled,
    lengthM: bench.value(c.at.lengthM),
    ambientC: bench.value(c.at.ambientC),
  }
}

export const wiresOf = (bench: Bench, circuit: FanCircuit): RunOfWire => ({
  conductors: circuit.conductors.map((c) => conductorAt(bench, c)),
  frame: circuit.run.frame,
  crimps: circuit.run.crimps,
  rings: circuit.run.rings,
  relayContact: circuit.run.switchedBy === 'relay',
  fuseA: circuit.fuse?.ratingA ?? null,
})

/** What the wire margins wait for, or null. */
export function wiresWaitFor(circuit: FanCircuit): string | null {
  if (!circuit.fan) return 'a fan'
  const bare = circuit.conductors.find((c) => c.size === null)
  return bare ? `a size for the ${roleNames[bare.role]}` : circuit.conductors.length === 0 ? 'a conductor' : null
}

/**
 * Speed of a circuit's fan at the regulator's voltage, behind wires and joints where their sizes are chosen: wire costs
 * air.
 * @returns relative to the rating
 * @see engineering §1.2, §1.6
 */
export function fanSpeed(bench: Bench, circuit: FanCircuit & { readonly fan: ChosenFan | null }): number {
  if (!circuit.fan) return 0
  const run = wiresWaitFor(circuit) ? null : wiresOf(bench, circuit)
  const ohm = run ? wiresResistance(runCurrent(bench, circuit.fan).value, run).value + contactsResistance(run).value : 0
  return runningFan(ratingOf(bench, circuit.fan), bench.value('charging.regulatorV'), ohm).speed
}

/** Copper that the smallest terminal on the run accepts, m²; null where no terminal limits it. */
export function terminalLimit(job: Job, circuit: FanCircuit): number | null {
  const relay = byId(job.relays, circuit.run.relay)
  const own: (number | null | undefined)[] =
    circuit.run.switchedBy === 'relay' ? [relay?.part.terminalAreaM2] : [circuit.controller?.part.terminalAreaM2]
  const limits = own.filter((a): a is number => typeof a === 'number')
  return limits.length ? Math.min(...limits) : null
}

export const isThermostat = (part: ControllerPart): boolean => part.band !== 'hand' && part.band !== 'always'
