import { onceAJob } from '../job'
import type { Fan, Job, Run } from '../job'
import { contactsOhm } from './through'
import { thinnerThan } from '../units'
import { type Surroundings, surroundingsOf } from './surroundings'
import { say } from '../words'

/** What stands in one fan's path, looked up by the ids of its run; null where nothing is chosen yet. */
export interface FanCircuit {
  readonly run: Run
  /** 1 for the first fan of the job, whichever of them it is looked at from */
  readonly number: number
  /** "" for the only fan, else ", fan 2" */
  readonly suffix: string
  /** the same for ids, which are kept: the same in every language */
  readonly tag: string
  readonly fan: ChosenFan | null
  readonly controller: Job['controllers'][number] | null
  readonly fuse: Job['fuses'][number] | null
  readonly conductors: readonly RunConductor[]
  readonly probe: Job['probes'][number]
  readonly relay: Job['relays'][number] | null
  readonly keySwitch: Job['switches'][number] | null
  /** contacts that its current goes through besides wires, joints and fuse, ohm */
  readonly contactsOhm: number
  /** it hangs on the low speed of a plug, behind that one's resistor */
  readonly behindResistor: boolean
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
  readonly at: { readonly lengthM: string } & Surroundings
}

const chosenFan = (fan: Job['fans'][number] | null): ChosenFan | null =>
  fan && { ...fan, at: Object.fromEntries(fanReadings.map((r) => [r, `fans.${fan.id}.part.${r}`])) as ChosenFan['at'] }

/** A conductor as it is reckoned with: a size that was told by eye counts as the next thinner one. */
export const runConductor = (c: Job['conductors'][number]): RunConductor => ({
  ...c,
  size: c.size !== null && c.sizeFrom === 'by eye' ? thinnerThan(c.size) : c.size,
  at: { lengthM: `conductors.${c.id}.lengthM`, ...surroundingsOf(`conductors.${c.id}`, c.lies) },
})

export const byId = <T extends { id: string }>(list: readonly T[], id: string | null): T | null =>
  list.find((e) => e.id === id) ?? null

/** goes over to whatever is made of a job, and into no file */
const NUMBERS = Symbol('numbers of the runs')
type Numbered = Job & { readonly [NUMBERS]?: readonly string[] }

/** A job whose fans have other numbers than the order of its runs: their ids, the first first; null: that order. */
export const numberedAs = (job: Job, runIds: readonly string[] | null): Job => {
  const numbered: Numbered = { ...job, [NUMBERS]: runIds ?? [] }
  if (runIds === null) delete (numbered as { [NUMBERS]?: unknown })[NUMBERS]
  return numbered
}

/** A run that has come since has the number of its place. */
const numberOf = (job: Job, runId: string, i: number): number => {
  const known = (job as Numbered)[NUMBERS]?.indexOf(runId) ?? -1
  return (known < 0 ? i : known) + 1
}

/** Every run of a job with what its ids stand for; looked up once. */
export const circuitsOf = onceAJob((job): readonly FanCircuit[] =>
  job.runs.map((run, i): FanCircuit => ({
    run,
    number: numberOf(job, run.id, i),
    suffix: job.runs.length > 1 ? say`, fan ${numberOf(job, run.id, i)}` : '',
    tag: job.runs.length > 1 ? `, fan ${numberOf(job, run.id, i)}` : '',
    fan: chosenFan(byId(job.fans, run.fan)),
    controller: byId(job.controllers, run.controller),
    fuse: byId(job.fuses, run.fuse),
    conductors: run.conductors.map((id) => runConductor(byId(job.conductors, id)!)),
    probe: byId(job.probes, run.probe)!,
    relay: byId(job.relays, run.relay),
    keySwitch: byId(job.switches, run.keySwitch),
    contactsOhm: contactsOhm(job, run),
    behindResistor: run.source === 'existing plug' && job.wiring.plugSpeed === 'low',
  })),
)

/** The first fan's circuit: what is shown where there is room for one. Whatever is told of a job iterates them all. */
export const firstCircuit = (job: Job): FanCircuit => circuitsOf(job)[0]!

/** A circuit whose fan is chosen. */
export type FannedCircuit = FanCircuit & { readonly fan: ChosenFan }

export const hasFan = (circuit: FanCircuit): circuit is FannedCircuit => circuit.fan !== null

/** Circuits whose fan is chosen, in order. */
export const fannedCircuits = (job: Job): readonly FannedCircuit[] => circuitsOf(job).filter(hasFan)

/** Circuits by what they share, each with the first circuit that has it: controllers, probes, fuses, relays. */
export function eachOnce<K extends 'controller' | 'probe' | 'fuse' | 'relay'>(
  job: Job,
  key: K,
): readonly (readonly [NonNullable<FanCircuit[K]>, FanCircuit])[] {
  const all = circuitsOf(job)
  return all.flatMap((c, i) => {
    const entry = c[key]
    return entry && all.findIndex((o) => o[key]?.id === entry.id) === i ? [[entry, c] as const] : []
  })
}
