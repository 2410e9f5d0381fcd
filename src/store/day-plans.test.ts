import { sql } from 'kysely'
import { clockIn, type Job, startJob } from '../core/job'
import { usualDayPlan, withPin } from '../core/schedule'
import { addJob, jobsForDay, jobsOfMachine, keepDayPlan, readDayPlan } from '.'
import { ownStore } from './test-support/own-store'

const AT = '2026-01-15T10:00:00.000Z'
const job = (title: string, machineName: string, promisedOn: string | null): Job =>
  startJob({ title, kind: 'trail-bike', machineName, owner: '', units: 'metric', startedOn: '2026-01-15', promisedOn })

const store = ownStore()
const add = async (one: Job, at = AT): Promise<string> => {
  const added = await addJob(store(), one, at)
  if (!added.ok) throw new Error(added.message)
  return added.id
}

test('a day’s plan stands as it was kept last, day by day; one that cannot be read is none', async () => {
  const held = withPin(usualDayPlan, 'job block', 600)
  await keepDayPlan(store(), '2026-01-15', usualDayPlan)
  await keepDayPlan(store(), '2026-01-15', held)
  expect(await readDayPlan(store(), '2026-01-15')).toEqual(held)
  expect(await readDayPlan(store(), '2026-01-16')).toBeNull()
  await sql`update day_plans set plan = '{"from": 900, "until": 60}'`.execute(store().db)
  expect(await readDayPlan(store(), '2026-01-15')).toBeNull()
})

test(
  'a day has the open jobs, the earliest promised first; those with hours tell the pace; a machine has ' +
    'its own jobs',
  async () => {
    const clocked = clockIn(job('Clocked', 'Bike one', null), 'me', AT)
    if ('full' in clocked) throw new Error(clocked.full)
    const late = await add(job('Late', 'Bike one', '2026-03-01'), '2026-01-15T10:00:01.000Z')
    const soon = await add(job('Soon', 'Bike two', '2026-02-01'), '2026-01-15T10:00:02.000Z')
    const free = await add(clocked, '2026-01-15T10:00:03.000Z')
    await add({
      ...job('Ended', 'Bike two', null),
      ended: { why: 'the owner says no', note: '', by: 'me', at: AT },
    })
    const { open, recent } = await jobsForDay(store())
    expect(open.map((o) => o.id)).toEqual([soon, late, free])
    expect(recent.map((r) => r.title)).toEqual(['Clocked'])
    expect((await jobsOfMachine(store(), late)).map((j) => j.job.title)).toEqual(['Clocked', 'Late'])
  },
)
