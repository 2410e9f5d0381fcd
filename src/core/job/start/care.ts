/** What is rung, checked or looked at once the machine is back at work. */
export const afterCare = [
  { id: 'level', what: 'Coolant level again, cold, after the first outing', days: 1 },
  { id: 'ring', what: 'Ring the owner: how did it run, should the set temperature move', days: 7 },
  { id: 'again', what: 'Fasteners, ties, leads and joints looked over', days: 30 },
] as const

/** Ties through fins give where a bracket does not: they are looked at after the first hour. @see typical.md */
export const tieCare = { id: 'ties', what: 'Ties through the fins, after the first hour of work', days: 1 } as const
/** In how many days a kind of aftercare is due; a week for what was added by hand. */
export const careDays = (id: string): number => [...afterCare, tieCare].find((c) => c.id === id)?.days ?? 7
