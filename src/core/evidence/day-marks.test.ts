import { example } from '../../formats/test-support/examples'
import type { Job } from '../job'
import { type ChartedRuns, plainLeg, simulate, usualCircumstances, type WhatIf } from '../run'
import { runView } from '../transient'
import { dayMarks } from './day-marks'
import { climb, observation } from './test-support/observations'

/** Ten minutes idling, then twenty of slow work, all at 18 °C. */
const bike: Job = {
  ...example('fell-bike-short-at-idle'),
  duty: {
    name: 'by hand',
    from: 'hand',
    legs: [plainLeg('a', 'warm up', 'idle', 10, { airC: 18 }), plainLeg('b', 'climb', 'slow', 20, { airC: 18 })],
  },
}
const chartOf = (job: Job): ChartedRuns => {
  const run = (fan: 'proposed' | 'none') =>
    runView(simulate(job, { ...usualCircumstances, fan, season: 'usual' }, { stepS: 1, everyS: 1 })!)
  return { proposed: run('proposed'), none: run('none'), present: null }
}
const silent: Job = { ...bike, complaint: { ...bike.complaint, after: null, aboveC: null } }

test('a temperature stands so long into the day’s own piece of that work, on the run of the machine as it was then', () => {
  const job = {
    ...silent,
    observations: [
      observation({
        id: 'read',
        kind: 'temperature',
        work: 'slow',
        airC: 20,
        forS: 300,
        seen: 96,
        fromC: null,
        toC: null,
      }),
    ],
  }
  const runs = chartOf(job)
  const [mark] = dayMarks(job, runs, 'as it is').marks
  expect(mark).toMatchObject({ atS: 600 + 300, c: 96, below: false })
  // one row a second: what the run without a fan has at 15 minutes
  expect(mark!.runC).toBeCloseTo(
    simulate(job, { ...usualCircumstances, fan: 'none', season: 'usual' }, { stepS: 1, everyS: 1 })!.trace.hot[900]!,
    0,
  )
})

test('“not above” stands at the temperature it stayed below; as fitted is held against the proposed fan', () => {
  const seen = observation({
    id: 'never',
    kind: 'hottest',
    state: 'as fitted',
    work: 'slow',
    airC: 18,
    forS: 600,
    seen: null,
    fromC: null,
    toC: 100,
    at: `${silent.startedOn}T12:00:00.000Z`,
  })
  const job = { ...silent, observations: [seen] }
  const runs = chartOf(job)
  const [mark] = dayMarks(job, runs, 'as it is').marks
  expect(mark).toMatchObject({ atS: 1200, c: 100, below: true })
  expect(mark!.runC).toBeLessThan(runs.none!.rows.hot.at(-1)!)
})

test.each([
  ['the day has no such work', { work: 'heavy' as const }, {}],
  ['in other air', { airC: 30 }, {}],
  ['the day’s piece of it is shorter', { seen: 1500, forS: 1500 }, {}],
  ['there it begins at another temperature', { fromC: 100 }, {}],
  ['the day is supposed otherwise', {}, { whatIf: 'probe lead open' as const }],
])(
  'what has no place in the day says why: %s',
  (because, change, { whatIf = 'as it is' }: { readonly whatIf?: WhatIf }) => {
    const seen = { ...climb, id: 'x', seen: 240, airC: 18, fromC: null, work: 'slow' as const, ...change }
    const job = { ...silent, observations: [observation(seen)] }
    const told = dayMarks(job, chartOf(job), whatIf)
    expect(told.marks).toEqual([])
    expect(told.apart.map((a) => a.because)).toEqual([because])
  },
)

test('a bay that got too hot stands at the most that it may reach, and no mark at no figure', () => {
  const digger = example('churchyard-digger-bay')
  const job: Job = { ...digger, observations: [] }
  const legs = [plainLeg('a', 'dig', 'slow', 60, { airC: digger.complaint.aboveC!.value })]
  const runs = chartOf({ ...job, duty: { name: 'by hand', from: 'hand', legs } })
  const { marks } = dayMarks({ ...job, duty: { name: 'by hand', from: 'hand', legs } }, runs, 'as it is')
  expect(marks).toMatchObject([
    { seen: { id: 'complaint' }, atS: digger.complaint.after!.value, c: digger.bay!.allowedC.value },
  ])
})
