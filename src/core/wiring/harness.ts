import { changeConductor, changeRunOf, conductorName, freshId, type HarnessEdit, type Job } from '../job'
import { firstCircuit } from '../fan-circuit'
import { measured } from '../reading'
import { format, type UnitSystem } from '../units'
import { say, spokenWord } from '../words'

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

const moreCrimps = (job: Job, conductor: string | null, n: number): Job => ({
  ...job,
  runs: job.runs.map((r, i) =>
    (conductor === null ? i === 0 : r.conductors.includes(conductor))
      ? { ...r, crimps: Math.min(30, Math.max(0, r.crimps + n)) }
      : r,
  ),
})

const withEdit = (job: Job, edit: HarnessEdit): Job => ({
  ...job,
  wiring: { ...job.wiring, edits: job.wiring.edits.map((e) => (e.id === edit.id ? edit : e)) },
})

/** The next change of the same kind to the same thing, which began where this one ended. */
function laterOf<E extends HarnessEdit>(job: Job, edit: E, same: (other: E) => boolean): E | undefined {
  const i = job.wiring.edits.findIndex((e) => e.id === edit.id)
  return job.wiring.edits.slice(i + 1).find((e): e is E => e.kind === edit.kind && same(e as E))
}

const moveInWords = ({ cavity, before, after }: Of<'move pins'>['moves'][number]): string =>
  before === after
    ? say`hole ${cavity} stays ${after || say`empty`}`
    : say`hole ${cavity}: ${before ? say`${before} out` : say`empty`}, ${after ? `${after} in` : say`left empty`}`

