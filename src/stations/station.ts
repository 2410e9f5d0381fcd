import type { Station } from '@/core/fields'
import type { Job } from '@/core/job'
import type { Evaluation } from '@/core/margins'
import type { Part } from '@/core/parts'
import type { RunState } from './job-screen/use-run'

/** What every station is given: the job, what it comes to, the shelf, and ways to change the job. */
export interface StationProps {
  readonly job: Job
  /** which of the job's fans is looked at, 0 the first; it stands first in `job` */
  readonly fan: number
  readonly station: Station
  readonly evaluation: Evaluation
  readonly run: RunState
  readonly shelf: readonly Part[]
  readonly settle: (change: (job: Job) => Job) => void
  readonly preview: (change: ((job: Job) => Job) | null) => void
  readonly now: () => Date
  readonly goTo: (station: Station) => void
  readonly sign: (by: string) => Promise<string | null>
}

/** A station's picture and its tray. */
export interface StationView {
  /** it shows one fan at a time: where there are several, the job is given as seen from the one that is looked at */
  readonly perFan?: true
  readonly Stage: React.ComponentType<StationProps>
  readonly Tray: React.ComponentType<StationProps>
}
