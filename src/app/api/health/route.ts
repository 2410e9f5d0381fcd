import { CORE_VERSION } from '@/core/margins'
import { JOB_VERSION } from '@/core/job'
import { backupFolder, countJobs, listBackups, theStore } from '@/store'
import { languageSpoken } from '@/core/words'
import { canStartAgain } from '../../again'
import { answering } from '../answers'

/**
 * Whether the yard answers: `{ ok, jobs, newestBackup, coreVersion, jobVersion, language,
 * startsAgain, upS }`, or `{ ok: false, message }`.
 */
export async function GET(request: Request): Promise<Response> {
  return answering(
    request,
    async () =>
      Response.json({
        ok: true,
        jobs: await countJobs(await theStore()),
        newestBackup: listBackups(backupFolder())[0]?.at ?? null,
        coreVersion: CORE_VERSION,
        jobVersion: JOB_VERSION,
        language: languageSpoken()?.tag ?? 'en',
        startsAgain: canStartAgain(),
        upS: Math.round(process.uptime()),
      }),
    (message) => ({ ok: false, message }),
  )
}
