import { writeJobAndPictures, writeJobFile } from '@/formats'
import { withDigest } from '@/formats/signed-file'
import { readPhotos } from '@/store'
import { ofJob } from '../../../of-job'

/** The newest revision as a job file; with `?pictures=yes` its pictures are in it, where it has any. */
export const GET = ofJob(async ({ id, job }, store, request) => {
  const name =
    job.title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'job'
  const wanted = new URL(request.url).searchParams.get('pictures') === 'yes'
  const pictures = wanted ? await readPhotos(store, id, job) : new Map<string, Uint8Array>()
  const file = pictures.size ? writeJobAndPictures(withDigest(job), pictures) : writeJobFile(withDigest(job))
  return new Response(file, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.job.json"`,
    },
  })
})
