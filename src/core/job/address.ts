import { onceAJob } from './once-a-job'
import { mountAsks } from './mounts'
import { mountOf } from './mounts'
import { type LeadName } from './choices'
import { type Field, type FieldTable, type Station, walkFields } from '../fields'
import type { Lookup, Reading } from '../reading'
import type { Job } from './document'
import fieldTable from './fields.json'
import { jobKinds } from './kinds'
import { outlivesKey } from './outlives-key'
import { conductorName } from './role-names'
import { typicalMachines } from './typical'
import { wiresInUse } from './wires-in-use'
import { say, spokenWord } from '../words'

/** A reading of a job with everything that is known about its place. */
export interface PlacedField extends Field {
  readonly address: string
  readonly reading: Reading
}

const workNames: Readonly<Record<string, string>> = { idle: say`idle`, slow: say`slow work`, cruise: say`cruise` }

/** The feed's length and the way back's are told apart by name; behind a panel is not behind a core. */
function ownLabel(job: Job, address: string, label: string): string {
  const [list, id] = address.split('.')
  if (address.startsWith('place.obstacles.'))
    return `${job.place.obstacles.find((o) => o.id === address.split('.')[2])?.name}, ${label}`
  if (address.startsWith('bay.panels.'))
    return `${job.bay?.panels.find((p) => p.id === address.split('.')[2])?.name}, ${label}`
  if (address.startsWith('place.leads.')) {
    const [, , lead, leg] = address.split('.') as [string, string, LeadName, string]
    return say`${spokenWord(lead)} lead, ${job.place.leads[lead].find((l) => l.id === leg)?.name}`
  }
  if (list === 'oldFan') return say`old fan: ${label}`
  if (list === 'probes' && job.bay && address.endsWith('.kappa'))
    return say`share of the bay's warmth that the probe sees`
  if (list === 'charging' && job.trailer && id === 'regulatorV') return say`tow vehicle or charger holds`
  if (list === 'charging' && id === 'points')
    return address.endsWith('rpm')
      ? say`engine speed of the ${workNames[address.split('.')[2]!] ?? ''} clamp reading`
      : say`charging current at ${workNames[address.split('.')[2]!] ?? say`that speed`}`
  const several = list === 'fans' || list === 'controllers' || list === 'fuses' || list === 'runs' ? job[list] : []
  if (several.length > 1)
    return `${label}, ${list === 'runs' ? say`fan ` : ''}${several.findIndex((x) => x.id === id) + 1}`
  if (list !== 'conductors') return label
  return `${conductorName(job, id!)}, ${label}`
}

/** Readings as they were placed last: the job that a change makes shares nearly all of them. */
const placedBefore = new WeakMap<object, PlacedField>()

/** Every reading of a job by its address, in the order of the document. Jobs are immutable, so it is walked once. */
export const fieldsOf = onceAJob((job): ReadonlyMap<string, PlacedField> => {
  const fields = new Map<string, PlacedField>()
  for (const found of walkFields(fieldTable as FieldTable, job)) {
    const label = ownLabel(job, found.address, spokenWord(found.label))
    const tell = spokenWord(found.tell)
    const before = placedBefore.get(found)
    const same = before?.label === label && before.tell === tell
    const placed = same ? before : { ...found, label, tell }
    if (!same) placedBefore.set(found, placed)
    fields.set(found.address, placed)
  }
  return fields
})

/** @throws RangeError for an address that is not in the job */
export function lookupOf(job: Job): Lookup {
  const fields = fieldsOf(job)
  return (address) => {
    const found = fields.get(address)
    if (!found) throw new RangeError(`no reading at ${address}`)
    return found
  }
}

type Question = readonly [belongs: RegExp, asked: (job: Job, address: string) => boolean]
const mountsFan = (job: Job): boolean => jobKinds[job.kind].mountsFan
/** it moves while it works slowly, so that there is a breeze of its own */
const travels = (job: Job): boolean => (job.engine?.slowMs.value ?? 0) > 0

