import { say } from '../words'

/** What an unknown wire of a machine can be. */
export const wireIdentities = {
  ground: { name: say`ground`, tell: say`may be the way back of what it is thick enough for` },
  permanent: {
    name: say`permanent feed`,
    tell: say`live with the key off: fuse it, and let a relay or the key come between`,
  },
  switched: { name: say`switched accessory feed`, tell: say`live with the key` },
  lights: { name: say`lighting feed`, tell: say`leave it: road lighting is never tapped` },
  engine: {
    name: say`engine's own feed`,
    tell: say`ignition coil or fuel solenoid: leave it alone, a drop there stops the engine`,
  },
  fan: { name: say`loom's own fan feed`, tell: say`comes alive when the machine wants its fan` },
  fanLow: {
    name: say`loom's fan feed, low speed`,
    tell: say`comes through a resistor that was chosen for another fan: take the high one`,
  },
  trigger: { name: say`trigger of a relay`, tell: say`goes to a coil: it switches, it never carries a fan` },
  sensor: { name: say`sensor or data wire`, tell: say`leave it alone: no load, no lamp, no tap` },
  dead: { name: say`not connected`, tell: say`ends somewhere: good for nothing until traced` },
} as const
export type WireIdentity = keyof typeof wireIdentities

/** lowest and highest reading; Infinity is an open meter. Null: says nothing */
export type MeterRange = readonly [low: number, high: number]
export interface MeterTest {
  readonly id: string
  readonly title: string
  readonly how: string
  readonly unit: 'V' | 'ohm'
  readonly caution: string
  /** what each candidate would show, on a 12 V machine */
  readonly expects: Readonly<Partial<Record<WireIdentity, MeterRange>>>
}

const LIVE: MeterRange = [11, 15]
const NONE: MeterRange = [-0.2, 0.5]

/** In the safest order: nothing powered and nothing loaded first, the lamp as a load last. */
export const wireTests: readonly MeterTest[] = [
  {
    id: 'off',
    title: say`Volts, key off`,
    how: say`Black lead on the battery’s negative post, red lead on the wire. Key off, lights off.`,
    unit: 'V',
    caution: say`A meter on volts harms nothing. Let no bare end touch the frame.`,
    expects: {
      ground: [-0.1, 0.2],
      permanent: LIVE,
      switched: NONE,
      lights: NONE,
      engine: NONE,
      fan: NONE,
      fanLow: NONE,
      trigger: [-0.2, 15],
      sensor: NONE,
      dead: NONE,
    },
  },
  {
    id: 'on',
    title: say`Volts, key on, engine off, cold`,
    how: say`The same with the key on and the lights off.`,
    unit: 'V',
    caution: say`A fan on a thermostat starts without warning: fingers and sleeves away.`,
    expects: {
      ground: [-0.1, 0.3],
      permanent: LIVE,
      switched: LIVE,
      lights: NONE,
      engine: LIVE,
      fan: NONE,
      fanLow: NONE,
      trigger: LIVE,
      sensor: [0.3, 5.6],
      dead: NONE,
    },
  },
  {
    id: 'lights',
    title: say`Volts, key on, lights on`,
    how: say`The same with all lights on, dipped and full.`,
    unit: 'V',
    caution: '',
    expects: {
      ground: [-0.1, 0.3],
      permanent: LIVE,
      switched: LIVE,
      lights: LIVE,
      engine: LIVE,
      fan: NONE,
      fanLow: NONE,
      trigger: LIVE,
      sensor: [0.3, 5.6],
      dead: NONE,
    },
  },
  {
    id: 'ohms',
    title: say`Ohms to battery negative, battery off`,
    how: say`Battery’s negative lead off and away. Meter on ohms between that lead and the wire.`,
    unit: 'ohm',
    caution: say`Ohms only with the battery off: else the reading lies and the meter suffers.`,
    expects: {
      ground: [0, 1.5],
      permanent: [2, Infinity],
      switched: [2, Infinity],
      lights: [0.2, 30],
      engine: [0.3, 25],
      fan: [0.2, Infinity],
      fanLow: [0.2, Infinity],
      trigger: [30, Infinity],
      sensor: [100, Infinity],
      dead: [1e6, Infinity],
    },
  },
  {
    id: 'lamp',
    title: say`Volts with a 5 W lamp as load`,
    how: say`Battery on, key on. A 5 W test lamp between the wire and negative; read the volts across the lamp.`,
    unit: 'V',
    caution: say`Not on a wire that showed about 5 V or less: that may be a sensor. A fan may start.`,
    expects: {
      permanent: [10.8, 15],
      switched: [10.8, 15],
      lights: NONE,
      engine: [10.8, 15],
      fan: NONE,
      fanLow: NONE,
      trigger: [0, 6],
      dead: NONE,
      ground: [-0.2, 0.4],
    },
  },
  {
    id: 'hot',
    title: say`Volts, engine hot or its sensor bridged as the maker says`,
    how: say`Engine warm until the machine wants its fan, or its sensor bridged as its maker’s book says. Red lead on
      the wire.`,
    unit: 'V',
    caution: say`Running engine: outdoors, sleeves and hair away, nothing near the fan.`,
    expects: {
      ground: [-0.1, 0.3],
      permanent: LIVE,
      switched: LIVE,
      lights: NONE,
      engine: LIVE,
      fan: LIVE,
      fanLow: LIVE,
      trigger: [-0.2, 3],
      sensor: [0, 5.6],
      dead: NONE,
    },
  },
  {
    id: 'crank',
    title: say`Volts while the starter turns`,
    how: say`Red lead on the wire; a second person turns the engine over on the starter for two seconds.`,
    unit: 'V',
    caution: say`Out of gear, nobody astride, nothing near belt, chain or fan: it may start.`,
    expects: { permanent: [7, 15], engine: [7, 15] },
  },
  {
    id: 'heavy',
    title: say`Volts with a 55 W lamp as load, engine hot or its sensor bridged`,
    how: say`As before, and a 55 W headlamp bulb between the wire and negative; read the volts across the bulb.`,
    unit: 'V',
    caution: say`The bulb gets hot enough to burn. Running engine: outdoors, sleeves and hair away.`,
    expects: { fan: [11.2, 15], fanLow: [2, 11.2] },
  },
]
