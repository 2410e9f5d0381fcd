/** Outcomes of a run that margins are told from. Temperatures °C, shares 0…1, times s, starts each hour. */
export const outcomeNames = [
  'peak, hottest',
  'peak, coldest',
  'starts',
  'share, idle',
  'share, slow work',
  'share, cruise',
  'share, towed',
  'share, on its charger',
  'share, standing alone',
  'after switch-off',
] as const

export type OutcomeName = (typeof outcomeNames)[number]
