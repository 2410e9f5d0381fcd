import { createEvents, type EventAttributes } from 'ics'
import { legible } from './legible'

/** What is due of one job. */
export interface DueOfJob {
  readonly id: string
  readonly title: string
  readonly calls: readonly { readonly id: string; readonly what: string; readonly dueOn: string }[]
}

const dayOf = (day: string): [number, number, number] => {
  const [y, m, d] = day.split('-').map(Number)
  return [y!, m!, d!]
}
/**
 * Calls and days to come as an iCalendar file (RFC 5545), whole days; the same call keeps its identity, so that a file
 * taken again moves it and does not double it.
 * @param at when it is written
 */
export function writeCalendar(jobs: readonly DueOfJob[], at: Date): string {
  const events: EventAttributes[] = jobs.flatMap((job) =>
    job.calls.map((c) => ({
      uid: `${job.id}-${c.id}@pyraxis`,
      start: dayOf(c.dueOn),
      duration: { days: 1 },
      // one line: an end of a line within it would end the entry
      title: legible(`${job.title}: ${c.what}`).replace(/\s+/g, ' '),
      productId: 'pyraxis',
      timestamp: at.getTime(),
    })),
  )
  if (!events.length) return EMPTY
  const { error, value } = createEvents(events)
  if (error || !value) throw new Error('the calendar could not be written', { cause: error })
  return value
}

const EMPTY = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:pyraxis', 'END:VCALENDAR', ''].join('\r\n')
