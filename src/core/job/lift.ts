import { fanGuesses } from '../parts'
import { typical } from '../reading'
import { machineKinds, type MachineKind } from './document'
import {
  bayBeside,
  controlConductors,
  coolingBeside,
  engineBeside,
  placeBeside,
  storeBeside,
  usualColours,
  usualDay,
  USUAL_SPAN_K,
  wiringBeside,
} from './start'
import { typicalMachines } from './typical'

type Raw = Readonly<Record<string, unknown>>
const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value)
const within = (raw: Raw, key: string, more: (old: Raw) => Raw): Raw =>
  isRaw(raw[key]) ? { [key]: more(raw[key]) } : {}
const each = (raw: Raw, key: string, more: (old: Raw) => Raw): Raw => {
  const list: unknown = raw[key]
  return Array.isArray(list) ? { [key]: list.map((e: unknown) => (isRaw(e) ? more(e) : e)) } : {}
}

const valueOf = (reading: unknown, fallback: number): number =>
  isRaw(reading) && typeof reading.value === 'number' ? reading.value : fallback

/** A part as older shelves and jobs wrote it, with what parts have gained since. Leaves a present one as it is. */
export function liftPart(part: unknown): unknown {
  if (!isRaw(part)) return part
  const gained: Readonly<Record<string, () => Raw>> = {
    relay: () => ({ coilV: 12 }),
    fan: () => ({ ...fanGuesses(valueOf(part.diameterM, 0.15)) }),
    controller: () => ({ leadM: null, supplyLeadM: null, leastDuty: null }),
  }
  return { facts: [], ...gained[String(part.kind)]?.(), ...part }
}

const withPart = (entry: Raw): Raw => ({ ...entry, part: liftPart(entry.part) })

/** Version 1 knew only fans on cores of three kinds of machine. */
function fromVersion1(job: Raw): Raw {
  const complaint = isRaw(job.complaint) ? job.complaint : {}
  return {
    ...job,
    version: 2,
    kind: 'core',
    checks: [],
    alterations: [],
    newCore: null,
    bay: null,
    trailer: null,
    ended: null,
    baseline: { state: complaint.after ? 'taken' : 'not yet', hotC: null, airC: null, touchS: null, load: '' },
    ...within(job, 'machine', (m) => ({ ...m, ownerAllows: null })),
    ...within(job, 'surroundings', (s) => ({ ...s, livesIn: null, shielded: false })),
    ...within(job, 'place', (p) => ({ ...p, blowsOn: null })),
    ...each(job, 'fans', withPart),
    ...each(job, 'controllers', withPart),
    ...each(job, 'probes', withPart),
    ...each(job, 'relays', withPart),
    ...each(job, 'switches', withPart),
  }
}

const isMachine = (kind: unknown): kind is MachineKind => machineKinds.includes(kind as MachineKind)

/** At the core's edge, as far from where the leads leave as its middle is: then the lead is what it was. */
const probeSeat = <S>(at: (x: number, y: number) => S, wide: number, high: number): S => {
  const right = ((wide + high) / 2 - 0.9 * wide) / high
  return right > 0.06 ? at(0.9, right) : at(((wide + high) / 2 - 0.88 * high) / wide, 0.88)
}

/** Version 2 knew a fan's depth, but not where on the core it sits, nor what is near it. */
function fromVersion2(job: Raw): Raw {
  const machine = isRaw(job.machine) ? job.machine : {}
  const t = typicalMachines[isMachine(machine.kind) ? machine.kind : 'trail-bike']
  const old = isRaw(job.place) ? job.place : {}
  const { fanRouteM, probeRouteM, ...place } = old
  const wide = isRaw(job.cooling) ? valueOf(job.cooling.coreWidthM, 0.12) : 0
  const high = isRaw(job.cooling) ? valueOf(job.cooling.coreHeightM, 0.24) : 0
  const at = (x: number, y: number) =>
    isRaw(job.cooling) && job.kind !== 'wiring' ? { core: 0, xM: x * wide, yM: y * high } : null
  const beside = placeBeside(t)
  const leg = (lengthM: unknown, name: string) => [{ id: 'leg1', name, lengthM }]
  return {
    ...job,
    version: 3,
    oldFan: null,
    ...within(job, 'surroundings', (s) => ({ ground: null, blockedShare: typical(0), ...s })),
    ...within(job, 'engine', (e) => ({ ...engineBeside(t), ...e })),
    ...within(job, 'cooling', (c) => ({ ...coolingBeside(t), ...c })),
    ...within(job, 'bay', (b) => ({
      ...bayBeside(t),
      ...b,
      ...(isRaw(old.freeDepthM) ? { panels: bayBeside(t).panels.map((p) => ({ ...p, freeM: old.freeDepthM })) } : {}),
    })),
    // what is no place stays none, for the schema to refuse
    place: !isRaw(job.place)
      ? job.place
      : {
          ...beside,
          panel: isRaw(job.bay) ? 'panel1' : null,
          ...place,
          leads: {
            ...beside.leads,
            ...(fanRouteM ? { fan: leg(fanRouteM, 'to the joint') } : {}),
            ...(probeRouteM ? { probe: leg(probeRouteM, 'to the controller') } : {}),
          },
        },
    ...each(job, 'fans', (f) => ({ ...withPart(f), seat: at(0.5, 0.5), wiresSwapped: false, bladeTurned: false })),
    ...each(job, 'probes', (p) => ({ ...withPart(p), seat: probeSeat(at, wide, high) })),
    ...each(job, 'controllers', withPart),
  }
}

