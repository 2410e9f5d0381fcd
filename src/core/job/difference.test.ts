import fc from 'fast-check'
import { example, exampleShelf } from '@/formats/test-support/examples'
import type { FanPart } from '../parts'
import { fieldsOf, withReading } from './address'
import { changeSetting } from './changes/control'
import { chooseFan, moveFan, turnFan } from './changes/fan'
import { answerCheck } from './changes/machine'
import { takeUpPart } from './changes/parts'
import { addLeg, addObstacle, changeMount, changeObstacle, changePlace } from './changes/place'
import { changeFuse, changeRun, changeSizes } from './changes/run'
import { differences, taking } from './difference'
import { type Job, jobSchema } from './document'
import { shelfChanges } from './shelf-changes'
import { often } from '../../test-support/often'

const job = example('fell-bike-short-at-idle')
const parts = exampleShelf()
const gale = parts.find((p): p is FanPart => p.id === 'fan-gale-140')!
const words = (mine: Job, theirs: Job): string[] =>
  differences(mine, theirs).map((d) => `${d.label}: ${d.mine} here, ${d.theirs} in the other window`)

test('two versions are told apart in words', () => {
  expect(differences(job, { ...job })).toEqual([])
  expect(words(changeSizes(job, '1.5 mm²', ['feed1']), changeSizes(job, '2.5 mm²', ['feed1']))).toEqual([
    'feed: 1.5 mm² here, 2.5 mm² in the other window',
  ])
  expect(words(job, changeFuse(job, null))).toEqual(['fuse: 7.5 A here, none in the other window'])
  expect(words(job, chooseFan(job, gale))).toEqual(['fan: Swift 116 here, Gale 140 in the other window'])
  expect(
    words(
      withReading(job, 'place.freeDepthM', { value: 0.06, source: 'measured' }),
      withReading(job, 'place.freeDepthM', { value: 0.06, source: 'typical' }),
    ),
  ).toEqual(['free behind the core: 60 mm, measured here, 60 mm, typical in the other window'])
  expect(words(changeSetting(job, 'controller1', 88, 5), changeRun(job, { source: 'key switch' }))).toEqual([
    'set: 88 °C here, 87 °C in the other window',
    'source of power: battery here, key switch in the other window',
  ])
  expect(
    words(job, { ...job, build: { ...job.build, done: [{ step: 'battery-off', at: '2026-01-15T09:00:00Z' }] } }),
  ).toEqual(['step battery off: not there here, done in the other window'])
  // the same step ticked on two phones is no difference, whatever their clocks say
  const ticked = (at: string): Job => ({ ...job, build: { ...job.build, done: [{ step: 'cool', at }] } })
  expect(words(ticked('2026-01-15T09:00:00Z'), ticked('2026-01-15T09:00:07Z'))).toEqual([])
  expect(
    words(job, {
      ...job,
      probes: job.probes.map((p) => ({ ...p, part: p.part && { ...p.part, id: 'other', name: 'Panel probe' } })),
    }),
  ).toEqual(['probe: Fin probe, 0.8 m here, Panel probe in the other window'])
  expect(differences(job, changeSetting(job, 'controller1', 90, 5), 'imperial')[0]).toMatchObject({
    mine: '188.6 °F',
    theirs: '194 °F',
  })
})

test('where a fan sits is one difference, in millimetres; what is near, legs and wires have their names', () => {
  expect(
    words(
      moveFan(job, 'fan1', { core: 0, xM: 0.06, yM: 0.13 }),
      moveFan(job, 'fan1', { core: 1, xM: 0.0585, yM: 0.12 }),
    ),
  ).toEqual([
    'where Swift 116 sits: left core, 60 mm from the left, 130 mm from the top here, right core, 58.5 mm from the ' +
      'left, 120 mm from the top in the other window',
  ])
  expect(words(job, turnFan(job, 'fan1', { wiresSwapped: true }))).toEqual([
    'wires of the fan are swapped: no here, yes in the other window',
  ])
  expect(words(job, changeObstacle(job, 'near1', { kind: 'exhaust' }))).toEqual([
    'frame tube, what it is: fixed here, exhaust in the other window',
  ])
  expect(words(job, addLeg(job, 'fan', 'under the tank'))).toEqual([
    'leg of the fan lead: not there here, under the tank in the other window',
  ])
  expect(words(job, addObstacle(job, 'fixed', 'horn'))).toEqual([
    'near the core: not there here, horn in the other window',
  ])
  expect(words(job, changePlace(job, { inletFrom: 'near an exhaust', duct: { ...job.place.duct, bends: 5 } }))).toEqual(
    [
      'where the air is drawn in: surroundings here, near an exhaust in the other window',
      'bends of the hose: 2 here, 5 in the other window',
    ],
  )
})

