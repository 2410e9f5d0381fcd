const two = (n: number): string => String(n).padStart(2, '0')

/**
 * The calendar day of a moment where this runs: at five in the afternoon on the American west coast it is not tomorrow
 * yet, though it is in Greenwich.
 * @param moment ISO, with its time; a calendar day is given back as it is
 * @example calendarDay('2026-01-15') //=> '2026-01-15'
 */
export function calendarDay(moment: string): string {
  const at = new Date(moment)
  if (!moment.includes('T') || Number.isNaN(at.getTime())) return moment.slice(0, 10)
  return `${String(at.getFullYear()).padStart(4, '0')}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
}
