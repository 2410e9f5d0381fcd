import { isRaw, type Raw } from './raw'

/** Version 12 sought no faults, and left whatever stood near the core where it was. */
export const fromVersion12 = (job: Raw): Raw => {
  const place = isRaw(job.place) ? job.place : {}
  const obstacles = Array.isArray(place.obstacles) ? place.obstacles : []
  return {
    ...job,
    version: 13,
    searches: [],
    place: { ...place, obstacles: obstacles.map((o: unknown) => (isRaw(o) ? { ...o, dealt: 'stays' } : o)) },
  }
}
