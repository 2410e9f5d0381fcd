import { type ControlKind, onOrOff } from './control-kind'
import { say } from '../../words'

/** On at its set point, off a band lower. */
export const below: ControlKind = {
  name: say`below the set point`,
  decidedBy: 'temperature',
  settable: true,
  electronic: true,
  pulses: false,
  points: ({ setC, bandK }) => ({ on: setC, off: setC - bandK }),
  settingFor: (onC, offC) => ({ setC: onC, bandK: onC - offC }),
  duty: onOrOff,
}
