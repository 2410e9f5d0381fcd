import { drawingsSvg } from '@/formats/svg/drawing-svg'
import { circuitPlan } from '@/layout/circuit-plan'
import { ofJob } from '../../../of-job'

/** The circuit, running hot, as SVG. */
export const GET = ofJob(
  async ({ job }) =>
    new Response(drawingsSvg(job.title, [await circuitPlan(job)]), {
      headers: { 'content-type': 'image/svg+xml; charset=utf-8' },
    }),
)
