import { type LeadName } from '../choices'
import { typical } from '../../reading'
import type { Job } from '../document'
import type { Obstacle } from '../schema/place'
import { careOf, flapCare, tieCare } from '../start'
import { freshId } from './fresh-id'

export const changePlace = (job: Job, change: Partial<Job['place']>): Job => ({
  ...job,
  place: { ...job.place, ...change },
})

const isFlap = ({ id }: { readonly id: string }): boolean => flapCare.some((c) => c.id === id)

/** The hose; a flap in it brings its two days of the year, and takes them with it where they are not done yet. */
export function changeDuct(job: Job, change: Partial<Job['place']['duct']>): Job {
  const duct = { ...job.place.duct, ...change }
  const others = job.after.filter((a) => !isFlap(a) || a.doneOn !== null)
  const kept = job.after.filter(isFlap)
  const flaps = flapCare.map(({ id, what }) => kept.find((a) => a.id === id) ?? careOf(id, what))
  return {
    ...changePlace(job, { duct }),
    after: duct.splitter ? [...job.after.filter((a) => !isFlap(a)), ...flaps] : others,
  }
}

/** Another way of holding the fan; ties bring their own look after the first hour, and take it with them. */
export function changeMount(job: Job, mount: Job['place']['mount']): Job {
  const others = job.after.filter((a) => a.id !== tieCare.id || a.doneOn !== null)
  const cared = others.some((a) => a.id === tieCare.id)
  return {
    ...changePlace(job, { mount }),
    after: mount === 'ties' && !cared ? [...others, careOf(tieCare.id, tieCare.what)] : others,
  }
}

/**
 * Where things of each kind usually are, in widths and heights of the core: a tube beside it, a pipe further down, a
 * fork above.
 */
const usually: Readonly<
  Record<
    Obstacle['kind'],
    { readonly left: number; readonly top: number; readonly wide: number; readonly high: number }
  >
> = {
  fixed: { left: 1.08, top: 0, wide: 0.22, high: 1 },
  exhaust: { left: 1.4, top: 0.65, wide: 0.3, high: 0.35 },
  moves: { left: -0.15, top: -0.15, wide: 0.45, high: 0.28 },
}

/** Something near the core, about where such a thing usually is until it is measured; each next one a little aside. */
export function addObstacle(job: Job, kind: Obstacle['kind'], name: string): Job {
  const { cooling, place } = job
  if (!cooling) return job
  const [w, h] = [cooling.coreWidthM.value, cooling.coreHeightM.value]
  const { left, top, wide, high } = usually[kind]
  const aside = 0.06 * w * place.obstacles.filter((o) => o.kind === kind).length
  const about = (m: number) => typical(Math.round(m * 1000) / 1000, 0.01)
  const obstacle: Obstacle = {
    id: freshId('near', place.obstacles),
    name,
    kind,
    side: place.side === 'puller' ? 'behind' : 'front',
    dealt: 'stays',
    core: job.fans.find((f) => f.seat !== null)?.seat?.core ?? 0,
    fromLeftM: about(left * w + aside),
    fromTopM: about(top * h + aside),
    wideM: about(wide * w),
    highM: about(high * h),
    freeM: typical(0.02),
    travelM: kind === 'moves' ? typical(0.02) : typical(0, 0),
  }
  return changePlace(job, { obstacles: [...place.obstacles, obstacle] })
}

export const changeObstacle = (job: Job, id: string, change: Partial<Obstacle>): Job =>
  changePlace(job, { obstacles: job.place.obstacles.map((o) => (o.id === id ? { ...o, ...change } : o)) })

export const dropObstacle = (job: Job, id: string): Job =>
  changePlace(job, { obstacles: job.place.obstacles.filter((o) => o.id !== id) })

const withLegs = (job: Job, lead: LeadName, legs: Job['place']['leads'][LeadName]): Job =>
  changePlace(job, { leads: { ...job.place.leads, [lead]: legs } })

export const addLeg = (job: Job, lead: LeadName, name: string): Job =>
  withLegs(job, lead, [
    ...job.place.leads[lead],
    { id: freshId('leg', job.place.leads[lead]), name, lengthM: typical(0.1) },
  ])

export const dropLeg = (job: Job, lead: LeadName, id: string): Job =>
  job.place.leads[lead].length > 1
    ? withLegs(
        job,
        lead,
        job.place.leads[lead].filter((l) => l.id !== id),
      )
    : job
