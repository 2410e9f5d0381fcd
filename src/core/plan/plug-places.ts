import type { Job } from '../job'

/** Where a maker's plug for a fan usually hides. */
export function plugPlaces(job: Job): string[] {
  const bike = /bike/.test(job.machine.kind)
  return [
    bike ? 'beside the core and along its frame tube, taped back to the loom' : 'beside the core and along its frame',
    bike ? 'behind the headlamp and under the seat' : 'behind the dashboard and beside the battery',
    'a plug with a blank or a cap in it, two or three pins',
    'a relay or fuse position in the box that is empty but has terminals',
    "the maker's wiring diagram: a fan motor, fan relay or fan switch that this model lacks",
  ]
}
