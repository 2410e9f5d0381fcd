import type { MachineKind } from '@/core/job'

/** Places on a machine that a call-out can point at. */
export type Anchor = 'core' | 'engine' | 'charging' | 'battery' | 'bay' | 'plug'

/** Where they lie on each kind's outline, which is 112 × 70. */
export const anchorsOf: Readonly<
  Record<MachineKind, Readonly<Partial<Record<Anchor, readonly [x: number, y: number]>>>>
> = {
  'trail-bike': { core: [40, 28], engine: [54, 42], charging: [46, 46], battery: [68, 27] },
  'road-bike': { core: [36, 32], engine: [52, 42], charging: [58, 45], battery: [74, 26] },
  'side-by-side': { core: [14, 39], engine: [66, 44], charging: [72, 42], battery: [46, 44], bay: [58, 40] },
  'digger-air': { engine: [30, 40], charging: [36, 44], battery: [48, 48], bay: [20, 36] },
  'digger-liquid': { core: [20, 37], engine: [31, 40], charging: [34, 44], battery: [48, 48], bay: [28, 29] },
  'older-vehicle': { core: [12, 44], engine: [26, 39], charging: [32, 42], battery: [38, 38] },
  trailer: { bay: [40, 32], battery: [80, 46], charging: [88, 40], plug: [6, 50], engine: [66, 34] },
}
