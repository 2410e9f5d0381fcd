import { writeJobFile } from '@/formats'
import { withDigest } from '@/formats/signed-file'
import { ofJob } from '../../../of-job'

/** The newest revision as a job file. */
export const GET = ofJob(async ({ job }) => {
  const name =
    job.title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'job'
  return new Response(writeJobFile(withDigest(job)), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.job.json"`,
    },
  })
})
