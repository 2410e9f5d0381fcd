import type { Drawing } from '../drawing'
import type { Quantity } from '../units'

/** A question of a minute. */
export interface Drill {
  readonly ask: string
  readonly picture: Drawing | null
  readonly answers: readonly string[] | null
  /** where a figure is asked for: what it is, and what share it may be off by */
  readonly figure: { readonly quantity: Quantity; readonly value: number; readonly share: number } | null
  /** the right one of the answers; empty where a figure is asked for */
  readonly right: string
  /** how it comes, once it was answered */
  readonly working: string
}
