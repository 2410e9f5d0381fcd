/** Days and times of day in words, by the browser's own calendar. */

import { languageSpoken } from '@/core/words'

type Parts = Readonly<Partial<Record<Intl.DateTimeFormatPartTypes, string>>>

const partsOf = (at: Date, options: Intl.DateTimeFormatOptions): Parts =>
  Object.fromEntries(
    new Intl.DateTimeFormat(languageSpoken()?.tag ?? 'en-US', options).formatToParts(at).map((p) => [p.type, p.value]),
  )

/** a calendar day has no hour: it is read and written in one and the same zone */
const midnightOf = (iso: string): Date => new Date(`${iso.slice(0, 10)}T00:00:00Z`)

/** @example dayInWords('2026-01-15') //=> 'Thu 15 Jan' */
export function dayInWords(iso: string): string {
  const { weekday, day, month } = partsOf(midnightOf(iso), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
  return `${weekday} ${day} ${month}`
}

/** @example longDayInWords('2026-01-15') //=> 'Thursday 15 January' */
export function longDayInWords(iso: string): string {
  const { weekday, day, month } = partsOf(midnightOf(iso), {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  })
  return `${weekday} ${day} ${month}`
}

/** Time of day where the reader is: 14:02. */
export function timeInWords(moment: string): string {
  const { hour, minute } = partsOf(new Date(moment), { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
  return `${hour}:${minute}`
}

/** Day, year and time of day where the reader is: Thu 15 Jan 2026, 14:02. */
export function momentInWords(moment: string): string {
  const { weekday, day, month, year } = partsOf(new Date(moment), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  })
  return `${weekday} ${day} ${month} ${year}, ${timeInWords(moment)}`
}
