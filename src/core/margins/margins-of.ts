import type { Job } from '../job'
import type { Bench } from '../reading'
import { airMargin } from './air'
import { batteryMargin } from './battery'
import { boilMargin } from './boil'
import { chargeMargin } from './charge'
import { contactsMargin } from './contacts'
import type { Findings } from './findings'
import { fitMargin } from './fit'
import { fuseMargin } from './fuse'
import type { MarginDefinition } from './part'
import { supplyMargin } from './supply'
import { triggerMargin } from './trigger'
import { wireMargin } from './wire'

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
