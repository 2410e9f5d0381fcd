'use client'

import { placeViews } from '@/core/drawing'
import type { Job } from '@/core/job'
import { DrawingView } from '@/ui/DrawingView'

/** The core with its fan, probe and what is near, to scale: where a step is done. */
export default function StepDrawing({ job }: { readonly job: Job }) {
  return (
    <div className="step-drawing">
      {placeViews(job).map((d) => (
        <DrawingView key={d.title} drawing={d} maxHeight={260} />
      ))}
    </div>
  )
}
