import type { ComingOff, Job } from '../job'
import { say } from '../words'

export type TakenOff = Job['ledger'][number]

/** What must be back before an engine runs, and why. */
const holding: Partial<Readonly<Record<ComingOff, string>>> = {
  hose: say`the engine would run dry`,
  'lower hose': say`the engine would run dry`,
  'fuel line': say`fuel would run out`,
  'drain plug and washer': say`the engine would run dry`,
  cap: say`coolant boils off without it`,
  'plug of the fan': say`the fan would stand`,
  'nut that holds more': say`what else it holds would come loose`,
}

/** Entries whose thing is not back yet. */
export const openEntries = (job: Job): TakenOff[] => job.ledger.filter((e) => e.backAt === null)

/** Entries that hold the engine: "lower hose, left: the engine would run dry". */
export const holdingEntries = (job: Job): string[] =>
  openEntries(job).flatMap((e) => (holding[e.kind] ? [`${e.what}: ${holding[e.kind]}`] : []))

/** Small parts of open entries, with where they lie. */
export const smallPartsOut = (job: Job): string[] =>
  openEntries(job).flatMap((e) => (e.smallParts.trim() ? [`${e.what}: ${e.smallParts.trim()}`] : []))
