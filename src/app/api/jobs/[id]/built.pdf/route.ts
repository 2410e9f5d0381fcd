import { asBuiltSheet } from '@/core/sheets'
import { circuitPlan } from '@/layout/circuit-plan'
import { readPhoto } from '@/store'
import { ofJob } from '../../../of-job'
import { pdfAnswer } from '../../../pdf'

/** How it was built, with pictures, as PDF; `?paper=a4|letter`. */
export const GET = ofJob(async ({ id, job }, store, request) => {
  const pictures = new Map<string, Uint8Array>()
  for (const p of job.photos) {
    const bytes = await readPhoto(store, id, p.id)
    if (bytes) pictures.set(p.id, bytes)
  }
  return pdfAnswer(request, asBuiltSheet(job, await circuitPlan(job)), pictures)
})
