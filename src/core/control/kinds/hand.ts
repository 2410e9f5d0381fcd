import { type ControlKind } from './control-kind'
import { say } from '../../words'

/** A switch that somebody closes. */
export const hand: ControlKind = {
  name: say`hand switch`,
  decidedBy: 'hand',
  settable: false,
  electronic: false,
  pulses: false,
  points: () => null,
  settingFor: (onC, offC) => ({ setC: onC, bandK: onC - offC }),
  duty: () => ({ cold: 0, rising: 0, falling: 0, hot: 0 }),
}
