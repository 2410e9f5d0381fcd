import type { Job } from '../job'
import { asTyped } from '../reading'
import { format } from '../units'
import { say, spokenWord } from '../words'

/** The complaint as one sentence of choices. */
export function complaintInWords(job: Job): string {
  const { what, on, breeze, after, aboveC, signs, times } = job.complaint
  return [
    what,
    ...(after ? [say`after ${format(after.value, 'minutes', job.units)}`] : []),
    say`on ${spokenWord(on)}`.replace('on after', 'after').replace('on idling', 'idling'),
    ...(aboveC
      ? [say`above ${asTyped(aboveC, 'temperature', job.units) ?? format(aboveC.value, 'temperature', job.units)}`]
      : []),
    breeze,
    ...(times === null ? [] : [times === 1 ? 'once' : say`${times} times`]),
    ...signs,
  ].join(' · ')
}
