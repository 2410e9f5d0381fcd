import type { Job } from '../job'
import { say } from '../words'

/** Where a maker's plug for a fan usually hides. */
export function plugPlaces(job: Job): string[] {
  const bike = /bike/.test(job.machine.kind)
  return [
    bike
      ? say`beside the core and along its frame tube, taped back to the loom`
      : say`beside the core and along its frame`,
    bike ? say`behind the headlamp and under the seat` : say`behind the dashboard and beside the battery`,
    say`a plug with a blank or a cap in it, two or three pins`,
    say`a relay or fuse position in the box that is empty but has terminals`,
    say`the maker's wiring diagram: a fan motor, fan relay or fan switch that this model lacks`,
  ]
}
