import type { Job } from '../job'
import { asTyped } from '../reading'
import { format } from '../units'
import { say, spokenWord } from '../words'

/** The complaint as one sentence of choices. */
export function complaintInWords(job: Job): string {
  const { what, on, breeze, after, aboveC, signs, times } = job.complaint
  return [
    spokenWord(what),
    ...(after ? [say`after ${format(after.value, 'minutes', job.units)}`] : []),
    on === 'after switch-off' || on === 'idling' ? spokenWord(on) : say`on ${spokenWord(on)}`,
    ...(aboveC
      ? [say`above ${asTyped(aboveC, 'temperature', job.units) ?? format(aboveC.value, 'temperature', job.units)}`]
      : []),
    spokenWord(breeze),
    ...(times === null ? [] : [times === 1 ? say`once` : say`${times} times`]),
    ...signs.map(spokenWord),
  ].join(' · ')
}
