import { type Piece as WirePiece } from '../circuit'
import type { ContactRating } from '../electrical'
import { type FanCircuit, type RunConductor } from '../fan-circuit'

/** What goes through one branch: a share of each fan's current, and what does not come from a fan, A. */
export interface Load {
  readonly shares: readonly number[]
  readonly steadyA: number
}

export interface Piece {
  readonly load: Load
  /** along a feed that a later fan shares; else the whole conductor */ readonly length: 'whole' | WirePiece
  readonly circuit: FanCircuit | null
}

export interface ConductorLoad {
  readonly conductor: RunConductor
  readonly name: string
  /** the same for ids of parts */
  readonly id: string
  readonly pieces: readonly Piece[]
  readonly most: Load
}

export interface ContactLoad {
  readonly id: string
  readonly name: string
  readonly suffix: string
  /** the same for ids */
  readonly tag: string
  readonly rating: ContactRating | null
  readonly needs: string
  readonly load: Load
  /** a fuse of the machine's own that it hangs on, with what else does, instead of a stamped rating */
  readonly borrowedA: number | null
}

export interface Loads {
  readonly conductors: readonly ConductorLoad[]
  /** by the fuse's id */
  readonly fuses: ReadonlyMap<string, Load>
  readonly contacts: readonly ContactLoad[]
  /** conductors that a fuse guards, by the fuse's id */
  readonly guarded: ReadonlyMap<string, readonly ConductorLoad[]>
  /** ways of making a run's fan run in which its current does not go through the run's own fuse, by the run's id */
  readonly pastFuse: ReadonlyMap<string, readonly string[]>
  /** controllers that draw with everything off */
  readonly liveWhenParked: ReadonlySet<string>
}
