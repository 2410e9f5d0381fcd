import type { Job } from '../document'
import { say } from '../../words'

/** What is rung, checked or looked at once the machine is back at work. */
export const afterCare = [
  { id: 'level', what: say`Coolant level again, cold, after the first outing`, days: 1, coolant: true },
  { id: 'ring', what: say`Ring the owner: how did it run, should the set temperature move`, days: 7, coolant: false },
  { id: 'again', what: say`Fasteners, ties, leads and joints looked over`, days: 30, coolant: false },
  {
    id: 'season',
    what: say`Change of season: is the fan wanted, is the setting still right, plug or isolator dry`,
    days: 180,
    coolant: false,
  },
] as const

/** Ties through fins give where a bracket does not: they are looked at after the first hour. @see typical.md */
export const tieCare = { id: 'ties', what: say`Ties through the fins, after the first hour of work`, days: 1 } as const

/** A flap in the hose is turned twice a year: by these days of it, month counted from 1 (estimates). */
export const flapCare = [
  { id: 'flap-winter', what: say`Flap to the cab, before the cold days; feel at both ends that it shuts`, month: 10 },
  {
    id: 'flap-summer',
    what: say`Flap to the outside, before the warm days; feel at both ends that it
    shuts`,
    month: 4,
  },
] as const

const DAY_MS = 86_400_000

/** Days until the first of a month comes next. @param today calendar day, 2026-01-31 */
function daysUntil(month: number, today: string): number {
  const from = Date.parse(`${today}T00:00:00Z`)
  const year = Number(today.slice(0, 4))
  const [own, next] = [year, year + 1].map((y) => Date.UTC(y, month - 1, 1))
  return Math.round(((own! > from ? own! : next!) - from) / DAY_MS)
}

/**
 * In how many days a kind of aftercare is due; a week for what was added by hand.
 * @param today calendar day, 2026-01-31
 */
export function careDays(id: string, today: string): number {
  const flap = flapCare.find((c) => c.id === id)
  if (flap) return daysUntil(flap.month, today)
  return [...afterCare, tieCare].find((c) => c.id === id)?.days ?? 7
}

/** Something to look after that no day is set for yet. */
export const careOf = (id: string, what: string): Job['after'][number] => ({
  id,
  what,
  dueOn: null,
  doneOn: null,
  found: '',
})
