import type { Kysely } from 'kysely'
import { dayPlans } from './day-plans'
import { firstTables } from './first-tables'
import { keptRuns } from './kept-runs'
import { photos } from './photos'
import { years } from './years'
import { yardLines } from './yard-lines'

/** Every migration in order; the file's `user_version` counts how many it has had. They only go forward. */
export const migrations: readonly ((db: Kysely<unknown>) => Promise<void>)[] = [
  firstTables,
  yardLines,
  keptRuns,
  photos,
  dayPlans,
  years,
]
