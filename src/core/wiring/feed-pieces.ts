import type { Piece } from '../circuit'
import type { FanCircuit } from '../fan-circuit'
import type { Bench } from '../reading'

/** no piece of wire is shorter, m */
const STRAY_M = 0.01

/** Pieces of a fan's feed: post to fuse, fuse to isolator, then to contact, then to the fan; and of its way back, m. */
export interface FeedPieces {
  readonly toFuseM: number
  readonly toIsolatorM: number
  readonly toContactM: number
  readonly toFanM: number
  readonly backToContactM: number
  readonly backToGroundM: number
  /** whether they add up to no more than the whole */
  readonly fits: boolean
}

/**
 * How a run's feed is cut.
 * @param isolator whether an isolator stands between fuse and contact
 * @throws never: what does not add up is said
 */
export function feedPieces(bench: Bench, circuit: FanCircuit, isolator: boolean): FeedPieces {
  const { run, fuse, conductors } = circuit
  const lengthOf = (role: 'feed' | 'return'): number => {
    const found = conductors.find((c) => c.role === role)
    return found ? bench.value(found.at.lengthM) : 0
  }
  const total = lengthOf('feed')
  const back = lengthOf('return')
  const toFanM = bench.value(`runs.${run.id}.switchAtM`)
  const toFuseM = fuse ? bench.value(`fuses.${fuse.id}.fromPostM`) : 0
  const toIsolatorM = isolator ? bench.value(`runs.${run.id}.isolatorAtM`) : 0
  const toContactM = total - toFanM - toFuseM - toIsolatorM
  const fits = toContactM >= STRAY_M
  const part = Math.max(STRAY_M, total / (isolator ? 4 : 3))
  const backToContactM = Math.min(toFanM, back / 2)
  const behind = { backToContactM, backToGroundM: back - backToContactM, fits }
  return fits
    ? { toFuseM, toIsolatorM, toContactM, toFanM, ...behind }
    : {
        toFuseM: Math.min(toFuseM, total / 3),
        toIsolatorM: isolator ? part : 0,
        toContactM: part,
        toFanM: part,
        ...behind,
      }
}

/** Length of one piece of a feed or way back, m. */
export function pieceOf(p: FeedPieces, piece: Piece): number {
  switch (piece) {
    case 'to fuse':
      return p.toFuseM
    case 'to isolator':
      return p.toIsolatorM
    case 'to contact':
      return p.toContactM
    case 'to fan':
      return p.toFanM
    case 'fuse to fan':
      return p.toContactM + p.toFanM
    case 'fan to contact':
      return p.backToContactM
    case 'contact to ground':
      return p.backToGroundM
  }
}
