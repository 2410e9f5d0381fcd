/** where a fact about a part was found */
export const factSources = ['on the box', 'in the sheet', 'measured', 'the seller said'] as const

/** Fittings: what wires end in, what stands in them, what goes over them. */
export const fittingKinds = [
  'ring',
  'female blade',
  'sealed splice',
  'adhesive sleeve',
  'push-on pair',
  'ferrule',
  'tap splice',
  'diode',
  'after-run timer',
  'indicator lamp',
  'sleeve',
  'tie',
] as const

export type FittingKind = (typeof fittingKinds)[number]

/** Inputs of a controller's own, for another system and for a hand switch. */
export const controllerInputs = ['call', 'override'] as const

/** What a ready-made harness brings besides its wires. */
export const harnessBrings = ['relay base', 'fuse holder', 'terminals', 'sleeve'] as const