/** Length of a run's own feed, m. */
const feedOf = (job: Raw, run: Raw, fallback: number): number => {
  const own = Array.isArray(job.conductors)
    ? (job.conductors.find(
        (c: unknown) => isRaw(c) && c.role === 'feed' && Array.isArray(run.conductors) && run.conductors.includes(c.id),
      ) as unknown)
    : undefined
  return isRaw(own) ? valueOf(own.lengthM, fallback) : fallback
}

/** Two fifths of the feed, as far as its fuse leaves room, m. */
function lastPiece(job: Raw, run: Raw, feedM: number): number {
  const fuse: unknown = Array.isArray(job.fuses)
    ? job.fuses.find((f: unknown) => isRaw(f) && f.id === run.fuse)
    : undefined
  const toFuseM = isRaw(fuse) ? valueOf(fuse.fromPostM, 0) : 0
  return Math.max(0, Math.round(1000 * Math.min(0.4 * feedM, feedM - toFuseM - 0.05)) / 1000)
}

/** What was one step has become several: who has passed it is not asked again. */
const split: Readonly<Record<string, readonly string[]>> = {
  route: ['dry-fit', 'sleeves', 'fasten'],
  'battery-on': ['continuity', 'insulation'],
}
const finerSteps = (done: unknown): unknown =>
  Array.isArray(done)
    ? done.flatMap((d: unknown) => [
        d,
        ...(isRaw(d) ? (split[String(d.step)] ?? []).map((step) => ({ ...d, step })) : []),
      ])
    : done

/**
 * Version 3 knew one feed and one way back a fan, and left the rest of the circuit to the mechanic: a fan that died
 * with the key, or by its own isolator.
 */
function fromVersion3(job: Raw): Raw {
  const machine = isRaw(job.machine) ? job.machine : {}
  const t = typicalMachines[isMachine(machine.kind) ? machine.kind : 'trail-bike']
  const trailer = isRaw(job.trailer)
  const afterRun = isRaw(job.use) && job.use.live === 'after-run' && !trailer
  const hand =
    Array.isArray(job.controllers) &&
    job.controllers.some((c: unknown) => isRaw(c) && isRaw(c.part) && c.part.band === 'hand')
  const always =
    Array.isArray(job.controllers) &&
    job.controllers.some((c: unknown) => isRaw(c) && isRaw(c.part) && c.part.band === 'always')
  const wiring = wiringBeside(trailer)
  return {
    ...job,
    version: 4,
    wiring: {
      ...wiring,
      isolator: false,
      timer: afterRun,
      intent: { ...wiring.intent, control: hand ? 'hand switch' : always ? 'always on' : 'thermostat' },
    },
    ...within(job, 'build', (b) => ({ ...b, done: finerSteps(b.done) })),
    ...each(job, 'runs', (r) => ({ ...r, switchAtM: typical(lastPiece(job, r, feedOf(job, r, t.routes.feedM))) })),
    ...(Array.isArray(job.conductors)
      ? {
          conductors: [
            ...job.conductors.map((c: unknown) =>
              isRaw(c) ? { ...c, colour: c.role === 'return' ? usualColours.return : usualColours.feed } : c,
            ),
            ...controlConductors(t, job.units === 'imperial' ? 'imperial' : 'metric'),
          ],
        }
      : {}),
  }
}

/** Version 4 knew neither a usual day nor what a machine does in it, and no engine's weight. */
function fromVersion4(job: Raw): Raw {
  const machine = isRaw(job.machine) ? job.machine : {}
  const t = typicalMachines[isMachine(machine.kind) ? machine.kind : 'trail-bike']
  return {
    ...job,
    version: 5,
    duty: null,
    ...within(job, 'machine', (m) => ({ massKg: typical(t.weightKg), ...m })),
    ...within(job, 'surroundings', (s) => ({
      usualC: typical(usualDay(valueOf(s.coldestC, t.coldestC), valueOf(s.hottestC, t.hottestC))),
      ...s,
    })),
    ...within(job, 'engine', (e) => ({ ...storeBeside(t), ...e })),
    ...each(job, 'controllers', (c) => ({ spanK: USUAL_SPAN_K, ...withPart(c) })),
  }
}

/** Each lifts a document of its own version to the next one. */
const lifts: Readonly<Record<number, (job: Raw) => Raw>> = {
  1: fromVersion1,
  2: fromVersion2,
  3: fromVersion3,
  4: fromVersion4,
}

/** A job of an older version as the present one; anything else comes back unchanged for the schema to judge. */
export function liftJob(value: unknown): unknown {
  let job = value
  while (isRaw(job) && typeof job.version === 'number' && lifts[job.version]) job = lifts[job.version]!(job)
  return job
}
