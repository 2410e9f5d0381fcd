import { fromVersion1 } from './from-version-1'
import { fromVersion10 } from './from-version-10'
import { fromVersion11 } from './from-version-11'
import { fromVersion12 } from './from-version-12'
import { fromVersion13 } from './from-version-13'
import { fromVersion2 } from './from-version-2'
import { fromVersion3 } from './from-version-3'
import { fromVersion4 } from './from-version-4'
import { fromVersion5 } from './from-version-5'
import { fromVersion6 } from './from-version-6'
import { fromVersion7 } from './from-version-7'
import { fromVersion8 } from './from-version-8'
import { fromVersion9 } from './from-version-9'
import { isRaw, type Raw } from './raw'

export { migratePart } from './part'

/** Each makes a document of the next version of one of its own. A step that has shipped is never changed. */
const steps: Readonly<Record<number, (job: Raw) => Raw>> = {
  1: fromVersion1,
  2: fromVersion2,
  3: fromVersion3,
  4: fromVersion4,
  5: fromVersion5,
  6: fromVersion6,
  7: fromVersion7,
  8: fromVersion8,
  9: fromVersion9,
  10: fromVersion10,
  11: fromVersion11,
  12: fromVersion12,
  13: fromVersion13,
}

/** A job of an older version as the present one; anything else comes back unchanged for the schema to judge. */
export function migrateJob(value: unknown): unknown {
  let job = value
  while (isRaw(job) && typeof job.version === 'number' && steps[job.version]) job = steps[job.version]!(job)
  return job
}
