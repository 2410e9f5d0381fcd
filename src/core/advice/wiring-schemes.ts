import { controlKindOf } from '../control'
import { chooseController, circuitsOf, firstCircuit, withoutUnused, runningAmps } from '../fan-circuit'
import { contactCarries } from '../electrical'
import { changeFuse, changeSizes, changeWiring, type Job, lookupOf, type Run } from '../job'
import type { ControllerPart, Part, PartKind, PartOf, RelayPart } from '../parts'
import { Bench } from '../reading'
import { format } from '../units'
import { relayEach } from '../wiring'
import { holdingFuse, holdingSize } from './propose'
import { meeting } from './wishes'
import { say } from '../words'

export type Shelf = readonly Part[]

const onShelf = <K extends PartKind>(shelf: Shelf, kind: K): PartOf<K>[] =>
  shelf.filter((p): p is PartOf<K> & Part => p.kind === kind)

interface Scheme {
  readonly name: string
  readonly tell: string
  /** what speaks for it where it does what is wanted */
  readonly why: string
  /** why it is no question here; null where it is */
  readonly barred: (job: Job, shelf: Shelf) => string | null
  readonly apply: (job: Job, shelf: Shelf) => Job
}

const fansAmps = (job: Job): number => {
  const bench = new Bench(lookupOf(job))
  return circuitsOf(job).reduce((sum, c) => sum + (c.fan ? runningAmps(bench, c.fan) : 0), 0)
}

const mostAmps = (job: Job): number => {
  const bench = new Bench(lookupOf(job))
  return circuitsOf(job).reduce((most, c) => Math.max(most, c.fan ? runningAmps(bench, c.fan) : 0), 0)
}

/** The lightest relay of the shelf for this voltage that carries a current. */
const relayFor = (job: Job, shelf: Shelf, amps: number): RelayPart | undefined =>
  onShelf(shelf, 'relay')
    .filter((r) => r.coilV === job.machine.systemV && contactCarries(r.contact).value >= amps)
    .sort((a, b) => a.contact.ratedA - b.contact.ratedA)[0]

const chosenRelay = (job: Job): RelayPart | undefined => firstCircuit(job).relay?.part

const carries = (relay: RelayPart | undefined, amps: number): boolean =>
  relay !== undefined && contactCarries(relay.contact).value >= amps

const each = (job: Job, change: Partial<Run>): Job => ({ ...job, runs: job.runs.map((r) => ({ ...r, ...change })) })

function withRelay(job: Job, shelf: Shelf, amps: number): Job {
  const relay = carries(chosenRelay(job), amps) ? chosenRelay(job) : relayFor(job, shelf, amps)
  const kept = relay ? [{ id: 'relay1', part: relay }] : job.relays.slice(0, 1)
  return each({ ...job, relays: kept }, { switchedBy: 'relay', relay: kept[0]?.id ?? null })
}

const twoFans = (job: Job): string | null => (job.runs.length < 2 ? say`there is one fan only` : null)

const noRelay =
  (amps: (job: Job) => number) =>
  (job: Job, shelf: Shelf): string | null =>
    job.fans.length && !carries(chosenRelay(job), amps(job)) && !relayFor(job, shelf, amps(job))
      ? say`no relay on the shelf carries ${format(amps(job), 'current', job.units, 2)}`
      : null

const controllerOf = (job: Job): ControllerPart | undefined => firstCircuit(job).controller?.part

const pulses = (job: Job): boolean => {
  const part = controllerOf(job)
  return part !== undefined && controlKindOf(part).pulses
}

const ownContact = (job: Job): string | null => {
  const part = controllerOf(job)
  if (!part) return say`no controller is chosen yet`
  return part.contact ? null : say`${part.name} cannot carry a fan itself`
}

const rampOnShelf = (shelf: Shelf): ControllerPart | undefined =>
  onShelf(shelf, 'controller').find((c) => controlKindOf(c).pulses)

const first = (job: Job, change: Partial<Run>): Job => ({
  ...job,
  runs: job.runs.map((r, i) => (i === 0 ? { ...r, ...change } : { ...r, source: change.source ?? r.source })),
})

const direct = (job: Job): Job => each(job, { switchedBy: 'controller' })
const positive = (job: Job): Job => changeWiring(job, { side: 'positive' })

function relayForEach(job: Job, shelf: Shelf): Job {
  const part = carries(chosenRelay(job), mostAmps(job)) ? chosenRelay(job) : relayFor(job, shelf, mostAmps(job))
  const own = part ? relayEach(first(job, { source: 'battery' }), part) : first(job, { source: 'battery' })
  return positive(each(own, { controller: firstCircuit(job).run.controller }))
}

function oneRelay(job: Job, shelf: Shelf): Job {
  const wired = withRelay(first(job, { source: 'battery' }), shelf, fansAmps(job))
  const { fuse, controller } = firstCircuit(job).run
  return positive(each(wired, { fuse, controller }))
}

