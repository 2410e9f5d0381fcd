import { changeRunOf, conductorName, freshId, type HarnessEdit, type Job, type Seat } from '../job'
import { firstCircuit } from '../fan-circuit'
import type { FanPart, RelayPart } from '../parts'
import { measured, typical } from '../reading'
import { format, type UnitSystem, type WireSize } from '../units'

type Kind = HarnessEdit['kind']
type Of<K extends Kind> = Extract<HarnessEdit, { kind: K }>
/** An edit as it is asked for, before it has an id. */
export type WantedEdit = { [K in Kind]: Omit<Of<K>, 'id'> }[Kind]

interface EditRule<K extends Kind> {
  readonly name: string
  readonly tell: string
  readonly apply: (job: Job, edit: Of<K>) => Job
  readonly undo: (job: Job, edit: Of<K>) => Job
  readonly words: (job: Job, edit: Of<K>, units: UnitSystem) => string
  /** what is done at the bench */
  readonly step: (job: Job, edit: Of<K>, units: UnitSystem) => string
}

const withConductor = (job: Job, id: string, change: Partial<Job['conductors'][number]>): Job => ({
  ...job,
  conductors: job.conductors.map((c) => (c.id === id ? { ...c, ...change } : c)),
})

const moreCrimps = (job: Job, conductor: string | null, n: number): Job => ({
  ...job,
  runs: job.runs.map((r, i) =>
    (conductor === null ? i === 0 : r.conductors.includes(conductor))
      ? { ...r, crimps: Math.min(30, Math.max(0, r.crimps + n)) }
      : r,
  ),
})

/** Ways of changing a harness; a new one is a new entry here and in its schema. */
const rules: { readonly [K in Kind]: EditRule<K> } = {
  length: {
    name: 'lengthen or shorten a wire',
    tell: 'a joint more in that wire',
    apply: (job, e) => moreCrimps(withConductor(job, e.conductor, { lengthM: measured(e.toM) }), e.conductor, 1),
    undo: (job, e) => moreCrimps(withConductor(job, e.conductor, { lengthM: measured(e.fromM) }), e.conductor, -1),
    words: (job, e, u) =>
      `${conductorName(job, e.conductor)}: ${format(e.fromM, 'run', u)} made ${format(e.toM, 'run', u)}`,
    step: (job, e, u) =>
      e.toM > e.fromM
        ? `Lengthen the ${conductorName(job, e.conductor)} by ${format(e.toM - e.fromM, 'run', u)}: same size ` +
          `and colour, sealed crimp, its sleeve over the joint.`
        : `Shorten the ${conductorName(job, e.conductor)} by ${format(e.fromM - e.toM, 'run', u)}: no loop stays ` +
          `under seat or tank; sealed crimp.`,
  },
  thicken: {
    name: 'thicker wires',
    tell: 'new wires in the old places, a relay base for instance',
    apply: (job, e) => e.conductors.reduce((j, id) => withConductor(j, id, { size: e.to }), job),
    undo: (job, e) => e.conductors.reduce((j, id, i) => withConductor(j, id, { size: e.from[i] ?? null }), job),
    words: (job, e) => `${e.conductors.map((id) => conductorName(job, id)).join(', ')}: now ${e.to}`,
    step: (job, e) =>
      `Take the ${e.conductors.map((id) => conductorName(job, id)).join(' and ')} out of their terminals or ` +
      `relay base (note which hole was which) and put ${e.to} in, new terminals on.`,
  },
  'swap leads': {
    name: "swap a fan's two leads",
    tell: 'turns its air round; never on a brushless fan',
    apply: (job, e) => ({
      ...job,
      fans: job.fans.map((f) => (f.id === e.fan ? { ...f, wiresSwapped: !f.wiresSwapped } : f)),
    }),
    undo: (job, e) => ({
      ...job,
      fans: job.fans.map((f) => (f.id === e.fan ? { ...f, wiresSwapped: !f.wiresSwapped } : f)),
    }),
    words: (job, e) => `leads of ${job.fans.find((f) => f.id === e.fan)?.part.name ?? 'the fan'} swapped`,
    step: (job, e) =>
      `Change over the two leads of ${job.fans.find((f) => f.id === e.fan)?.part.name ?? 'the fan'} in their ` +
      `plug, mark the plug, and hold a strip of paper to it when it first runs.`,
  },
  'cut loop off': {
    name: 'cut a branch or loop off',
    tell: 'what the kit brings and this machine does not need',
    apply: (job) => job,
    undo: (job) => job,
    words: (_, e) => `cut off: ${e.what}`,
    step: (_, e) =>
      `Cut off: ${e.what}. Ends staggered, each in its own sealed cap, tied back: a bare end may be live.`,
  },
  'second relay': {
    name: 'a second relay, triggers joined',
    tell: 'for two fans on one relay',
    apply: (job) => {
      const first = firstCircuit(job).relay
      const second = job.runs[1]
      if (!first || !second) return job
      const id = freshId('relay', job.relays)
      return changeRunOf({ ...job, relays: [...job.relays, { ...first, id }] }, second.id, {
        relay: id,
        switchedBy: 'relay',
      })
    },
    undo: (job) => {
      const [first, second] = job.runs
      if (!first || !second) return job
      const back = changeRunOf(job, second.id, { relay: first.relay })
      return { ...back, relays: back.relays.filter((r) => back.runs.some((x) => x.relay === r.id)) }
    },
    words: () => 'second relay, its trigger joined to the first',
    step: () =>
      'Second relay beside the first: 86 joined to 86, 85 to the same ground, its own 30 with its own fuse, 87 to ' +
      'the second fan. Take the second fan off the first relay.',
  },
  'breaker to fuse': {
    name: 'a fuse instead of a breaker',
    tell: 'a breaker that resets itself goes on closing into a short',
    apply: (job, e) => ({
      ...job,
      fuses: job.fuses.map((f) => (f.id === e.fuse ? { ...f, kind: 'blade' as const, ratingA: e.ratingA } : f)),
    }),
    undo: (job, e) => ({
      ...job,
      fuses: job.fuses.map((f) => (f.id === e.fuse ? { ...f, kind: 'breaker' as const } : f)),
    }),
    words: (_, e) => `breaker out, ${e.ratingA} A blade fuse in`,
    step: (_, e) =>
      `Breaker out; sealed holder with a ${e.ratingA} A blade fuse in its place, the fuse itself not yet.`,
  },
  connector: {
    name: 'another connector',
    tell: 'so that the core or fan comes out again without cutting',
    apply: (job, e) => moreCrimps(job, null, e.crimps),
    undo: (job, e) => moreCrimps(job, null, -e.crimps),
    words: (_, e) => `connector: ${e.what}`,
    step: (_, e) => `Fit the connector: ${e.what}. Pull each pin; seal or boot it; plug it once to hear it latch.`,
  },
}

