/** One line of a logger: s since it began, °C, A, V; null where it has no such reading. */
export interface Sample {
  readonly t: number
  readonly probeC: number | null
  readonly amps: number | null
  readonly batteryV: number | null
  readonly fanV: number | null
}

/** What came from a logger so far, and what of it could not be used. */
export interface Followed {
  readonly samples: readonly Sample[]
  /** lines at a time that was already past */
  readonly backward: number
  /** times that the logger began its clock anew */
  readonly begunAnew: number
  /** added to the logger's clock since it began anew, s */
  readonly shiftS: number
  /** lines in a row from a clock that began anew: one alone is a slip */
  readonly pending: readonly Sample[]
}

export const nothingFollowed: Followed = { samples: [], backward: 0, begunAnew: 0, shiftS: 0, pending: [] }

/** so many lines in order of time are a clock that began anew, not a slip */
const ANEW = 4
/** what is kept at hand, about an hour at five lines a second */
export const MOST_FOLLOWED = 20_000

/**
 * Takes more lines. Time never runs back: a line from the past is left out and counted; some in a row that are in order
 * among themselves are a logger that was switched off and on, and go on where it broke off.
 * @param lines as they came, by the logger's own clock
 * @example follow(nothingFollowed, [at(5), at(3), at(6)]).backward //=> 1
 */
export function follow(so: Followed, lines: readonly Sample[]): Followed {
  const samples = [...so.samples]
  let [pending, { backward, begunAnew, shiftS }] = [[...so.pending], so]
  for (const line of lines) {
    const last = samples.at(-1)
    const t = line.t + shiftS
    if (!last || t > last.t) {
      samples.push({ ...line, t })
      backward += pending.length
      pending = []
      continue
    }
    const before = pending.at(-1)
    if (before && line.t <= before.t) {
      backward += pending.length
      pending = []
    }
    pending.push(line)
    if (pending.length < ANEW) continue
    shiftS = last.t + 1 - pending[0]!.t
    for (const p of pending) samples.push({ ...p, t: p.t + shiftS })
    begunAnew++
    pending = []
  }
  return { samples: samples.slice(0, MOST_FOLLOWED), backward, begunAnew, shiftS, pending }
}
