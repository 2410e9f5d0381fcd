import { placeViews } from '@/core/drawing'
import { drawingsSvg } from '@/formats/svg/drawing-svg'
import { ofJob } from '../../../of-job'
import { say } from '@/core/words'

/** The place to scale, front and section, as SVG with true millimetres. */
export const GET = ofJob(async ({ job }) => {
  const drawings = placeViews(job)
  return drawings.length
    ? new Response(drawingsSvg(job.title, drawings), { headers: { 'content-type': 'image/svg+xml; charset=utf-8' } })
    : Response.json({ message: say`This job has nothing to draw.` }, { status: 404 })
})
