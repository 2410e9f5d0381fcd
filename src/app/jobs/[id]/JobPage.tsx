'use client'

import type { Part } from '@/core/parts'
import { JobScreen } from '@/stations/job-screen/JobScreen'
import type { Judged } from '@/stations/job-screen/judge'
import type { Opened } from '@/stations/job-screen/use-job-document'
import type * as ServerCalls from './server-calls'
import { unreached, unsigned } from './unreached'

/** The calls come behind the page: they read what the server answers, and bring the schemas for that. */
const calls = (): Promise<typeof ServerCalls> => import('./server-calls')

const saveJob: typeof ServerCalls.saveJob = (...what) =>
  calls().then(
    (c) => c.saveJob(...what),
    () => ({ kind: 'later', message: unreached }),
  )
const loadRevision: typeof ServerCalls.loadRevision = (...what) =>
  calls().then(
    (c) => c.loadRevision(...what),
    () => null,
  )
const signJob: typeof ServerCalls.signJob = (...what) =>
  calls().then(
    (c) => c.signJob(...what),
    () => ({ ok: false, message: unsigned }),
  )
const keepRun: typeof ServerCalls.keepRun = (...what) =>
  calls().then(
    (c) => c.keepRun(...what),
    () => undefined,
  )

/** The job screen with its calls to the server. */
export function JobPage({
  opened,
  first,
  shelf,
  fixedNow,
}: {
  readonly opened: Opened
  readonly first: Judged
  readonly shelf: readonly Part[]
  readonly fixedNow: string | null
}) {
  return (
    <JobScreen
      opened={opened}
      first={first}
      shelf={shelf}
      fixedNow={fixedNow}
      saveJob={saveJob}
      signJob={signJob}
      loadRevision={loadRevision}
      keepRun={keepRun}
    />
  )
}
