import { endsOf, type Reading } from '../reading'
import { fieldsOf, withReading } from './address'
import { careOf, afterCare, tieCare } from './start/care'
import type { Job } from './document'

/** What belongs to a model of machine, and not to one of them, its wear or its weather. */
const OF_THE_MODEL = new RegExp(
  [
    '^(engine|cooling|bay|trailer)\\.(?!storeFactor|resistanceFactor|transferFactor|glycolShare|panels)',
    '^charging\\.',
    '^machine\\.massKg$',
    '^place\\.(freeDepthM|freeFrontM)$',
  ].join('|'),
)
/** a part brings its own readings along; surroundings and wishes are not measured of a machine */
const OF_ANOTHER = /\.part\.|^(surroundings|use|complaint|baseline)\./
/** what an alike machine may differ by at least, as a share, and in kelvin (estimates) */
const DIFFERS = { share: 0.05, kelvin: 2 }

const leastSpread = (value: number, quantity: string): number =>
  quantity === 'temperature' ? DIFFERS.kelvin : DIFFERS.share * Math.abs(value)

/** The same figure as a guess for a machine alike: its spread is at least what two of them differ by. */
const asGuess = (reading: Reading, quantity: string, half: number): Reading => ({
  value: reading.value,
  source: 'typical',
  spread: Math.max(half, leastSpread(reading.value, quantity)),
})

export interface NextAlike {
  readonly title: string
  readonly machineName: string
  readonly owner: string
  readonly serial: string
  /** calendar day, 2026-01-31 */
  readonly startedOn: string
}

/**
 * A job as the beginning of one on the next machine alike: its choices stay, what was measured of the first machine
 * stands as typical with room for what two machines differ by, and nothing that was done, found, proved, bought or
 * signed comes along.
 * @see engineering §0
 */
export function copyForNext(job: Job, { title, machineName, owner, serial, startedOn }: NextAlike): Job {
  const begun: Job = {
    ...job,
    title,
    startedOn,
    promisedOn: null,
    machine: { ...job.machine, name: machineName, owner, fanPlug: { search: 'not looked', where: '' } },
    identity: { ...job.identity, serial },
    // how the first one ran, and what was found on it, tells nothing of the next
    complaint: { ...job.complaint, after: null, aboveC: null, signs: [], times: null, doubted: false },
    alterations: [],
    mechanicalFan: job.mechanicalFan && { looked: [] },
    fans: job.fans.map((f) => ({ ...f, plug: 'not looked' as const })),
    wiring: { ...job.wiring, unknowns: [] },
    observations: [],
    checks: [],
    baseline: { state: 'not yet', hotC: null, airC: null, touchS: null, load: '' },
    setting: { state: 'test' },
    build: { ...job.build, done: [], passed: [], waits: [], unplanned: [], have: [], left: [] },
    ledger: [],
    coolant: { outM3: null, inM3: null },
    debts: [],
    photos: [],
    dial: [],
    hours: [],
    bought: [],
    settings: [],
    looseJoints: [],
    searches: [],
    traces: [],
    proofs: [],
    notes: [],
    after: [...afterCare.filter((c) => job.cooling !== null || !c.coolant), ...(job.cooling ? [tieCare] : [])].map(
      ({ id, what }) => careOf(id, what),
    ),
    acceptances: [],
    claims: [],
    ended: null,
    signature: null,
  }
  return [...fieldsOf(begun).values()]
    .filter((f) => !OF_ANOTHER.test(f.address) && (f.reading.source === 'measured' || f.reading.source === 'seen'))
    .reduce((j, f) => {
      const { high } = endsOf(f.reading, f.quantity, f.limits)
      return withReading(j, f.address, asGuess(f.reading, f.quantity, high - f.reading.value))
    }, begun)
}

/** What other machines of a model tell of the next one. */
export interface Learnt {
  readonly job: Job
  /** how many of them told something */
  readonly machines: number
  /** names of the readings that now begin as on them */
  readonly labels: readonly string[]
}

/**
 * A new job whose guesses of the machine itself begin as on others of its model: the middle of what was read there,
 * with a spread that holds all of it.
 * @param others newest jobs of other machines of the same model
 * @see engineering §0
 */
export function learntFromModel(job: Job, others: readonly Job[]): Learnt {
  const alike = others.filter((o) => o.machine.kind === job.machine.kind)
  const seen = alike.map((o) => fieldsOf(o))
  const labels: string[] = []
  const told = new Set<number>()
  const next = [...fieldsOf(job).values()]
    .filter((f) => OF_THE_MODEL.test(f.address) && f.reading.source === 'typical')
    .reduce((j, f) => {
      const read = seen.flatMap((fields, n) => {
        const there = fields.get(f.address)
        if (!there || there.reading.source === 'typical') return []
        told.add(n)
        return [endsOf(there.reading, there.quantity, there.limits)]
      })
      if (!read.length) return j
      const [low, high] = [Math.min(...read.map((r) => r.low)), Math.max(...read.map((r) => r.high))]
      labels.push(f.label)
      const value = (low + high) / 2
      return withReading(j, f.address, asGuess({ value, source: 'typical' }, f.quantity, (high - low) / 2))
    }, job)
  return { job: next, machines: told.size, labels }
}
