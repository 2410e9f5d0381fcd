import { each, guess, isRaw, kindOf, type KindThen, type Raw, rawOr, valueOf, within } from './raw'

/** How long a feed usually was for each kind of machine when version 4 was written, m. */
const feedsM: Readonly<Record<KindThen, number>> = {
  'trail-bike': 1.2,
  'road-bike': 1.4,
  'side-by-side': 3,
  'digger-air': 1.6,
  'digger-liquid': 2.2,
  'older-vehicle': 2,
  trailer: 1.5,
}

const colours = { feed: 'red', return: 'black' } as const

/** Wires that carry signals only: their colour, and how long they are of a feed; null: 0.4 m whatever the machine. */
const controlWires = [
  ['control', 'orange', 0.8],
  ['trigger', 'yellow', null],
  ['coil-return', 'black', null],
  ['supply-return', 'black', null],
  ['override', 'blue', 0.8],
  ['call', 'green', 0.8],
  ['timer', 'violet', 0.8],
  ['lamp', 'white', 0.8],
] as const

const controlConductors = (feedM: number, imperial: boolean): readonly Raw[] =>
  controlWires.map(([role, colour, share]) => ({
    id: role,
    role,
    size: imperial ? '18 AWG' : '1 mm²',
    colour,
    insulationC: 105,
    ambientC: guess(60),
    bundled: 2,
    lengthM: guess(Math.round((share === null ? 0.4 : feedM * share) * 100) / 100),
  }))

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

/** What the first controller that is one of these makes of the fan; a thermostat where none is. */
function controlOf(job: Raw): string {
  const bands = Array.isArray(job.controllers)
    ? job.controllers.map((c: unknown) => (isRaw(c) && isRaw(c.part) ? c.part.band : undefined))
    : []
  if (bands.includes('hand')) return 'hand switch'
  return bands.includes('always') ? 'always on' : 'thermostat'
}

/**
 * Version 3 knew one feed and one way back a fan, and left the rest of the circuit to the mechanic: a fan that died
 * with the key, or by its own isolator.
 */
export function fromVersion3(job: Raw): Raw {
  const feedM = feedsM[kindOf(job)]
  const trailer = isRaw(job.trailer)
  return {
    ...job,
    version: 4,
    wiring: {
      intent: {
        control: controlOf(job),
        ifControllerDies: 'nothing',
        deadWhenParked: 'the fan',
        alsoFor: 'nothing',
      },
      side: 'positive',
      controlFrom: trailer ? 'feed' : 'key',
      override: 'none',
      overrideSwitch: null,
      isolatorSwitch: null,
      isolator: false,
      timer: rawOr(job.use).live === 'after-run' && !trailer,
      call: false,
      lamp: false,
      feedRatedA: null,
      edits: [],
      unknowns: [],
    },
    ...within(job, 'build', (b) => ({ ...b, done: finerSteps(b.done) })),
    ...each(job, 'runs', (r) => ({ ...r, switchAtM: guess(lastPiece(job, r, feedOf(job, r, feedM))) })),
    ...(Array.isArray(job.conductors)
      ? {
          conductors: [
            ...job.conductors.map((c: unknown) =>
              isRaw(c) ? { ...c, colour: c.role === 'return' ? colours.return : colours.feed } : c,
            ),
            ...controlConductors(feedM, job.units === 'imperial'),
          ],
        }
      : {}),
  }
}
