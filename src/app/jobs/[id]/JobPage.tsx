'use client'

import type { Part } from '@/core/parts'
import { JobScreen } from '@/stations/job-screen/JobScreen'
import type { Opened } from '@/stations/job-screen/use-job-document'
import { keepRun, loadRevision, saveJob, signJob } from './server-calls'

/** The job screen with its calls to the server. */
export function JobPage({
  opened,
  shelf,
  fixedNow,
}: {
  readonly opened: Opened
  readonly shelf: readonly Part[]
  readonly fixedNow: string | null
}) {
  return (
    <JobScreen
      opened={opened}
      shelf={shelf}
      fixedNow={fixedNow}
      saveJob={saveJob}
      signJob={signJob}
      loadRevision={loadRevision}
      keepRun={keepRun}
    />
  )
}
