import { allOff, GROUND, type Conditions, type Element, type Netlist } from '..'

export const state = (more: Partial<Conditions> = {}): Conditions => ({
  ...allOff,
  key: true,
  isolator: true,
  ...more,
})
export const wire = (name: string, a: string, b: string, ohm: number): Element => ({
  kind: 'wire',
  name,
  label: name,
  a,
  b,
  ohm,
  conductor: null,
})
/** 8 A running and 32 A held fast at 12 V: R 0.375 ohm, k 9 V, I₀ 0.8 A, c 64.8 */
export const eightAmps = { motor: 'brushed', ratedV: 12, ratedA: 8, lockedA: 32, diameterM: 0.25 } as const
export const onOff = { cold: 0, rising: 0, falling: 1, hot: 1 } as const

/**
 * Battery of 12.65 V, 15 A fuse, relay, fan of 8 A; the thermostat switches the coil's ground, the coil is fed behind
 * the key.
 */
export const groundSide = (): Netlist => ({
  elements: [
    {
      kind: 'source',
      name: 'battery',
      label: 'battery',
      a: 'bat_plus',
      b: GROUND,
      restV: 12.65,
      runningV: 14.2,
      ohm: 0.02,
    },
    wire('feed_1', 'bat_plus', 'fuse_in', 0.002),
    {
      kind: 'fuse',
      name: 'fuse_1',
      label: 'fuse',
      a: 'fuse_in',
      b: 'fuse_out',
      ohm: 0.12 * 15 ** -1.2,
      ratingA: 15,
      form: 'blade',
    },
    wire('feed_2', 'fuse_out', 'pin_30', 0.02),
    {
      kind: 'contact',
      name: 'contact_1',
      label: 'relay contact',
      relay: 'relay1',
      atRest: 'open',
      a: 'pin_30',
      b: 'pin_87',
      ohm: 0.008,
      rating: { ratedA: 30, rating: 'motor', makeA: null },
    },
    wire('feed_3', 'pin_87', 'fan_plus', 0.01),
    {
      kind: 'motor',
      name: 'fan_1',
      label: 'fan',
      fan: 'fan1',
      a: 'fan_plus',
      b: 'fan_minus',
      rating: eightAmps,
      jammed: false,
    },
    wire('return_1', 'fan_minus', GROUND, 0.02),
    {
      kind: 'switch',
      name: 'key',
      label: 'key',
      by: 'key',
      a: 'bat_plus',
      b: 'ign',
      ohm: 0.005,
      rating: { ratedA: 10, rating: 'motor', makeA: null },
    },
    wire('control_feed', 'ign', 'pin_86', 0.05),
    {
      kind: 'coil',
      name: 'coil_1',
      label: 'coil',
      relay: 'relay1',
      a: 'pin_86',
      b: 'pin_85',
      ohm: 90,
      pullInV: 7.2,
      letGoV: 2.4,
    },
    {
      kind: 'output',
      name: 'thermostat',
      label: 'thermostat',
      controller: 'switch1',
      a: 'pin_85',
      b: 'switch_ground',
      ohm: 0.01,
      rating: { ratedA: 3, rating: 'motor', makeA: null },
    },
    wire('switch_return', 'switch_ground', GROUND, 0.01),
  ],
  controls: [
    {
      id: 'switch1',
      label: 'thermostat switch',
      supply: null,
      leastV: 0,
      duty: onOff,
      stuck: null,
      whenOpen: 'off',
      whenShorted: 'on',
    },
  ],
})
