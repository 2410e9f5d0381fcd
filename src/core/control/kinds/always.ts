import { type ControlKind } from './control-kind'
import { say } from '../../words'

/** No controller at all: on while its feed is live. */
export const always: ControlKind = {
  name: say`always on`,
  decidedBy: 'nothing',
  settable: false,
  electronic: false,
  pulses: false,
  points: () => null,
  settingFor: (onC, offC) => ({ setC: onC, bandK: onC - offC }),
  duty: () => ({ cold: 1, rising: 1, falling: 1, hot: 1 }),
}
