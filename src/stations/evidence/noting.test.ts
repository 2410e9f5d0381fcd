import fc from 'fast-check'
import {
  addObservation,
  type Job,
  jobSchema,
  observationAsks,
  observationFigures,
  observationKinds,
  observationMayMiss,
  seenEnds,
} from '@/core/job'
import { startedJobs } from '@/core/job/test-support/started'
import { example } from '@/formats/test-support/examples'
import { begun, kindsFor, type Noting, observationFrom, ofKind, readNoting, worksFor } from './noting'

const AT = new Date('2026-02-01T10:00:00Z')
const jobs = [...startedJobs(), ...['fell-bike-signed', 'churchyard-digger-bay', 'market-cold-trailer'].map(example)]

/** A note with all that its kind asks for, each figure somewhere within what may be typed. */
const noted = (job: Job, kind: Noting['kind'], share: number): Noting => {
  const within = ([low, high]: readonly [number, number], at = share) => low + at * (high - low)
  const level = observationFigures[kind] === 'level'
  return {
    ...ofKind(begun(job, null), kind),
    fromC: kind === 'fall' ? 95 : 40,
    toC: kind === 'fall' ? 60 : 90,
    forS: 600,
    airC: within(seenEnds.airC),
    place: 'a hand away',
    typed: 'as it was typed',
    seen: level ? Math.floor(share * 4.99) : within(seenEnds[observationFigures[kind]]),
  }
}

test('whatever is asked for of a machine and answered within its ends can be kept; nothing else is', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...jobs),
      fc.nat(),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.constantFrom('airC', 'fromC', 'toC', 'forS', 'seen', 'place', 'nothing'),
      (job, n, share, without) => {
        const kinds = kindsFor(job)
        const kind = kinds[n % kinds.length]!
        const whole = noted(job, kind, share)
        const note = without === 'nothing' ? whole : { ...whole, [without]: without === 'place' ? '' : null }
        const made = observationFrom(note, AT)
        const asked: readonly string[] = observationAsks[kind]
        const mayMiss = observationMayMiss.includes(kind)
        const needed =
          without === 'airC' ||
          (asked.includes(without) && !(kind === 'boiled' && without === 'forS')) ||
          (without === 'seen' && !mayMiss) ||
          (without === 'place' && kind === 'felt')
        expect([kind, without, 'trouble' in made]).toEqual([kind, without, needed])
        if ('trouble' in made) return expect(made.trouble).toMatch(/^(say|choose) \w/)
        const kept = addObservation(job, made)
        if ('full' in kept) throw new Error(kept.full)
        expect(jobSchema.safeParse(kept).error?.issues).toBeUndefined()
        expect(kept.observations.at(-1)).toMatchObject({ kind, at: AT.toISOString(), doubted: false })
      },
    ),
    { seed: 3, numRuns: 400 },
  )
})

test('what did not happen has no figure; what boiled was watched until it did', () => {
  const [bike] = jobs
  const boiled = { ...noted(bike!, 'boiled', 0.5), forS: null, seen: 840 }
  expect(observationFrom(boiled, AT)).toMatchObject({ seen: 840, forS: 840 })
  expect(observationFrom({ ...boiled, missed: true, forS: 1800 }, AT)).toMatchObject({ seen: null, forS: 1800 })
  // not boiled, but nobody says for how long
  expect(observationFrom({ ...boiled, missed: true }, AT)).toHaveProperty('trouble')
  expect(observationFrom({ ...noted(bike!, 'hottest', 0.5), missed: true, toC: null }, AT)).toHaveProperty('trouble')
})

test.each([
  ['rise', 90, 60],
  ['rise', 90, 90],
  ['fall', 60, 90],
] as const)('a %s from %d to %d goes the wrong way', (kind, fromC, toC) => {
  const note = { ...noted(jobs[0]!, kind, 0.5), fromC, toC }
  expect(observationFrom(note, AT)).toEqual({ trouble: expect.stringMatching(/than it began$/) })
})

test('what cannot be is refused without a figure in units that nobody asked for', () => {
  for (const kind of ['temperature', 'rise', 'share'] as const)
    for (const seen of [-1e6, 1e9]) {
      const made = observationFrom({ ...noted(jobs[0]!, kind, 0.5), seen }, AT)
      expect(made).toEqual({ trouble: expect.not.stringMatching(/\d/) })
    }
})

test('another kind keeps the circumstances and drops what was seen', () => {
  const note = { ...noted(jobs[0]!, 'rise', 0.5), missed: true }
  for (const kind of observationKinds) {
    const { seen, missed, kind: now, ...rest } = ofKind(note, kind)
    expect([seen, missed, now]).toEqual([null, false, kind])
    expect(rest).toEqual(expect.objectContaining({ fromC: note.fromC, airC: note.airC, work: note.work }))
  }
})

test('a note outlives a reload as it is; what is none is as if nothing had been kept', () => {
  for (const job of jobs)
    for (const kind of kindsFor(job)) {
      const note = noted(job, kind, 0.3)
      expect(readNoting(JSON.stringify(note))).toEqual(note)
      for (const key of ['kind', 'work', 'toC', 'typed'])
        expect(readNoting(JSON.stringify({ ...note, [key]: undefined }))).toBeNull()
    }
  for (const text of [null, '', 'null', '[]', '"x"', '{"kind":"rise"}', '{']) expect(readNoting(text)).toBeNull()
  const note = noted(jobs[0]!, 'rise', 0.3)
  for (const odd of [{ kind: 'guess' }, { work: 'flying' }, { how: 'by ear' }, { airC: '20' }, { place: null }])
    expect(readNoting(JSON.stringify({ ...note, ...odd }))).toBeNull()
})

test('each machine is asked only what can be seen of it', () => {
  for (const job of jobs) {
    expect(new Set(kindsFor(job)).size).toBe(kindsFor(job).length)
    expect(kindsFor(job).includes('volts')).toBe(job.trailer !== null)
    expect(kindsFor(job).includes('boiled')).toBe(job.cooling !== null)
    expect(worksFor(job)).toContain(begun(job, null).work)
    expect(kindsFor(job)).toContain(begun(job, null).kind)
  }
})
