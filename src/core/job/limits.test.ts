import { example } from '@/formats/test-support/examples'
import { fieldTableOf } from '../fields'
import { addPanel } from './changes/bay'
import { addLeg, addObstacle } from './changes/place'
import { type Job, jobSchema } from './document'
import table from './fields.json'
import { mostOf, tooMany } from './limits'

const bike = example('fell-bike-signed')
const digger = example('churchyard-digger-bay')
const problems = (job: Job): string[] => jobSchema.safeParse(job).error?.issues.map((i) => i.message) ?? []

/** A change made again and again, until there is one too many. */
const filledUp = (job: Job, change: (job: Job) => Job, n: number): Job =>
  Array.from({ length: n }).reduce<Job>((j) => change(j), job)

test.each([
  ['legsOfLead', bike, (j: Job) => addLeg(j, 'supply', 'along the frame'), 8],
  ['obstacles', bike, (j: Job) => addObstacle(j, 'fixed', 'tube'), 12],
  ['panels', digger, (j: Job) => addPanel(j, 'door'), 8],
] as const)('%s: as many as a screen offers are taken, one more is refused in words', (listed, job, change, most) => {
  expect(mostOf(listed)).toBe(most)
  const held = (j: Job): number =>
    ({ legsOfLead: j.place.leads.supply, obstacles: j.place.obstacles, panels: j.bay?.panels ?? [] })[listed].length
  const full = filledUp(job, change, most - held(job))
  expect([held(full), problems(full)]).toEqual([most, []])
  expect(problems(change(full))).toEqual([tooMany(listed)])
  expect(tooMany(listed)).toMatch(new RegExp(`^no more than ${most} `))
})

test('the table of fields is what the schemas say; npm run fields writes it', () => {
  expect(table).toEqual(fieldTableOf(jobSchema))
})
