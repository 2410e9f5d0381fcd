import type { Job, MarginId } from '../job'
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

/** In the order of the rail. */
const margins: Readonly<Record<MarginId, (job: Job, nominal: Bench, run: Findings | null) => MarginDefinition | null>> =
  {
    fit: fitMargin,
    air: airMargin,
    supply: supplyMargin,
    wire: wireMargin,
    fuse: fuseMargin,
    contacts: contactsMargin,
    charge: chargeMargin,
    battery: batteryMargin,
    trigger: triggerMargin,
    boil: boilMargin,
  }
const all = Object.keys(margins) as MarginId[]

/**
 * Every margin that applies to a job, in the order of the rail.
 * @param nominal a reader at the nominal values
 * @param run what its runs came to; null: rules of thumb
 * @param ids those that are asked for; all where nobody says
 */
export const marginsOf = (
  job: Job,
  nominal: Bench,
  run: Findings | null = null,
  ids: readonly MarginId[] = all,
): MarginDefinition[] => all.flatMap((id) => (ids.includes(id) ? (margins[id](job, nominal, run) ?? []) : []))
