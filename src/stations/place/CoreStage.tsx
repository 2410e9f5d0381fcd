'use client'

import { mountOf } from '@/core/job'
import { useRef, useState } from 'react'
import Form from 'react-bootstrap/Form'
import { frontView, sectionView } from '@/core/drawing'
import { type Job, moveFan, moveProbe, type Seat } from '@/core/job'
import { moved, snapped } from '@/core/placing'
import { drawingsSvg } from '@/formats/svg/drawing-svg'
import { DrawingView, type Moved } from '@/ui/DrawingView'
import { keyStepsIn } from '@/ui/key-steps'
import type { StationProps } from '../station'
import { say } from '@/core/words'

const MM = 1e-3

/** Saves what is drawn as a file whose millimetres are true. */
function saveDrawing(job: Job): void {
  const drawings = [frontView(job), sectionView(job)].filter((d) => d !== null)
  const url = URL.createObjectURL(new Blob([drawingsSvg(job.title, drawings)], { type: 'image/svg+xml' }))
  const link = document.createElement('a')
  link.href = url
  link.download = `${
    job.title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'place'
  }.svg`
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}

/** The core from behind and in section, to scale, with the fan and the probe to drag. */
export function ToScale({ job, settle, preview }: Pick<StationProps, 'job' | 'settle' | 'preview'>) {
  const [snaps, setSnaps] = useState(true)
  const start = useRef<Seat | null>(null)
  const front = frontView(job)
  const section = sectionView(job)
  if (!front || !section) return null
  const move: Moved = (handle, dx, dy, { first, last, free }) => {
    const fan = job.fans.find((f) => f.id === handle)
    const probe = job.probes.find((p) => p.id === handle)
    const from = (first ? (fan ?? probe)?.seat : start.current) ?? null
    if (!from) return
    start.current = from
    const change = (j: Job): Job => {
      const to = moved(j, from, dx * MM, dy * MM)
      return fan ? moveFan(j, handle, snaps && !free ? snapped(j, fan.part, to) : to) : moveProbe(j, handle, to)
    }
    if (last) {
      start.current = null
      settle(change)
    } else preview(change)
  }
  const keySteps = keyStepsIn[job.units]
  const movable = {
    ...Object.fromEntries(job.fans.filter((f) => f.seat).map((f) => [f.id, { name: f.part.name }])),
    ...Object.fromEntries(job.probes.filter((p) => p.seat).map((p) => [p.id, { name: say`probe` }])),
  }
  return (
    <>
      <div className="two-drawings">
        <DrawingView drawing={front} movable={job.cooling ? movable : {}} onMove={move} keySteps={keySteps} />
        <DrawingView drawing={section} />
      </div>
      <div className="d-flex flex-wrap gap-3 align-items-center small mb-2 no-print">
        {job.cooling && (
          <Form.Check
            type="switch"
            id="snaps"
            label={mountOf(job).throughFins ? say`snaps to the gaps between tubes` : say`snaps to edges and middle`}
            checked={snaps}
            onChange={(e) => setSnaps(e.target.checked)}
          />
        )}
        <button type="button" className="word-button" onClick={() => saveDrawing(job)}>
          {say`Save the drawing (SVG, true millimetres)`}
        </button>
        {job.cooling && (
          <span className="soft">{say`Drag the fan, or arrow keys: ${keySteps.words}. Alt lets go of snapping.`}</span>
        )}
      </div>
    </>
  )
}
