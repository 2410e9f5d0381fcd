import type { Job } from '../job'
import { asTyped } from '../reading'
import { format } from '../units'

/** The complaint as one sentence of choices. */
export function complaintInWords(job: Job): string {
  const { what, on, breeze, after, aboveC, signs, times } = job.complaint
  return [
    what,
    ...(after ? [`after ${format(after.value, 'minutes', job.units)}`] : []),
    `on ${on}`.replace('on after', 'after').replace('on idling', 'idling'),
    ...(aboveC
      ? [`above ${asTyped(aboveC, 'temperature', job.units) ?? format(aboveC.value, 'temperature', job.units)}`]
      : []),
    breeze,
    ...(times === null ? [] : [times === 1 ? 'once' : `${times} times`]),
    ...signs,
  ].join(' · ')
}
