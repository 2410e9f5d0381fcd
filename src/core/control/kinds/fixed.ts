import { type ControlKind, onOrOff } from './control-kind'
import { say } from '../../words'

/** A switch that closes and opens at temperatures of its own. */
export const fixed: ControlKind = {
  name: say`fixed switch`,
  decidedBy: 'temperature',
  settable: false,
  electronic: false,
  pulses: false,
  points: (_, fixed) => (fixed ? { on: fixed.closesC, off: fixed.opensC } : null),
  settingFor: (onC, offC) => ({ setC: onC, bandK: onC - offC }),
  duty: onOrOff,
}
