import { controlKindOf } from '../control'
import type { ControllerPart } from '../parts'

/** A temperature decides whether its fan runs. */
export const isThermostat = (part: ControllerPart): boolean => controlKindOf(part).decidedBy === 'temperature'

/** Its points follow what it is set to. */
export const isSettable = (part: ControllerPart): boolean => part.range !== null && controlKindOf(part).settable