/** The ways people wire a fan; a new scheme is a new entry. */
export const schemes = {
  'fed relay': {
    name: say`Fused feed with a relay`,
    tell: say`The fan straight from the battery behind its own fuse; key and thermostat carry only the coil.`,
    why: say`nothing thin carries the fan, and it dies with key or isolator`,
    barred: (job, shelf) =>
      job.runs.length > 1 ? say`there are two fans: one heavier relay, or a relay each` : noRelay(fansAmps)(job, shelf),
    apply: (job, shelf) => positive(withRelay(first(job, { source: 'battery' }), shelf, fansAmps(job))),
  },
  'own contact': {
    name: say`Controller's own contact`,
    tell: say`Battery, fuse, controller, fan: no relay.`,
    why: say`fewest parts and joints`,
    barred: ownContact,
    apply: (job) => positive(direct(first(job, { source: 'battery' }))),
  },
  plug: {
    name: say`Existing plug in the loom`,
    tell: say`The plug that the machine already has for a fan, live with the key.`,
    why: say`nothing is cut, and it goes back to standard`,
    barred: (job) => (job.engine === null ? say`a trailer has no such plug` : ownContact(job)),
    apply: (job) => positive(direct(first(job, { source: 'existing plug' }))),
  },
  block: {
    name: say`Accessory block behind a solenoid`,
    tell: say`A slot of the fuse block that comes alive with the key.`,
    why: say`no joint into the loom, fused already`,
    barred: (job) => (job.engine === null ? say`a trailer has no key` : ownContact(job)),
    apply: (job) => positive(direct(first(job, { source: 'accessory block' }))),
  },
  'switched wire': {
    name: say`Switched accessory wire`,
    tell: say`Tapped behind the key switch: what the fan takes goes through the key.`,
    why: say`shortest way to a feed that dies with the key`,
    barred: (job) => (job.engine === null ? say`a trailer has no key` : ownContact(job)),
    apply: (job) => positive(direct(first(job, { source: 'key switch' }))),
  },
  'ground side': {
    name: say`Ground-side switching`,
    tell: say`The thermostat and an override close the coil's ground, as many factory circuits do.`,
    why: say`an override needs one wire to ground and no feed`,
    barred: noRelay(fansAmps),
    apply: (job, shelf) =>
      changeWiring(withRelay(first(job, { source: 'battery' }), shelf, fansAmps(job)), { side: 'ground' }),
  },
  'one relay': {
    name: say`Two fans on one heavier relay`,
    tell: say`One contact for both fans.`,
    why: say`one relay, one fuse, one trigger`,
    barred: (job, shelf) => twoFans(job) ?? noRelay(fansAmps)(job, shelf),
    apply: oneRelay,
  },
  'relay each': {
    name: say`A relay for each fan, triggers joined`,
    tell: say`Each fan with its own relay and fuse; one thermostat calls both.`,
    why: say`one blown fuse leaves one fan running`,
    barred: (job, shelf) => twoFans(job) ?? noRelay(mostAmps)(job, shelf),
    apply: relayForEach,
  },
  staged: {
    name: say`A relay each, staged temperatures`,
    tell: say`The second fan has its own thermostat and starts later.`,
    why: say`one fan does most of the work; the second only when it is needed`,
    barred: (job, shelf) =>
      twoFans(job) ?? noRelay(mostAmps)(job, shelf) ?? (controllerOf(job) ? null : say`no controller is chosen yet`),
    apply: (job, shelf) => {
      const base = relayForEach(job, shelf)
      const one = firstCircuit(base).controller!
      // the first fan may be called by the one that came second
      const id = one.id === 'controller2' ? 'controller1' : 'controller2'
      const two = { ...one, id, setC: one.setC + 5 }
      return {
        ...base,
        controllers: [one, ...base.controllers.filter((c) => c.id !== one.id && c.id !== id), two],
        runs: base.runs.map((r, i) => (i === 1 ? { ...r, controller: id } : r)),
      }
    },
  },
  ramp: {
    name: say`Ramp controller straight to the battery`,
    tell: say`Speed follows the heat; feed and return both at the battery.`,
    why: say`no steps in the load, quiet, right where the fans are large`,
    barred: (job, shelf) => (pulses(job) || rampOnShelf(shelf) ? null : say`no ramp controller on the shelf`),
    apply: (job, shelf) => {
      const part = pulses(job) ? undefined : rampOnShelf(shelf)
      const chosen = part ? chooseController(job, part, null) : job
      return positive(direct(each(first(chosen, { source: 'battery' }), { frame: false })))
    },
  },
} as const satisfies Record<string, Scheme>

export type SchemeId = keyof typeof schemes

/** Size and fuse of every run, those that hold where there are such. */
function sized(job: Job): Job {
  const wires = job.runs.reduce((j, run, n) => {
    const size = holdingSize(j, j.units, n)
    return size.kind === 'size' ? changeSizes(j, size.size, run.conductors) : j
  }, job)
  return wires.runs.reduce((j, _, n) => {
    const fuse = holdingFuse(j, n)
    return fuse ? changeFuse(j, fuse.ratingA, undefined, n) : j
  }, wires)
}

/**
 * The job wired that way, with what its wishes need, and the fuse and the size that suit it; as it was where that way
 * cannot be had.
 */
export const wiredAs = (job: Job, id: SchemeId, shelf: Shelf): Job =>
  schemes[id].barred(job, shelf) ? job : sized(meeting(withoutUnused(schemes[id].apply(job, shelf)), 'key'))

/** What the job's way of wiring is called, where it is one of the schemes. */
export function schemeOf(job: Job): SchemeId | null {
  const [run, second] = job.runs
  if (run!.source === 'existing plug') return 'plug'
  if (run!.source === 'accessory block') return 'block'
  if (run!.source === 'key switch') return 'switched wire'
  if (run!.source === 'road lights') return null
  if (run!.switchedBy === 'relay' && job.wiring.side === 'ground') return 'ground side'
  if (second && run!.switchedBy === 'relay') {
    if (second.relay === run!.relay) return 'one relay'
    return second.controller === run!.controller ? 'relay each' : 'staged'
  }
  if (run!.switchedBy === 'controller') return pulses(job) ? 'ramp' : 'own contact'
  return 'fed relay'
}
