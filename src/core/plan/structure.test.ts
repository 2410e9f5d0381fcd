import fc from 'fast-check'
import { example, exampleShelf } from '@/formats/test-support/examples'
import { everythingOf } from './test-support/everything'
import { type Job, jobSchema, typicalMachines } from '../job'
import { startedJobs } from '../job/test-support/started'
import type { Part } from '../parts'
import { often } from '../../test-support/often'

/** Documents of every kind, empty and finished, to damage. */
const started = startedJobs()
const finished = ['fell-bike-signed', 'vineyard-buggy-ready', 'churchyard-digger-bay', 'market-cold-trailer'].map(
  example,
)
const shelf = exampleShelf()
const ofKind = (kind: Part['kind']): Part[] => shelf.filter((p) => p.kind === kind)

type Node = Record<string, unknown>
type Damage = (job: Node, n: number) => void
const listAt = (job: Node, key: string): Node[] => job[key] as Node[]
const pick = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)]

const keys = [
  'fans',
  'controllers',
  'probes',
  'relays',
  'switches',
  'fuses',
  'conductors',
  'runs',
  'batteries',
] as const
const blocks = ['engine', 'cooling', 'newCore', 'bay', 'trailer', 'oldFan', 'duty'] as const

/** Ways in which a document's structure can be other than any screen would make it. */
const damages: readonly Damage[] = [
  // a block of another document, or none
  (job, n) => {
    const key = pick(blocks, n)!
    job[key] = structuredClone(pick([...started, ...finished], n >> 3)![key])
  },
  (job, n) => {
    job[pick(blocks, n)!] = null
  },
  // a list emptied, cut, or with a second entry like its first
  (job, n) => {
    job[pick(keys, n)!] = []
  },
  (job, n) => {
    const list = listAt(job, pick(keys, n)!)
    list.splice(n % Math.max(1, list.length), 1)
  },
  (job, n) => {
    const list = listAt(job, pick(keys, n)!)
    const like = pick(list, n >> 4)
    if (like) list.push({ ...structuredClone(like), id: `more${n % 97}` })
  },
  // a run that points elsewhere or nowhere
  (job, n) => {
    const run = pick(listAt(job, 'runs'), n >> 6)
    const [key, list] = pick(
      [
        ['fan', 'fans'],
        ['controller', 'controllers'],
        ['probe', 'probes'],
        ['fuse', 'fuses'],
        ['relay', 'relays'],
        ['keySwitch', 'switches'],
      ] as const,
      n,
    )!
    if (run) run[key] = n & 8 ? null : (pick(listAt(job, list), n >> 4)?.id ?? null)
  },
  (job, n) => {
    const run = pick(listAt(job, 'runs'), n >> 6)
    if (run) run.conductors = listAt(job, 'conductors').flatMap((c, i) => ((n >> i) & 1 ? [c.id] : []))
  },
  (job, n) => {
    const run = pick(listAt(job, 'runs'), n >> 6)
    if (run) run.source = pick(['battery', 'key switch', 'accessory block', 'existing plug', 'road lights'], n)
    if (run) run.switchedBy = n & 16 ? 'relay' : 'controller'
  },
  // another part, unchosen sizes and seats, other ways of holding, switching and living
  (job, n) => {
    const key = pick(['fans', 'controllers', 'relays', 'switches', 'probes'] as const, n)!
    const entry = pick(listAt(job, key), n >> 3)
    const part = pick(
      ofKind(
        { fans: 'fan', controllers: 'controller', relays: 'relay', switches: 'switch', probes: 'probe' }[
          key
        ] as Part['kind'],
      ),
      n >> 4,
    )
    if (entry && part) entry.part = structuredClone(part)
  },
  (job, n) => {
    const wire = pick(listAt(job, 'conductors'), n)
    if (wire) wire.size = null
  },
  (job, n) => {
    const entry = pick(listAt(job, n & 1 ? 'fans' : 'probes'), n >> 2)
    if (entry) entry.seat = n & 2 ? null : { core: (n >> 3) % 4, xM: 0.05, yM: 0.1 }
  },
  (job, n) => {
    const place = job.place as Node
    place.mount = pick(['ties', 'bracket', 'shroud', 'panel', 'duct'], n)
    place.side = n & 8 ? 'pusher' : 'puller'
    place.panel = n & 16 ? null : 'panel1'
  },
  (job, n) => {
    const wiring = job.wiring as Node
    wiring.side = n & 1 ? 'ground' : 'positive'
    wiring.controlFrom = n & 2 ? 'key' : 'feed'
    wiring.override = pick(['none', 'key', 'feed'], n >> 2)
    wiring.isolator = (n & 16) > 0
    wiring.timer = (n & 32) > 0
    wiring.call = (n & 64) > 0
  },
  (job, n) => {
    ;(job.use as Node).live = pick(['key only', 'after-run', 'isolator', 'whenever hot'], n)
    job.kind = pick(['core', 'bay', 'thicker-core', 'wiring'], n >> 2)
  },
  (job, n) => {
    ;(job.machine as Node).kind = pick(Object.keys(typicalMachines), n)
    ;(job.machine as Node).systemV = n & 8 ? 24 : 12
  },
]

/** A document damaged a few times, where the schema still takes it. */
function damaged(from: Job, hits: readonly (readonly [number, number])[]): Job | null {
  let job = from
  for (const [which, n] of hits) {
    const next = structuredClone(job) as unknown as Node
    pick(damages, which)!(next, n)
    const read = jobSchema.safeParse(next)
    if (read.success) job = read.data
  }
  return job === from ? null : job
}

test('every document that the schema takes is evaluated, run, drawn, proved and put on a sheet', () => {
  let taken = 0
  fc.assert(
    fc.property(
      fc.constantFrom(...started, ...finished),
      fc.array(fc.tuple(fc.nat(), fc.nat({ max: 1 << 20 })), { minLength: 1, maxLength: 8 }),
      (from, hits) => {
        const job = damaged(from, hits)
        if (!job) return
        taken++
        everythingOf(job)
      },
    ),
    { seed: 13, numRuns: often(40) },
  )
  // the damage is not all refused: there is something to this
  expect(taken).toBeGreaterThan(25)
})

/** Where each figure of a document stands. */
function figuresOf(node: unknown, path: readonly string[] = []): (readonly string[])[] {
  if (typeof node === 'number') return [path]
  if (node === null || typeof node !== 'object') return []
  return Object.entries(node).flatMap(([key, value]) => figuresOf(value, [...path, key]))
}

const ends = [0, 1e-9, 1e-4, 0.001, 0.02, 0.5, 1, 3, 10, 24, 90, 120, 500, 3000, 9000, 1e5, 1e9, -1e-9, -1, -40]

test('every figure that the schema takes, however small or large, makes figures and words that can be shown', () => {
  let taken = 0
  fc.assert(
    fc.property(
      fc.constantFrom(...started, ...finished),
      fc.array(fc.tuple(fc.nat(), fc.constantFrom(...ends)), { minLength: 1, maxLength: 12 }),
      (from, set) => {
        let job = from
        for (const [which, value] of set) {
          const next = structuredClone(job) as unknown as Node
          const path = pick(figuresOf(next), which)!
          path.slice(0, -1).reduce((node, key) => node[key] as Node, next)[path.at(-1)!] = value
          const read = jobSchema.safeParse(next)
          if (read.success) job = read.data
        }
        if (job === from) return
        taken++
        everythingOf(job)
      },
    ),
    { seed: 18, numRuns: often(24) },
  )
  expect(taken).toBeGreaterThan(15)
})