/** Ways of changing a harness; a new one is a new entry here and in its schema. */
const rules: { readonly [K in Kind]: EditRule<K> } = {
  length: {
    name: say`lengthen or shorten a wire`,
    tell: say`a joint more in that wire`,
    apply: (job, e) => moreCrimps(changeConductor(job, e.conductor, { lengthM: measured(e.toM) }), e.conductor, 1),
    undo: (job, e) => {
      const later = laterOf(job, e, (o) => o.conductor === e.conductor)
      const back = later
        ? withEdit(job, { ...later, fromM: e.fromM, was: e.was })
        : changeConductor(job, e.conductor, { lengthM: e.was ?? measured(e.fromM) })
      return moreCrimps(back, e.conductor, -1)
    },
    words: (job, e, u) =>
      say`${conductorName(job, e.conductor)}: ${format(e.fromM, 'run', u)} made ${format(e.toM, 'run', u)}`,
    step: (job, e, u) =>
      e.toM > e.fromM
        ? say`Lengthen the ${conductorName(job, e.conductor)} by ${format(e.toM - e.fromM, 'run', u)}: same size and
          colour, sealed crimp, its sleeve over the joint.`
        : say`Shorten the ${conductorName(job, e.conductor)} by ${format(e.fromM - e.toM, 'run', u)}: no loop stays
          under seat or tank; sealed crimp.`,
  },
  thicken: {
    name: say`thicker wires`,
    tell: say`new wires in the old places, a relay base for instance`,
    apply: (job, e) => e.conductors.reduce((j, id) => changeConductor(j, id, { size: e.to }), job),
    undo: (job, e) =>
      e.conductors.reduce((j, id, i) => {
        const before = e.from[i] ?? null
        const later = laterOf(j, e, (o) => o.conductors.includes(id))
        if (!later) return changeConductor(j, id, { size: before })
        const from = later.conductors.map((c, n) => (c === id ? before : (later.from[n] ?? null)))
        return withEdit(j, { ...later, from })
      }, job),
    words: (job, e) => say`${e.conductors.map((id) => conductorName(job, id)).join(', ')}: now ${spokenWord(e.to)}`,
    step: (job, e) =>
      say`Take the ${e.conductors.map((id) => conductorName(job, id)).join(say` and `)} out of their terminals or
        relay base (note which hole was which) and put ${spokenWord(e.to)} in, new terminals on.`,
  },
  'swap leads': {
    name: say`swap a fan's two leads`,
    tell: say`turns its air round; never on a brushless fan`,
    apply: (job, e) => ({
      ...job,
      fans: job.fans.map((f) => (f.id === e.fan ? { ...f, wiresSwapped: !f.wiresSwapped } : f)),
    }),
    undo: (job, e) => ({
      ...job,
      fans: job.fans.map((f) => (f.id === e.fan ? { ...f, wiresSwapped: !f.wiresSwapped } : f)),
    }),
    words: (job, e) => say`leads of ${job.fans.find((f) => f.id === e.fan)?.part.name ?? say`the fan`} swapped`,
    step: (job, e) =>
      say`Change over the two leads of ${
        job.fans.find((f) => f.id === e.fan)?.part.name ?? say`the fan`
      } in their plug, mark the plug, and hold a strip of paper to it when it first runs.`,
  },
  'cut loop off': {
    name: say`cut a branch or loop off`,
    tell: say`what the kit brings and this machine does not need`,
    apply: (job) => job,
    undo: (job) => job,
    words: (_, e) => say`cut off: ${e.what}`,
    step: (_, e) =>
      say`Cut off: ${e.what}. Ends staggered, each in its own sealed cap, tied back: a bare end may be live.`,
  },
  'second relay': {
    name: say`a second relay, triggers joined`,
    tell: say`for two fans on one relay`,
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
    words: () => say`second relay, its trigger joined to the first`,
    step: () =>
      say`Second relay beside the first: 86 joined to 86, 85 to the same ground, its own 30 with its own fuse, 87 to
        the second fan. Take the second fan off the first relay.`,
  },
  'breaker to fuse': {
    name: say`a fuse instead of a breaker`,
    tell: say`a breaker that resets itself goes on closing into a short`,
    apply: (job, e) => ({
      ...job,
      fuses: job.fuses.map((f) => (f.id === e.fuse ? { ...f, kind: 'blade' as const, ratingA: e.ratingA } : f)),
    }),
    undo: (job, e) => ({
      ...job,
      fuses: job.fuses.map((f) =>
        f.id === e.fuse ? { ...f, kind: 'breaker' as const, ratingA: e.wasA ?? f.ratingA } : f,
      ),
    }),
    words: (_, e) => say`breaker out, ${e.ratingA} A blade fuse in`,
    step: (_, e) =>
      say`Breaker out; sealed holder with a ${e.ratingA} A blade fuse in its place, the fuse itself not yet.`,
  },
  'move pins': {
    name: say`pins moved in a connector`,
    tell: say`each hole before and after, so that none is left over`,
    apply: (job) => job,
    undo: (job) => job,
    words: (_, e) => `${e.what}: ${e.moves.map(moveInWords).join('; ')}`,
    step: (_, e) =>
      say`De-pin ${e.what}, its lock out first, each pin by its tang and never by the wire:
        ${e.moves.map(moveInWords).join('; ')}. Pull at each pin; lock in again; count:
        ${e.moves.filter((m) => m.after !== '').length} of ${e.moves.length} holes are filled, the others get a plug.`,
  },
  connector: {
    name: say`another connector`,
    tell: say`so that the core or fan comes out again without cutting`,
    apply: (job, e) => moreCrimps(job, null, e.crimps),
    undo: (job, e) => moreCrimps(job, null, -e.crimps),
    words: (_, e) => say`connector: ${e.what}`,
    step: (_, e) => say`Fit the connector: ${e.what}. Pull each pin; seal or boot it; plug it once to hear it latch.`,
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

/**
 * What is wrong with moving pins: a wire that would be in two holes, or one that was there and goes nowhere. One that
 * is left over on purpose is cut off in a change of its own.
 */
export function movesBarred(moves: Of<'move pins'>['moves']): string | null {
  const holes = moves.map((m) => m.cavity.toLowerCase())
  const twice = holes.find((h, i) => holes.indexOf(h) !== i)
  if (twice) return say`hole ${twice} stands twice`
  const filled = moves.map((m) => m.after.toLowerCase()).filter((w) => w !== '')
  const double = filled.find((w, i) => filled.indexOf(w) !== i)
  if (double) return say`${double} cannot be in two holes`
  const left = moves.find((m) => m.before !== '' && !filled.includes(m.before.toLowerCase()))
  return left ? say`${left.before} comes out of hole ${left.cavity} and goes nowhere: say which hole it gets` : null
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
  if (kind === 'second relay') {
    if (job.runs.length < 2) return say`there is one fan only: add the second fan first`
    const { relay, run } = firstCircuit(job)
    if (relay === null) return say`choose the relay first`
    return job.runs.some((r) => r.relay !== run.relay) ? say`each fan has its own relay already` : null
  }
  if (kind === 'breaker to fuse')
    return job.fuses.some((f) => f.kind === 'breaker') ? null : say`there is no breaker in this circuit`
  if (kind === 'swap leads') {
    if (job.fans.length === 0) return say`choose the fan first`
    return job.fans.every((f) => f.part.motor === 'brushless')
      ? say`a brushless fan must never have its wires swapped`
      : null
  }
  return null
}
