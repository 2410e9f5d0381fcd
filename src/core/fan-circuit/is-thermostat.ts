import type { ControllerPart } from '../parts'

export const isThermostat = (part: ControllerPart): boolean => part.band !== 'hand' && part.band !== 'always'
