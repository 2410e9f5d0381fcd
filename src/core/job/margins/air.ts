import type { Job } from '../document'
import { jobKinds } from '../kinds'
import type { MarginDefinition } from './part'

const throughFins = 'the air that really goes through the fins, which is not worked out yet'
const throughBay = 'the air that really goes through the bay, which is not worked out yet'

/** Left open until the flow is worked out; none where the fan stays as it is. @see margins.md */
export const airMargin = (job: Job): MarginDefinition | null => (jobKinds[job.kind].mountsFan ? {
  id: 'air', name: 'Air',
  parts: job.bay ? [{ id: 'bay', name: 'in the bay', unit: 'K', required: 0, needs: throughBay }] : [
    { id: 'standing', name: 'standing', unit: 'W', required: 0, needs: throughFins },
    { id: 'moving', name: 'moving', unit: 'W', required: 0, needs: throughFins },
  ],
} : null)
