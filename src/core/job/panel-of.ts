import type { Job } from './document'
import type { Panel } from './schema/place'

export const panelOf = (job: Job): Panel | null =>
  job.bay?.panels.find((p) => p.id === job.place.panel) ?? job.bay?.panels[0] ?? null
