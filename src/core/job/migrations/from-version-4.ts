import { withPart } from './part'
import { each, guess, kindOf, type KindThen, type Raw, valueOf, within } from './raw'

interface ThenUsual {
  readonly weightKg: number
  readonly engineKg: number
  readonly coldestC: number
  readonly hottestC: number
}

/** What was usual for each kind of machine when version 5 was written. */
const usual: Readonly<Record<KindThen, ThenUsual>> = {
  'trail-bike': { weightKg: 190, engineKg: 27, coldestC: 0, hottestC: 32 },
  'road-bike': { weightKg: 300, engineKg: 60, coldestC: 0, hottestC: 35 },
  'side-by-side': { weightKg: 900, engineKg: 70, coldestC: 0, hottestC: 35 },
  'digger-air': { weightKg: 1000, engineKg: 30, coldestC: 0, hottestC: 32 },
  'digger-liquid': { weightKg: 1800, engineKg: 95, coldestC: 0, hottestC: 35 },
  'older-vehicle': { weightKg: 1400, engineKg: 150, coldestC: 0, hottestC: 35 },
  trailer: { weightKg: 900, engineKg: 30, coldestC: 5, hottestC: 38 },
}

/** where a usual day lies between the coldest and the hottest that it works on (estimate) */
const usualDay = (coldestC: number, hottestC: number): number => Math.round(coldestC + 0.6 * (hottestC - coldestC))

/** Version 4 knew neither a usual day nor what a machine does in it, and no engine's weight. */
export function fromVersion4(job: Raw): Raw {
  const t = usual[kindOf(job)]
  return {
    ...job,
    version: 5,
    duty: null,
    ...within(job, 'machine', (m) => ({ massKg: guess(t.weightKg), ...m })),
    ...within(job, 'surroundings', (s) => ({
      usualC: guess(usualDay(valueOf(s.coldestC, t.coldestC), valueOf(s.hottestC, t.hottestC))),
      ...s,
    })),
    ...within(job, 'engine', (e) => ({ massKg: guess(t.engineKg), storeFactor: guess(1), ...e })),
    ...each(job, 'controllers', (c) => ({ spanK: 10, ...withPart(c) })),
  }
}
