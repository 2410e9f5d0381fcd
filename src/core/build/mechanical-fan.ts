import { type Job, mechanicalHolds, type MechanicalHold } from '../job'
import { say, spokenWord } from '../words'

/** What a fan that the engine turns may do besides blowing, and what then has to be made good where it comes off. */
export const holdWords: Readonly<Record<MechanicalHold, { readonly asks: string; readonly good: string }>> = {
  pulley: {
    asks: say`Do its bolts or nuts also hold the pulley?`,
    good: say`Shorter bolts, or a spacer as thick as the fan; pulley tight and true again, torque by its maker.`,
  },
  belt: {
    asks: say`Does its belt turn anything else: alternator, water pump, compressor?`,
    good: say`The belt stays, or another of the right length; its tension by the maker.`,
  },
  bearing: {
    asks: say`Does its spindle carry a bearing, a pump or a clutch that stays?`,
    good: say`Bearing and seal as they were; a spindle that ends in the open gets its cap.`,
  },
  shroud: {
    asks: say`Does its shroud hold a hose, a guard or the core?`,
    good: say`A clip or bracket for each; moving parts behind a guard again.`,
  },
  'air box': {
    asks: say`Does the air box, an intake hose or a cable hang on its bracket?`,
    good: say`A bracket of its own for it, clear of the belt.`,
  },
  'other coolers': {
    asks: say`Does it draw through another cooler: oil, condenser, charge air?`,
    good: say`The new fan covers it too, or it gets its own; the other system calls the fan.`,
  },
  block: {
    asks: say`Does it blow over the block, the exhaust or the alternator?`,
    good: say`A thermometer there after slow work, before it goes out of the yard.`,
  },
}

export interface HoldLooked {
  readonly id: MechanicalHold
  /** null: nobody has looked yet */
  readonly holds: boolean | null
  readonly madeGood: string
}

/** Everything that is looked at where a mechanical fan comes off, in order; empty where none does. */
export const holdsOf = (job: Job): HoldLooked[] =>
  job.mechanicalFan
    ? mechanicalHolds.map((id) => {
        const found = job.mechanicalFan!.looked.find((l) => l.id === id)
        return { id, holds: found?.holds ?? null, madeGood: found?.madeGood ?? '' }
      })
    : []

/** What speaks against taking it off: what nobody looked at, and what it held that nobody made good. */
export function holdWarnings(job: Job): { readonly id: string; readonly text: string; readonly helps: string }[] {
  const holds = holdsOf(job)
  const unseen = holds.filter((h) => h.holds === null)
  return [
    ...(unseen.length
      ? [
          {
            id: 'mechanical fan',
            text: say`The mechanical fan comes off, and ${unseen.length} of ${holds.length} things it may hold are not
              looked at.`,
            helps: say`Machine, “A fan that the engine turns”: each is a yes or a no.`,
          },
        ]
      : []),
    ...holds
      .filter((h) => h.holds && h.madeGood.trim() === '')
      .map((h) => ({
        id: `mechanical ${h.id}`,
        text: say`The mechanical fan held something else, and nothing is said of how it is made good:
          ${spokenWord(h.id)}.`,
        helps: holdWords[h.id].good,
      })),
  ]
}
