export interface Blowing {
  readonly air: 'as marked' | 'reversed'
  readonly effectiveness: number
}

/**
 * Which way a permanent-magnet fan blows, and how well.
 * @returns null for a brushless fan with swapped wires: that destroys it or does nothing
 * @see engineering §1.7
 * @example blowing(true, false, 'brushless') //=> null
 */
export function blowing(wiresSwapped: boolean, bladeTurned: boolean, motor: 'brushed' | 'brushless'): Blowing | null {
  if (motor === 'brushless' && wiresSwapped) return null
  return { air: wiresSwapped ? 'reversed' : 'as marked', effectiveness: wiresSwapped === bladeTurned ? 1 : 0.6 }
}
