import { typical } from '../../reading'
import type { Job } from '../document'
import type { Bay } from '../schema/heat'
import type { Panel } from '../schema/place'
import { freshId } from './fresh-id'
import { changePlace } from './place'

export const changeBay = (job: Job, change: Partial<Bay>): Job =>
  job.bay ? { ...job, bay: { ...job.bay, ...change } } : job

export function addPanel(job: Job, name: string): Job {
  if (!job.bay) return job
  const like = job.bay.panels[0]!
  return changeBay(job, {
    panels: [
      ...job.bay.panels,
      {
        ...like,
        id: freshId('panel', job.bay.panels),
        name,
        faces: 'neither',
        flywheel: 'neither',
        wideM: typical(like.wideM.value),
        highM: typical(like.highM.value),
        freeM: typical(like.freeM.value),
      },
    ],
  })
}

export const changePanel = (job: Job, id: string, change: Partial<Panel>): Job =>
  job.bay ? changeBay(job, { panels: job.bay.panels.map((p) => (p.id === id ? { ...p, ...change } : p)) }) : job

/** The last panel stays: a fan has to sit somewhere. */
export function dropPanel(job: Job, id: string): Job {
  if (!job.bay || job.bay.panels.length < 2) return job
  const panels = job.bay.panels.filter((p) => p.id !== id)
  return changePlace(changeBay(job, { panels }), { panel: job.place.panel === id ? panels[0]!.id : job.place.panel })
}

/** Says whether the engine has a fan of its own, with a guess of what it moves. */
export const changeFlywheel = (job: Job, has: boolean): Job =>
  changeBay(job, {
    flywheel: has ? (job.bay?.flywheel ?? { freeFlowM3s: typical(0.08), maxPressurePa: typical(150) }) : null,
  })