/** Readings that are asked only under a condition; all others are asked wherever they stand in the document. */
const conditions: readonly Question[] = [
  [/^charging\.rated(A|Rpm)$/, (job) => job.trailer === null && job.charging.known === 'rating'],
  [/^charging\.points\./, (job) => job.trailer === null && job.charging.known === 'points'],
  [/^conductors\./, (job, address) => wiresInUse(job).some((c) => c.id === address.split('.')[1])],
  // what lies in the bay or outside gets the bay's heat or the day's
  [
    /^(conductors|fuses)\.\w[\w-]*\.ambientC$/,
    (job, address) => {
      const [list, id] = address.split('.') as ['conductors' | 'fuses', string]
      const lies = job[list].find((e) => e.id === id)?.lies
      return lies === 'engine' || lies === 'exhaust'
    },
  ],
  // where a wire carries signals only, one reading for all of them is enough
  [
    /^conductors\.\w[\w-]*\.ambientC$/,
    (job, address) => job.runs.some((r) => r.conductors.includes(address.split('.')[1]!)),
  ],
  [/^runs\.\w+\.isolatorAtM$/, (job) => job.wiring.isolator],
  [
    /^wiring\.plugResistorOhm$/,
    (job) => job.wiring.plugSpeed === 'low' && job.runs.some((r) => r.source === 'existing plug'),
  ],
  [/^wiring\.feedLoadA$/, (job) => job.runs.some((r) => r.source !== 'battery' && r.source !== 'road lights')],
  [/^use\.afterRunS$/, (job) => job.trailer === null && outlivesKey(job)],
  [/^cooling\.glycolShare$/, (job) => job.cooling?.coolant !== 'water'],
  [/^cooling\.(core|fins|tank|ram|resistance|transfer)/, mountsFan],
  [/^cooling\.ramShare$/, travels],
  [/^cooling\.betweenCoresM$/, (job) => mountsFan(job) && job.cooling !== null && job.cooling.cores > 1],
  [/^engine\.(slowShare|slowMs)$/, (job) => mountsFan(job) && job.cooling !== null],
  [/^engine\.idleShare$/, (job) => mountsFan(job) && job.cooling !== null && travels(job)],
  [/^engine\.cruiseMs$/, (job) => job.newCore !== null && typicalMachines[job.machine.kind].ramShare > 0],
  [/^machine\.massKg$/, (job) => job.duty?.legs.some((l) => l.grade !== null && l.loadShare === null) ?? false],
  [/^engine\.(massKg|storeFactor)$/, mountsFan],
  [/^surroundings\.usualC$/, mountsFan],
  [
    /^surroundings\.blockedShare$/,
    (job) =>
      mountsFan(job) && job.cooling !== null && job.surroundings.ground !== null && job.surroundings.ground !== 'clean',
  ],
  [/^bay\.(space|vent|heat|panel|flywheel)/, mountsFan],
  [/^place\.(freeDepthM|freeFrontM)$/, (job) => mountsFan(job) && job.cooling !== null],
  [/^place\.freeFrontM$/, (job) => job.place.side === 'pusher'],
  [/^place\.standOffM$/, mountsFan],
  [/^place\.obstacles\./, (job) => mountsFan(job) && job.cooling !== null],
  [
    /^place\.obstacles\.\w+\.travelM$/,
    (job, address) => job.place.obstacles.some((o) => o.kind === 'moves' && o.id === address.split('.')[2]),
  ],
  [
    /^place\.inletRiseK$/,
    (job) => mountsFan(job) && job.place.inletFrom !== null && job.place.inletFrom !== 'surroundings',
  ],
  [
    /^(place|cooling)\./,
    (job, address) => {
      const asks = mountAsks(job, address)
      return asks === null || (asks && mountsFan(job))
    },
  ],
  [/^place\.leads\.controller\./, (job) => job.controllers.some((c) => c.part.leadM !== null)],
  [/^place\.leads\.supply\./, (job) => job.controllers.some((c) => c.part.supplyLeadM !== null)],
  [/^place\.sweepM$/, (job) => typicalMachines[job.machine.kind].steers],
  [/^(fans\.\w+|oldFan)\.part\.(diameterM|depthM|freeFlowM3s|massKg|maxPressurePa|housingM|boltCircleM)$/, mountsFan],
  [/^oldFan\.part\.(depthM|housingM|leadM|massKg|lockedA)$/, () => false],
  [/^fans\.\w+\.part\.boltCircleM$/, (job) => job.oldFan !== null || mountOf(job).throughFins],
]

const isAsked = (job: Job, address: string): boolean =>
  conditions.every(([belongs, asked]) => !belongs.test(address) || asked(job, address))

/** Every reading that the job's choices ask for. Nine stations ask at every change, so it is sought out once. */
export const askedFields = onceAJob((job): readonly PlacedField[] =>
  [...fieldsOf(job).values()].filter((f) => isAsked(job, f.address)),
)

/** The readings that a station asks for. */
export const fieldsAt = (job: Job, station: Station): readonly PlacedField[] =>
  askedFields(job).filter((f) => f.station === station)

/** How a job came from another by one reading alone. */
export interface ReadingChange {
  readonly from: Job
  readonly address: string
}
const readingChanges = new WeakMap<Job, ReadingChange>()

/** The job that this one is but for one reading; null where it did not come about so. */
export const readingChangeOf = (job: Job): ReadingChange | null => readingChanges.get(job) ?? null

/** The job with another reading at an address; everything else is shared with the old one. */
export function withReading(job: Job, address: string, reading: Reading): Job {
  const set = (node: unknown, path: readonly string[]): unknown => {
    const [head, ...rest] = path
    if (head === undefined) return reading
    if (Array.isArray(node))
      return (node as readonly { id: string }[]).map((entry) => (entry.id === head ? set(entry, rest) : entry))
    return { ...(node as object), [head]: set((node as Record<string, unknown>)[head], rest) }
  }
  if (!fieldsOf(job).has(address)) throw new RangeError(`no reading at ${address}`)
  const changed = set(job, address.split('.')) as Job
  readingChanges.set(changed, { from: job, address })
  return changed
}

/** The job with one of its readings times a factor; as it was where it has no such reading. */
export function withReadingTimes(job: Job, address: string, factor: number): Job {
  const was = fieldsOf(job).get(address)?.reading
  return was ? withReading(job, address, { ...was, value: was.value * factor }) : job
}