export const editKinds: readonly { readonly kind: Kind; readonly name: string; readonly tell: string }[] = (
  Object.keys(rules) as Kind[]
).map((kind) => ({ kind, name: rules[kind].name, tell: rules[kind].tell }))

const rule = <K extends Kind>(kind: K): EditRule<K> => rules[kind]

/** A change to the harness, made and recorded. */
export function makeEdit(job: Job, wanted: WantedEdit): Job {
  const edit = { ...wanted, id: freshId('edit', job.wiring.edits) }
  const changed = rule(edit.kind).apply(job, edit)
  return { ...changed, wiring: { ...changed.wiring, edits: [...changed.wiring.edits, edit] } }
}

/** Takes a change back; what it had changed is as before. */
export function undoEdit(job: Job, id: string): Job {
  const edit = job.wiring.edits.find((e) => e.id === id)
  if (!edit) return job
  const changed = rule(edit.kind).undo(job, edit)
  return { ...changed, wiring: { ...changed.wiring, edits: changed.wiring.edits.filter((e) => e.id !== id) } }
}

export const editInWords = (job: Job, edit: HarnessEdit, units: UnitSystem = job.units): string =>
  rule(edit.kind).words(job, edit, units)

export const editStep = (job: Job, edit: HarnessEdit, units: UnitSystem = job.units): string =>
  rule(edit.kind).step(job, edit, units)

/** Why a kind of change cannot be made on this job; null where it can. */
export function editBarred(job: Job, kind: Kind): string | null {
  if (kind === 'second relay')
    return job.runs.length < 2
      ? 'there is one fan only: add the second fan first'
      : firstCircuit(job).relay === null
        ? 'choose the relay first'
        : job.runs.some((r) => r.relay !== firstCircuit(job).run.relay)
          ? 'each fan has its own relay already'
          : null
  if (kind === 'breaker to fuse')
    return job.fuses.some((f) => f.kind === 'breaker') ? null : 'there is no breaker in this circuit'
  if (kind === 'swap leads')
    return job.fans.length === 0
      ? 'choose the fan first'
      : job.fans.every((f) => f.part.motor === 'brushless')
        ? 'a brushless fan must never have its wires swapped'
        : null
  return null
}

/** Where a second fan goes: the same place on the other core, or the free end of the only one. */
function seatBeside(job: Job, part: FanPart): Seat | null {
  const near = firstCircuit(job).fan?.seat
  if (!near || !job.cooling) return null
  if (job.cooling.cores > 1) return { ...near, core: near.core === 0 ? 1 : 0 }
  const [w, h, half] = [job.cooling.coreWidthM.value, job.cooling.coreHeightM.value, part.housingM.value / 2]
  return w > h ? { ...near, xM: near.xM < w / 2 ? w - half : half } : { ...near, yM: near.yM < h / 2 ? h - half : half }
}

