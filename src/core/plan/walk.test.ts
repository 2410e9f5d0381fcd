import fc from 'fast-check'
import { example, exampleShelf } from '../../formats/test-support/examples'
import { type SchemeId, schemes, wiredAs } from '../advice'
import { needsOfJob, proofsOf, stepsOf } from '../build'
import { probePlacesIn } from '../control'
import { chooseController, circuitsOf, fanFirst, ownController, seenFrom, shareController } from '../fan-circuit'
import * as of from '../job'
import type { Job } from '../job'
import { startedJobs } from '../job/test-support/started'
import type { Part, PartKind, PartOf } from '../parts'
import { evaluate } from '../margins'
import { leadReaches } from '../placing'
import { addSecondFan, addUnknown, cutList, dropSecondFan, setPassing } from '../wiring'
import { signing } from '.'
import { everythingOf } from './test-support/everything'
import { often } from '../../test-support/often'

const AT = '2026-03-01T10:00:00Z'
const shelf = exampleShelf()
const by = { by: 'me', at: AT }
const ofKind = <K extends PartKind>(kind: K) => shelf.filter((p): p is PartOf<K> & Part => p.kind === kind)
const [fans, controllers, probes, relays, switches] = [
  ofKind('fan'),
  ofKind('controller'),
  ofKind('probe'),
  ofKind('relay'),
  ofKind('switch'),
]

/** Numbers out of which a move takes what it needs: which of a list, yes or no. */
type Picks = readonly number[]
const pick = <T>(list: readonly T[], n: number): T => list[n % list.length]!
type Move = (job: Job, picks: Picks) => Job | { readonly full: string }
const when =
  (can: (job: Job) => boolean, move: Move): Move =>
  (job, picks) =>
    can(job) ? move(job, picks) : job
const run = (job: Job, n: number): number => n % job.runs.length
const two = (job: Job): boolean => job.runs.length > 1
const onCore = (job: Job): boolean => job.cooling !== null && of.jobKinds[job.kind].mountsFan

