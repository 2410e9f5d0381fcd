import type { UnitSystem } from '../units'
import type { ControllerPart } from './part'

/** The units that a controller's display counts in. */
export const shownBy = (part: Pick<ControllerPart, 'shows'>): UnitSystem =>
  part.shows === '°F' ? 'imperial' : 'metric'
