/** Ends of addresses of readings that nobody can take at a bench: what was seen of the machine tells of them. */
const seenOnly = [
  'idleShare',
  'slowShare',
  'loadShare',
  'heatShare',
  'storeFactor',
  'resistanceFactor',
  'transferFactor',
  'ramShare',
  'kappa',
  'overshootK',
  'flywheel.freeFlowM3s',
  'flywheel.maxPressurePa',
  'lockedA',
  'surroundings.hottestC',
  'surroundings.coldestC',
  'surroundings.usualC',
] as const

/** Whether a reading can be taken at the bench, by its address. @see engineering §0 */
export const atTheBench = (address: string): boolean => !seenOnly.some((end) => address.endsWith(end))