/** What a mechanic chooses, in whatever order: as the screens do it, where they offer it. */
const moves: Readonly<Record<string, Move>> = {
  fan: (j, [a, b]) => of.chooseFan(j, pick(fans, a!), run(j, b!)),
  'second fan': when(
    (j) => j.runs.every((r) => r.fan !== null),
    (j, [a]) => addSecondFan(j, pick(fans, a!)),
  ),
  'one fan': (j) => dropSecondFan(j),
  controller: (j, [a, b, c]) => {
    const part = pick(controllers, a!)
    return chooseController(
      j,
      part,
      c! % 2 ? (probes.find((p) => p.id === part.suppliedProbeId) ?? null) : null,
      run(j, b!),
    )
  },
  'own controller': when(two, (j, [a]) => ownController(j, run(j, a!))),
  'shared controller': when(two, (j, [a]) => shareController(j, run(j, a!), 1 - run(j, a!))),
  probe: (j, [a, b]) => of.chooseProbe(j, pick(probes, a!), run(j, b!)),
  'own probe': when(two, (j, [a]) => of.ownProbe(j, run(j, a!))),
  'shared probe': when(two, (j, [a]) => of.shareProbe(j, run(j, a!), 1 - run(j, a!))),
  'probe’s place': (j, [a, b]) =>
    of.changeProbePlace(j, pick(probePlacesIn[j.cooling ? 'coolant' : 'air'], a!), run(j, b!)),
  relay: (j, [a, b]) => of.chooseRelay(j, pick(relays, a!), run(j, b!)),
  switch: (j, [a, b]) => of.chooseSwitch(j, b! % 2 ? 'override' : 'isolator', pick(switches, a!)),
  'key switch': (j, [a]) => of.chooseKeySwitch(j, pick(switches, a!)),
  fuse: (j, [a, b]) => of.changeFuse(j, pick([null, 3, 7.5, 15, 30, 50], a!), undefined, run(j, b!)),
  size: (j, [a]) => of.changeSizes(j, pick([null, '1 mm²', '2.5 mm²', '14 AWG'] as const, a!)),
  scheme: (j, [a]) => wiredAs(j, pick(Object.keys(schemes) as SchemeId[], a!), shelf),
  feed: (j, [a]) => of.changeRun(j, { source: pick(of.feeds, a!) }),
  'by relay or not': (j, [a, b]) => of.changeRun(j, { switchedBy: a! % 2 ? 'relay' : 'controller', frame: b! % 2 > 0 }),
  wishes: (j, [a, b, c]) =>
    of.changeIntent(j, {
      control: pick(of.controlIntents, a!),
      deadWhenParked: pick(of.parkedIntents, b!),
      alsoFor: pick(of.otherSystems, c!),
    }),
  wiring: (j, [a, b, c]) =>
    of.changeWiring(j, {
      side: a! % 2 ? 'ground' : 'positive',
      override: pick(['none', 'key', 'feed'] as const, b!),
      isolator: c! % 2 > 0,
      timer: c! % 3 > 0,
      diodes: [...of.diodePlaces].filter((_, i) => (a! >> i) & 1),
      joints: pick(of.jointKinds, b!),
    }),
  'after the key': (j, [a]) => ({
    ...j,
    use: { ...j.use, live: pick(['key only', 'after-run', 'isolator', 'whenever hot'] as const, a!) },
  }),
  hazard: (j, [a, b]) => setPassing(j, pick(of.hazards, a!), pick([null, ...of.passings], b!)),
  mount: (j, [a]) => of.changeMount(j, pick(of.mountsFor(j), a!)),
  side: (j, [a]) => of.changePlace(j, { side: a! % 2 ? 'pusher' : 'puller' }),
  'a fan’s place': when(
    (j) => onCore(j) && j.fans.length > 0,
    (j, [a, b, c]) =>
      of.moveFan(j, pick(j.fans, a!).id, { core: a! % j.cooling!.cores, xM: (b! % 400) / 1000, yM: (c! % 300) / 1000 }),
  ),
  cores: (j, [a]) => of.changeCooling(j, { cores: pick([1, 2], a!) }),
  near: (j, [a]) => of.addObstacle(j, pick(of.neighbourKinds, a!), 'thing'),
  'nothing near': when(
    (j) => j.place.obstacles.length > 0,
    (j, [a]) => of.dropObstacle(j, pick(j.place.obstacles, a!).id),
  ),
  panel: (j) => of.addPanel(j, 'lid'),
  'panel gone': when(
    (j) => j.bay !== null,
    (j, [a]) => of.dropPanel(j, pick(j.bay!.panels, a!).id),
  ),
  flywheel: (j, [a]) => of.changeFlywheel(j, a! % 2 > 0),
  volts: (j, [a]) => of.changeSystemVoltage(j, a! % 2 ? 24 : 12),
  charging: (j, [a]) => of.changeCharging(j, a! % 2 ? 'points' : 'rating'),
  ground: (j, [a]) => of.changeGround(j, pick(of.grounds, a!)),
  hose: (j, [a, b]) => of.changeDuct(j, { splitter: a! % 2 > 0, leadsTo: b! % 2 ? 'the cab' : 'outside' }),
  'old fan': (j, [a]) => of.chooseOldFan(j, a! % 2 ? pick(fans, a!) : null),
  'mechanical fan': (j, [a]) => of.takesMechanicalFan(j, a! % 2 > 0),
  'a lead’s leg': (j, [a]) => of.addLeg(j, pick(of.leadNames, a!), 'along the frame'),
  unknown: (j, [a]) => addUnknown(j, a! % 2 ? 'relay' : 'plug', ['red', 'blue', 'black'].slice(0, 2 + (a! % 2))),
  search: (j) => of.beginSearch(j, [{ move: 'noise', found: 'rubs', typed: '' }], AT),
  'own step': (j, [a]) => of.addOwnStep(j, 'grease the pin', pick(stepsOf(j), a!).id, 10),
  step: (j, [a]) => of.tickStep(j, pick(stepsOf(j), a!).id, AT),
  'for now': (j) => of.addDebt(j, { what: 'tape', why: 'no tube', dangerous: false, until: null }, by),
  'where it lives': (j, [a, b]) => ({
    ...j,
    surroundings: {
      ...j.surroundings,
      livesIn: pick(Object.keys(of.ingressNeeds) as of.LivesIn[], a!),
      shielded: b! % 2 > 0,
    },
    machine: { ...j.machine, ownerAllows: pick(of.allowances, b!) },
  }),
  'what it blows at': (j, [a, b]) =>
    of.changePlace(j, { blowsOn: pick(of.blowsOnto, a!), inletFrom: pick(of.inletsFrom, b!) }),
  units: (j) => ({ ...j, units: j.units === 'metric' ? 'imperial' : 'metric' }),
}

