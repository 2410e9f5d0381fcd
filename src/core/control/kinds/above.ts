import { type ControlKind, onOrOff } from './control-kind'
import { say } from '../../words'

/** Off at its set point, on a band higher. */
export const above: ControlKind = {
  name: say`above the set point`,
  decidedBy: 'temperature',
  settable: true,
  electronic: true,
  pulses: false,
  points: ({ setC, bandK }) => ({ on: setC + bandK, off: setC }),
  settingFor: (onC, offC) => ({ setC: offC, bandK: onC - offC }),
  duty: onOrOff,
}
