'use client'

import type { Shape } from '@/core/drawing'

const PIXELS_PER_MM = 1.9

export function One({ shape }: { readonly shape: Shape }) {
  if (shape.kind === 'text')
    return (
      <text
        className={`${shape.figure ? 'figure-text ' : ''}tone-${shape.tone}`}
        x={shape.x}
        y={shape.y}
        fontSize={shape.size}
        textAnchor={shape.anchor}
      >
        {shape.text}
      </text>
    )
  const className = `pen-${shape.pen}`
  if (shape.kind === 'rect')
    return (
      <rect className={className} x={shape.x} y={shape.y} width={Math.max(0, shape.w)} height={Math.max(0, shape.h)} />
    )
  if (shape.kind === 'circle') return <circle className={className} cx={shape.x} cy={shape.y} r={shape.r} />
  // thickness told by the drawing itself stands in pixels, whatever the zoom
  return (
    <path
      className={className}
      {...(shape.weight === undefined ? {} : { style: { strokeWidth: shape.weight * PIXELS_PER_MM } })}
      d={`M${shape.points.map(([x, y]) => `${x} ${y}`).join('L')}${shape.closed ? 'Z' : ''}`}
    />
  )
}

/** What flows is drawn anew where it flows otherwise: it moves for a few seconds then. */
export const keyOf = (s: Shape, place: number): string =>
  s.kind === 'path' && s.pen === 'flow' ? `${place} ${s.weight} ${s.points.join(' ')}` : String(place)

/**
 * Shapes that follow each other and stand for the same movable thing are one group; what is written beside it is not a
 * part of it.
 */
export function grouped(
  shapes: readonly Shape[],
  named: Readonly<Record<string, unknown>>,
): { readonly handle: string | null; readonly shapes: Shape[] }[] {
  const groups: { handle: string | null; shapes: Shape[] }[] = []
  for (const s of shapes) {
    const handle = s.kind !== 'text' && s.of && named[s.of] ? s.of : null
    const last = groups.at(-1)
    if (last && last.handle === handle) last.shapes.push(s)
    else groups.push({ handle, shapes: [s] })
  }
  return groups
}
