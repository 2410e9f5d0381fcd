import type { Kysely } from 'kysely'
import type { Tables } from './tables'
import { doubtStore } from './doubt'
import { asTrouble, isBusy, StoreTrouble } from './trouble'

export interface Store {
  readonly file: string
  readonly db: Kysely<Tables>
  /** at once, with what its log holds brought into the file */
  readonly close: () => void
}

/** how long one call may block the whole server before it waits aside instead */
export const BUSY_MS = 100
const TRIES = 25
const PAUSE_MS = 120

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/**
 * Runs work on the store. A file that is held by somebody else is tried again for about three seconds without
 * stopping other requests; what still fails comes back as a StoreTrouble.
 */
export async function patiently<T>(file: string, work: () => Promise<T>): Promise<T> {
  for (let n = 1; ; n++) {
    try {
      return await work()
    } catch (error) {
      if (!isBusy(error) || n === TRIES) {
        const trouble = asTrouble(error, file)
        if (trouble instanceof StoreTrouble && trouble.kind === 'read-only') doubtStore()
        throw trouble
      }
      await pause(PAUSE_MS)
    }
  }
}
