const DAY_MS = 86_400_000

/**
 * A calendar day some days later.
 * @example addDays('2026-02-27', 2) //=> '2026-03-01'
 */
export const addDays = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10)

/** Whole days from one calendar day to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS)

/**
 * Whether a text is a day of the calendar.
 * @example isDay('2026-02-30') //=> false
 */
export function isDay(text: string): boolean {
  const at = Date.parse(`${text}T00:00:00Z`)
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(at) && new Date(at).toISOString().startsWith(text)
}
