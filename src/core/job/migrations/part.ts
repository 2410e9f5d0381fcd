import { guess, isRaw, type Raw, valueOf } from './raw'

const mostPressure = (diameterM: number): number => {
  if (diameterM <= 0.15) return 110
  if (diameterM <= 0.23) return 140
  return diameterM <= 0.3 ? 170 : 200
}

/** to a tenth of a millimetre and finer: no noise of a sum */
const tidy = (m: number): number => Number(m.toPrecision(6))

const fan = (diameterM: number): Raw => {
  const housingM = diameterM + 0.002
  return {
    maxPressurePa: guess(mostPressure(diameterM)),
    housingM: guess(tidy(housingM), 0.006),
    fixings: 4,
    boltCircleM: guess(tidy(housingM * 1.3), tidy(0.05 * housingM)),
  }
}

/**
 * A part as older shelves and jobs wrote it, with what parts had gained by job version 7. Leaves a present one as it
 * is.
 */
export function migratePart(part: unknown): unknown {
  if (!isRaw(part)) return part
  const gained: Readonly<Record<string, () => Raw>> = {
    relay: () => ({ coilV: 12 }),
    fan: () => fan(valueOf(part.diameterM, 0.15)),
    controller: () => ({ leadM: null, supplyLeadM: null, leastDuty: null, inputs: [] }),
    fuse: () => ({ stock: null }),
    connector: () => ({ stock: null }),
  }
  return { facts: [], ...gained[String(part.kind)]?.(), ...part }
}

export const withPart = (entry: Raw): Raw => ({ ...entry, part: migratePart(entry.part) })
