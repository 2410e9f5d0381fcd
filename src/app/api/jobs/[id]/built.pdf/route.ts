import { asBuiltSheet } from '@/core/sheets'
import { circuitPlan } from '@/layout/circuit-plan'
import { readPhotos } from '@/store'
import { ofJob } from '../../../of-job'
import { pdfAnswer } from '../../../pdf'

/** How it was built, with pictures, as PDF; `?paper=a4|letter`. */
export const GET = ofJob(async ({ id, job }, store, request) => {
  return pdfAnswer(request, asBuiltSheet(job, await circuitPlan(job)), await readPhotos(store, id, job))
})