/** A second fan, on the first one's relay or contact until it is given its own. */
export function addSecondFan(job: Job, part: FanPart): Job {
  const [first] = job.runs
  if (job.runs.length > 1)
    return { ...job, fans: job.fans.map((f) => (f.id === job.runs[1]!.fan ? { ...f, part } : f)) }
  const feed = job.conductors.find((c) => first!.conductors.includes(c.id) && c.role === 'feed')
  const back = job.conductors.find((c) => first!.conductors.includes(c.id) && c.role === 'return')
  const id = freshId('fan', job.fans)
  const own = [
    {
      ...(feed ?? job.conductors[0]!),
      id: freshId('feed', job.conductors),
      role: 'feed' as const,
      lengthM: typical(Math.round(100 * (first!.switchedBy === 'relay' ? 0.6 : (feed?.lengthM.value ?? 1.2))) / 100),
    },
    {
      ...(back ?? job.conductors[0]!),
      id: freshId('return', job.conductors),
      role: 'return' as const,
      lengthM: typical(back?.lengthM.value ?? 1.1),
    },
  ]
  const seat = seatBeside(job, part)
  return {
    ...job,
    fans: [...job.fans, { id, part, seat, wiresSwapped: false, bladeTurned: false }],
    conductors: [...job.conductors, ...own],
    runs: [
      first!,
      {
        ...first!,
        id: freshId('run', job.runs),
        fan: id,
        conductors: own.map((c) => c.id),
        crimps: 4,
        rings: 1,
        switchAtM: typical(0.3),
      },
    ],
  }
}

/** Takes the second fan off with all that only it had. */
export function dropSecondFan(job: Job): Job {
  const [first, ...others] = job.runs
  if (!others.length) return job
  const gone = new Set(others.flatMap((r) => [r.fan, ...r.conductors]))
  const only = (list: 'relays' | 'fuses' | 'controllers', key: 'relay' | 'fuse' | 'controller'): Set<string> =>
    new Set(job[list].filter((e) => others.some((r) => r[key] === e.id) && first![key] !== e.id).map((e) => e.id))
  const [relays, fuses, controllers] = [
    only('relays', 'relay'),
    only('fuses', 'fuse'),
    only('controllers', 'controller'),
  ]
  return {
    ...job,
    runs: [first!],
    fans: job.fans.filter((f) => !gone.has(f.id)),
    conductors: job.conductors.filter((c) => !gone.has(c.id)),
    relays: job.relays.filter((r) => !relays.has(r.id)),
    fuses: job.fuses.filter((f) => !fuses.has(f.id)),
    controllers: job.controllers.filter((c) => !controllers.has(c.id)),
    wiring: {
      ...job.wiring,
      edits: job.wiring.edits.filter(
        (e) => e.kind !== 'second relay' && !(e.kind === 'length' && gone.has(e.conductor)),
      ),
    },
  }
}

/** Another size for wires of any kind. */
export const sizeFor = (job: Job, ids: readonly string[], size: WireSize): Job =>
  ids.reduce((j, id) => withConductor(j, id, { size }), job)

/** Feeds that now begin at the battery, as long as the first one until somebody has measured them. */
function withOwnFeeds(job: Job): Job {
  const [first, ...others] = job.runs
  const feedOf = (conductors: readonly string[]) =>
    job.conductors.find((c) => c.role === 'feed' && conductors.includes(c.id))
  const usual = feedOf(first!.conductors)
  if (!usual) return job
  return others.reduce((j, run) => {
    const feed = feedOf(run.conductors)
    return feed?.lengthM.source === 'typical' && feed.lengthM.value < usual.lengthM.value
      ? withConductor(j, feed.id, { lengthM: typical(usual.lengthM.value) })
      : j
  }, job)
}

/** Each fan with its own relay, fuse and, where triggers are not joined, its own controller. */
export function relayEach(job: Job, relay: RelayPart): Job {
  const withRelays = { ...job, relays: job.runs.map((_, i) => ({ id: `relay${i + 1}`, part: relay })) }
  const { fuse } = firstCircuit(job)
  const own = withOwnFeeds(withRelays)
  const fused = fuse ? { ...own, fuses: job.runs.map((_, i) => ({ ...fuse, id: `fuse${i + 1}` })) } : own
  return {
    ...fused,
    runs: fused.runs.map((r, i) => ({
      ...r,
      switchedBy: 'relay' as const,
      relay: `relay${i + 1}`,
      fuse: fuse ? `fuse${i + 1}` : null,
    })),
  }
}
