import type { Caution, Job } from '../job'

/** What a step closes the way to: what is done there comes before it. */
export type Place = 'the core on the bench' | 'wires still loose' | 'under the covers'

/** A torque that is guessed by size until somebody gives the maker's. @see typical.md */
export interface GuessedTorque {
  readonly newtonMetres: number
  readonly of: string
}

/** A step of a job in its place: what counts, locks and signs knows no more of it. `waitMinutes` needs no hands. */
export interface PlannedStep {
  readonly id: string
  readonly title: string
  readonly minutes: number
  readonly waitMinutes?: number
  /** steps of this very job that come before it */
  readonly needs: readonly string[]
  /** proofs that are answered with it: it is done when they are */
  readonly asks: readonly string[]
  /** every proof is answered before it */
  readonly waitsForProofs: boolean
  /** added at the bench */
  readonly own: boolean
}

/** The same with what is said of it. */
export interface Step extends PlannedStep {
  readonly tell: string
  /** why it is done, or why now, in a line */
  readonly why: string
  readonly cautions: readonly Caution[]
  readonly torque: GuessedTorque | null
  /** where it is seen: the core with its fan, or the circuit; null: nowhere */
  readonly seenIn: 'place' | 'circuit' | null
}

/** A step as it stands in the catalogue: which jobs have it, and what it needs, hides and waits for. */
export interface StepRule {
  readonly id: string
  readonly title: string
  readonly minutes: number
  /** minutes of it that a ready-made harness saves */
  readonly saved?: (job: Job) => number
  readonly waitMinutes?: number
  readonly when?: (job: Job) => boolean
  /** what must be done before it, of what this job has; everything that stands before it in the catalogue */
  readonly needs?: readonly string[] | 'all before'
  /** where it is worked, if something may close the way to it */
  readonly at?: Place
  readonly hides?: readonly Place[]
  readonly asks?: readonly string[]
  readonly waitsForProofs?: true
}

/** What is said of a step: read only where it is worked or printed. */
export interface StepWords {
  readonly why: string
  readonly tell: string | ((job: Job) => string)
  readonly cautions: readonly Caution[]
  readonly also?: (job: Job) => readonly Caution[]
  readonly torque?: (job: Job) => GuessedTorque | null
}
