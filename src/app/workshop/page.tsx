import { CORE_VERSION } from '@/core/margins'
import { JOB_VERSION } from '@/core/job'
import { statSync } from 'node:fs'
import { backupFolder, countJobs, listBackups, readWorkshop, theStore } from '@/store'
import { WorkshopScreen } from '@/screens/workshop/WorkshopScreen'
import { orTrouble } from '../trouble'

export const dynamic = 'force-dynamic'

export default async function WorkshopPage() {
  return orTrouble(async () => {
    const store = await theStore()
    return (
      <WorkshopScreen
        workshop={await readWorkshop(store)}
        copies={listBackups(backupFolder()).map(({ name, at, bytes }) => ({ name, at, bytes }))}
        copying={backupFolder() !== null}
        health={{
          file: store.file,
          bytes: statSync(store.file, { throwIfNoEntry: false })?.size ?? 0,
          jobs: await countJobs(store),
          coreVersion: CORE_VERSION,
          jobVersion: JOB_VERSION,
        }}
      />
    )
  })
}