const walk = fc.record({
  from: fc.nat(),
  steps: fc.array(
    fc.tuple(
      fc.constantFrom(...Object.keys(moves)),
      fc.array(fc.nat(9999), { minLength: 3, maxLength: 3 }),
      fc.boolean(),
    ),
    {
      minLength: 4,
      maxLength: 18,
    },
  ),
})

const finished = ['vineyard-buggy-ready', 'churchyard-digger-bay', 'market-cold-trailer', 'fell-bike-mid-build'].map(
  example,
)
const begins = [
  ...startedJobs(),
  ...finished,
  ...finished.map((job) => addSecondFan(job, pick(fans, 3))),
  ...finished.map((job) => ownController(of.ownProbe(addSecondFan(job, pick(fans, 1)), 0), 1)),
]

/** What stands in a list although no fan has it. */
const orphans = (job: Job): string[] =>
  (
    [
      ['fans', 'fan'],
      ['controllers', 'controller'],
      ['probes', 'probe'],
      ['fuses', 'fuse'],
      ['relays', 'relay'],
    ] as const
  ).flatMap(([list, key]) =>
    job[list].flatMap((e) => (job.runs.some((r) => r[key] === e.id) ? [] : [`${list} ${e.id}`])),
  )

test('whatever is chosen, in whatever order and from whichever fan, can be kept, worked out and told', () => {
  fc.assert(
    fc.property(walk, ({ from, steps }) => {
      let job = pick(begins, from)
      const way: string[] = []
      for (const [name, picks, fromSecond] of steps) {
        way.push(name)
        const move = moves[name]!
        const make = (j: Job): Job => {
          const next = move(j, picks)
          return 'full' in next ? j : next
        }
        // the stations that show one fan make their changes as seen from it
        const next = fromSecond && two(job) && name !== 'one fan' ? seenFrom(1, make)(job) : make(job)
        expect([
          ...way,
          of.jobSchema.safeParse(next).error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`),
        ]).toEqual([...way, undefined])
        expect([...way, orphans(next)]).toEqual([...way, []])
        job = next
      }
      everythingOf(job)
      const evaluation = evaluate(job)
      const named = {
        margins: evaluation.margins.flatMap((m) => m.parts.map((p) => `${m.id} ${p.id}`)),
        accepted: signing(job, evaluation).toAccept.map((a) => `${a.margin} ${a.part} ${a.verdict}`),
        steps: stepsOf(job).map((s) => s.id),
        proofs: proofsOf(job).map((p) => p.id),
        needs: needsOfJob(job, shelf).map((n) => n.id),
        wires: cutList(job, shelf).wires.map((w) => String(w.number)),
        leads: leadReaches(job).map((r) => `${r.lead} ${r.id}`),
      }
      for (const [list, ids] of Object.entries(named))
        expect([...way, list, ids.filter((id, i) => ids.indexOf(id) !== i)]).toEqual([...way, list, []])
      if (two(job)) {
        const margins = (j: Job) => evaluate(j).margins.map((m) => [m.id, m.verdict])
        expect(circuitsOf(fanFirst(job, 1)).map((c) => c.number)).toEqual([2, 1])
        expect(margins(fanFirst(job, 0))).toEqual(margins(job))
      }
    }),
    { numRuns: often(24), seed: 8 },
  )
})