test(
  "taking every difference makes the other version, taking none leaves one's own; parts come with what " +
    'points at them',
  () => {
    const edits: readonly ((j: Job) => Job)[] = [
      (j) => changeSizes(j, '4 mm²', ['feed1']),
      (j) => changeFuse(j, null),
      (j) => changeFuse(j, 10),
      (j) => chooseFan(j, gale),
      (j) => changeSetting(j, 'controller1', 80, 4),
      (j) => changeRun(j, { frame: true }),
      (j) => answerCheck(j, 'cap', 'looks like it', '2026-01-15T09:00:00Z'),
      (j) => ({ ...j, title: 'Another' }),
      (j) => ({ ...j, promisedOn: null }),
      (j) => moveFan(j, 'fan1', { core: 1, xM: 0.05, yM: 0.2 }),
      (j) => addObstacle(j, 'moves', 'fork'),
      (j) => changeObstacle(j, 'near2', { name: 'pipe' }),
      (j) => addLeg(j, 'probe', 'along'),
      (j) => changeMount(j, 'shroud'),
      (j) => ({ ...j, alterations: [{ id: 'mark1', kind: 'hole', what: 'in the guard' }] }),
      (j) => ({ ...j, acceptances: [] }),
      (j) => withReading(j, 'engine.idleRpm', { value: 1500, source: 'measured' }),
      (j) => ({ ...j, complaint: { ...j.complaint, aboveC: null } }),
    ]
    const some = fc.array(fc.constantFrom(...edits), { maxLength: 6 })
    fc.assert(
      fc.property(some, some, fc.nat(), (mine, theirs, mask) => {
        const [a, b] = [mine, theirs].map((list) => list.reduce((j, edit) => edit(j), job)) as [Job, Job]
        const found = differences(a, b)
        const all = found.reduce((j, d) => taking(j, b, d), a)
        expect(differences(all, b)).toEqual([])
        const chosen = found.filter((_, i) => (mask >> i) % 2)
        const merged = chosen.reduce((j, d) => taking(j, b, d), a)
        expect(jobSchema.safeParse(merged).success).toBe(true)
        expect(differences(merged, b).map((d) => d.id)).toEqual(
          found.filter((d) => !chosen.includes(d)).map((d) => d.id),
        )
      }),
      { numRuns: often(24) },
    )
  },
)

test('a job says when the shelf has gone on, and takes up the new part only when told', () => {
  const swift = job.fans[0]!.part
  expect(
    shelfChanges(job, [...parts.filter((p) => p.id !== swift.id), ...job.fans.map((f) => f.part)]).filter(
      (c) => c.part.id === swift.id,
    ),
  ).toEqual([])
  const deeper: FanPart = { ...swift, depthM: { value: 0.041, source: 'measured' } }
  const [changed] = shelfChanges(job, [deeper, ...parts.filter((p) => p.id !== swift.id)])
  expect(changed).toMatchObject({ now: deeper, lines: [{ label: 'fan depth', there: '41 mm' }] })
  expect(
    shelfChanges(
      job,
      parts.filter((p) => p.id !== swift.id),
    ).find((c) => c.part.id === swift.id),
  ).toMatchObject({ now: null })
  expect(fieldsOf(takeUpPart(job, deeper)).get('fans.fan1.part.depthM')!.reading.value).toBe(0.041)
})
