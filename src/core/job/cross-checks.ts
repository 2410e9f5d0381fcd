import { mountsIn } from './mounts'
import type { z } from 'zod'
import type { WrittenJob } from './written'
import { jobKinds } from './kinds'
import { say, spokenWord } from '../words'

/** What is wrong between blocks of a document: where, and in words. */
interface Fault {
  readonly path: readonly (string | number)[]
  readonly message: string
}
type Check = (job: WrittenJob) => Fault[]
const fault = (message: string, ...path: readonly (string | number)[]): Fault => ({ path, message })

const blocks = ['engine', 'cooling', 'newCore', 'bay', 'trailer'] as const
type Block = (typeof blocks)[number]
const blockNames: Readonly<Record<Block, string>> = {
  engine: say`an engine`,
  cooling: say`coolant and a core`,
  newCore: say`a new core`,
  bay: say`a bay`,
  trailer: say`how a trailer is fed`,
}

/** Which blocks a document of this kind has. Wiring alone is on whatever carries the machine's heat. */
function blocksOf(job: WrittenJob): readonly Block[] {
  const own: readonly Block[] = job.machine.kind === 'trailer' ? ['trailer'] : ['engine']
  if (job.kind === 'core') return [...own, 'cooling']
  if (job.kind === 'thicker-core') return [...own, 'cooling', 'newCore']
  if (job.kind === 'bay') return [...own, 'bay']
  return [...own, job.cooling === null ? 'bay' : 'cooling']
}

const hasItsBlocks: Check = (job) => {
  const wanted = blocksOf(job)
  const kind = say`a job of the kind "${jobKinds[job.kind].name}" on this machine`
  return [
    ...(job.machine.kind === 'trailer' && wanted.includes('cooling')
      ? [fault(say`a trailer has no coolant of its own`, 'cooling')]
      : []),
    ...blocks
      .filter((b) => wanted.includes(b) !== (job[b] !== null))
      .map((b) => fault(say`${kind} has ${wanted.includes(b) ? blockNames[b] : say`not ${blockNames[b]}`}`, b)),
  ]
}

const idsStandOnce: Check = (job) => {
  const lists = {
    fans: job.fans,
    controllers: job.controllers,
    probes: job.probes,
    relays: job.relays,
    switches: job.switches,
    fuses: job.fuses,
    conductors: job.conductors,
    batteries: job.batteries,
    runs: job.runs,
    obstacles: job.place.obstacles,
    panels: job.bay?.panels ?? [],
    points: job.charging.points,
    legs: job.duty?.legs ?? [],
    observations: job.observations,
    edits: job.wiring.edits,
    unknowns: job.wiring.unknowns,
  }
  return Object.entries(lists).flatMap(([key, list]) => {
    const ids = list.map((e) => e.id)
    const twice = ids.find((id, i) => ids.indexOf(id) !== i)
    return twice ? [fault(say`the id "${twice}" stands twice`, key)] : []
  })
}

const isThere = (id: string | null, list: readonly { readonly id: string }[], ...path: (string | number)[]): Fault[] =>
  id === null || list.some((e) => e.id === id) ? [] : [fault(say`there is no "${id}" in this job`, ...path)]

const pointsAtWhatIsThere: Check = (job) => [
  ...isThere(job.wiring.overrideSwitch, job.switches, 'wiring', 'overrideSwitch'),
  ...isThere(job.wiring.isolatorSwitch, job.switches, 'wiring', 'isolatorSwitch'),
  ...isThere(job.place.panel, job.bay?.panels ?? [], 'place', 'panel'),
  ...(job.bay && job.place.panel === null
    ? [fault(say`a bay has a panel that the fan is meant for`, 'place', 'panel')]
    : []),
  ...job.runs.flatMap((run, i) => [
    ...isThere(run.fan, job.fans, 'runs', i, 'fan'),
    ...isThere(run.controller, job.controllers, 'runs', i, 'controller'),
    ...isThere(run.probe, job.probes, 'runs', i, 'probe'),
    ...isThere(run.fuse, job.fuses, 'runs', i, 'fuse'),
    ...isThere(run.relay, job.relays, 'runs', i, 'relay'),
    ...isThere(run.keySwitch, job.switches, 'runs', i, 'keySwitch'),
    ...run.conductors.flatMap((id) => isThere(id, job.conductors, 'runs', i, 'conductors')),
  ]),
]

/** A fan is fed once, and a feed has at most one wire out and one back. */
const runsAreRuns: Check = (job) =>
  job.runs.flatMap((run, i) => {
    const roles = run.conductors.flatMap((id) => job.conductors.find((c) => c.id === id)?.role ?? [])
    const strange = roles.find((r) => r !== 'feed' && r !== 'return')
    const twice = roles.find((r, n) => roles.indexOf(r) !== n)
    return [
      ...(run.fan !== null && job.runs.findIndex((r) => r.fan === run.fan) !== i
        ? [fault(say`"${run.fan}" is fed twice`, 'runs', i, 'fan')]
        : []),
      ...(strange
        ? [fault(say`a fan’s way out and back has no ${spokenWord(strange)} wire`, 'runs', i, 'conductors')]
        : []),
      ...(twice ? [fault(say`two wires are its ${spokenWord(twice)}`, 'runs', i, 'conductors')] : []),
    ]
  })

/** A fan is held as its place allows, and sits on a core that is there; in a bay the panel says where. */
const seatsSuitTheMedium: Check = (job) => {
  const { cooling } = job
  const medium = cooling ? 'coolant' : 'air'
  const onCore = cooling !== null && jobKinds[job.kind].mountsFan
  const sits = (list: 'fans' | 'probes'): Fault[] =>
    job[list].flatMap(({ seat }, i) => [
      ...(list === 'fans' && onCore && !seat ? [fault(say`a fan on a core has its place on it`, list, i, 'seat')] : []),
      ...(seat && !onCore ? [fault(say`it has no place on a core`, list, i, 'seat')] : []),
      ...(seat && cooling && seat.core >= cooling.cores
        ? [fault(say`there are only ${cooling.cores} cores`, list, i, 'seat', 'core')]
        : []),
    ])
  return [
    ...(mountsIn(medium).some((m) => m === job.place.mount)
      ? []
      : [fault(say`"${spokenWord(job.place.mount)}" is no way to hold a fan here`, 'place', 'mount')]),
    ...sits('fans'),
    ...sits('probes'),
  ]
}

/** Where no engine heats a bay, something in it does. */
const bayHasItsHeat: Check = (job) =>
  job.bay && !job.engine && job.bay.heatW === null
    ? [fault(say`without an engine it says what heat is given off inside`, 'bay', 'heatW')]
    : []

/** What is said to lie in a bay has one to lie in. */
const liesWhereItCan: Check = (job) =>
  (['fuses', 'conductors'] as const).flatMap((list) =>
    job[list].flatMap((e, i) =>
      e.lies === 'bay' && !job.bay ? [fault(say`there is no bay here`, list, i, 'lies')] : [],
    ),
  )

const checks: readonly Check[] = [
  liesWhereItCan,
  hasItsBlocks,
  bayHasItsHeat,
  idsStandOnce,
  pointsAtWhatIsThere,
  runsAreRuns,
  seatsSuitTheMedium,
]

/** What must hold between the blocks of a document, besides what each of them is. */
export function crossChecked(job: WrittenJob, context: z.RefinementCtx<WrittenJob>): void {
  for (const check of checks)
    for (const { path, message } of check(job)) context.addIssue({ code: 'custom', path: [...path], message })
}
