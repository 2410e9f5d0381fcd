import type { Bench } from '../../reading'
import type { Job } from '../document'
import type { Findings } from '../run-findings'
import { airMargin } from './air'
import { batteryMargin } from './battery'
import { chargeMargin } from './charge'
import { contactsMargin } from './contacts'
import { fitMargin } from './fit'
import { fuseMargin } from './fuse'
import type { MarginDefinition } from './part'
import { supplyMargin } from './supply'
import { boilMargin, triggerMargin } from './trigger'
import { wireMargin } from './wire'

export * from './circuit'
export * from './loads'
export * from './part'
export { batteryOutlook, parkedDraw, type BatteryOutlook } from './battery'
export { depthStack, holeMove, neighbours } from './fit'
export { fuseNeeds } from './fuse'
export { chargeAt, controllersDraw, statesOf, powerFlows, type Flow } from './charge'
export { suitsVoltage } from './supply'
export { boilsAt, outletDropAt, pointsOf } from './trigger'

const margins: readonly ((job: Job, nominal: Bench, run: Findings | null) => MarginDefinition | null)[] = [
  fitMargin,
  airMargin,
  supplyMargin,
  wireMargin,
  fuseMargin,
  contactsMargin,
  chargeMargin,
  batteryMargin,
  triggerMargin,
  boilMargin,
]

/**
 * Every margin that applies to a job, in the order of the rail.
 * @param nominal a reader at the nominal values
 * @param run what its runs came to; null: rules of thumb
 */
export const marginsOf = (job: Job, nominal: Bench, run: Findings | null = null): MarginDefinition[] =>
  margins.flatMap((m) => m(job, nominal, run) ?? [])
