import { type ControlKind } from './control-kind'
import { say } from '../../words'

/** Pulses that begin at its set point with the least duty and are full a span higher; off a band lower. */
export const ramp: ControlKind = {
  name: say`ramp`,
  decidedBy: 'temperature',
  settable: true,
  electronic: true,
  pulses: true,
  points: ({ setC, bandK }) => ({ on: setC, off: setC - bandK }),
  settingFor: (onC, offC) => ({ setC: onC, bandK: onC - offC }),
  duty: (leastDuty) => ({ cold: 0, rising: 0, falling: leastDuty, hot: 1 }),
}
