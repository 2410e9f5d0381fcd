import { isDay } from '@/core/build'
import { calendarDay } from '@/core/units'
import { usualDayPlan, usualPace, workLeft } from '@/core/schedule'
import { Day } from '@/screens/day/Day'
import { jobsForDay, now, readDayPlan, theStore } from '@/store'
import { orTrouble } from '../trouble'

export const dynamic = 'force-dynamic'

export default async function DayPage({ searchParams }: { readonly searchParams: Promise<{ on?: string }> }) {
  return orTrouble(async () => {
    const store = await theStore()
    const at = now()
    const today = calendarDay(at.toISOString())
    const asked = (await searchParams).on ?? ''
    const day = isDay(asked) ? asked : today
    const { open, recent } = await jobsForDay(store)
    const { pace, jobs } = usualPace(recent, at.toISOString())
    // minutes of the day are those of the workshop's clock, which is this machine's
    const midnight = new Date(`${day}T00:00:00`)
    const works = open.map(({ id, job }) => ({
      title: job.title,
      promisedOn: job.promisedOn,
      ...workLeft(job, id, pace, midnight.toISOString()),
    }))
    return (
      <Day
        key={day}
        day={day}
        today={today}
        minute={(at.getTime() - midnight.getTime()) / 60_000}
        plan={(await readDayPlan(store, day)) ?? usualDayPlan}
        works={works.filter((w) => w.blocks.length > 0)}
        pace={jobs ? { times: pace, jobs } : null}
      />
    )
  })
}
