import type { Caution } from '../cautions'
import type { AlterationKind } from '../choices'

export interface MountStep {
  readonly id: string
  readonly title: string
  readonly why: string
  readonly tell: string
  readonly minutes: number
  readonly cautions: readonly Caution[]
}

/**
 * Figures of the machine's own that a way of holding a fan is done by; how each is told stands in
 * `build/fastening`.
 */
export type FasteningFigure = 'screw' | 'ties' | 'edge leak' | 'stand-offs' | 'hose' | 'inlet'

/** A way of holding a fan: what it is to air, core and machine, what it asks for, and how it is done. */
export interface MountKind {
  readonly name: string
  /** what carries the heat where it can be used */
  readonly medium: 'coolant' | 'air'
  /** the core is taken off for it, so coolant is drained */
  readonly coreComesOff: boolean
  /** it spreads the fan's draw over the whole core, and leaks where its edge is open; engineering §2.6 */
  readonly shrouded: boolean
  /** it goes through the fins, so that its holes want the gaps between tubes; engineering §7 */
  readonly throughFins: boolean
  /** blades that stand out beyond their frame come near the sheet that it is bolted to */
  readonly onSheet: boolean
  /** the air goes through a hose; engineering §2.7 */
  readonly hosed: boolean
  /** readings that only it asks for: addresses, or what they begin with where it ends in a full stop */
  readonly asks: readonly string[]
  /** what it does to the machine, if anything */
  readonly alters: { readonly kind: AlterationKind; readonly what: string } | null
  /** what is done before the fan goes on, and after it was spun by hand: what hides a fastener comes after it */
  readonly before: readonly MountStep[]
  readonly after: readonly MountStep[]
  readonly fasten: string
  readonly figures: readonly FasteningFigure[]
  readonly check: string
}
