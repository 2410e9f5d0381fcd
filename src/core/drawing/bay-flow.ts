import { type Drawing } from './drawing-schema'
import { type Shape } from './drawing-schema'
import type { BayWay } from '../advice'
import type { Job } from '../job'
import { format } from '../units'
import { arrow, circle, framed, path, rect, text } from './shapes'
import { say, spokenWord } from '../words'

const W = 190
const H = 128
const SIZE = 14

/** How many arrows a flow is drawn with, against the strongest of the table. */
const lanes = (flow: number, most: number): number =>
  Math.max(1, Math.min(4, Math.round((4 * Math.abs(flow)) / Math.max(most, 1e-9))))

/**
 * Where the air goes in one way of cooling a bay: in at the vents or the fan, through, out, what leaks at the gaps, and
 * how hot each is. A picture, not to scale.
 * @param most the strongest flow of all ways that stand beside it, m³/s
 */
export function bayFlowPicture(job: Job, way: BayWay, most: number): Drawing {
  const u = job.units
  const t = (c: number): string => format(c, 'temperature', u, 2)
  const outside = job.surroundings.hottestC.value
  const flow = format(Math.abs(way.flow), 'flow', u, 2)
  const fanSide = way.side !== null
  const pulls = way.blows === 'puller'
  const tooHot = way.bayC > (job.bay?.allowedC.value ?? 0)
  const n = lanes(way.flow, most)
  const rows = (y: number): number[] => Array.from({ length: n }, (_, i) => y + (i - (n - 1) / 2) * 8)
  const [low, high] = [98, 34]
  const shapes: Shape[] = [
    path(
      'outline',
      [
        [0, 0],
        [W, 0],
        [W, H],
        [0, H],
      ],
      { closed: true },
    ),
    rect('fixed', 76, 62, 52, 44),
  ]
  if (job.bay?.flywheel) shapes.push(circle('thin', 70, 84, 12), ...arrow('air-hot', [74, 84], [95, 84], 5))
  shapes.push(
    text(W / 2, 36, t(way.bayC), 19, { anchor: 'middle', figure: true, tone: tooHot ? 'short' : 'holds' }),
    ...(tooHot ? [text(W / 2, 52, say`too hot`, SIZE, { anchor: 'middle' as const, tone: 'short' as const })] : []),
  )
  for (const y of rows(low)) shapes.push(...arrow('air-cold', [-46, y], [16, y], 7))
  for (const y of rows(high)) shapes.push(...arrow('air-hot', [W - 16, y], [W + 46, y], 7))
  shapes.push(
    text(-8, low - 24, t(outside), SIZE, { tone: 'cold', anchor: 'end', figure: true }),
    text(W + 8, high + 32, t(way.bayC), SIZE, { figure: true }),
  )
  if (fanSide) {
    const [x, y] = pulls ? [W, high] : [0, low]
    shapes.push(rect('fan', x - 6, y - 26, 12, 52), circle('hub', x, y, 5))
  }
  // gaps: cool air drawn in, or hot air driven out
  for (const x of [44, 146]) {
    if (pulls) shapes.push(...arrow('air-cold', [x, -20], [x, 10], 6))
    else if (fanSide) shapes.push(...arrow('air-hot', [x, 10], [x, -20], 6))
  }
  if (fanSide)
    shapes.push(
      text(W / 2, -8, pulls ? say`cool in` : say`hot out`, SIZE, { anchor: 'middle', tone: pulls ? 'cold' : 'short' }),
    )
  shapes.push(text(W / 2, H + 18, flow, SIZE, { anchor: 'middle', figure: true }))
  const name = way.panel ? `${way.panel.name}, ${pulls ? say`drawing out` : say`pushing in`}` : say`no fan`
  return framed(
    name,
    say`${name}: ${flow} of outside air, bay ${t(way.bayC)}, intake ${t(way.intakeC)}; ${spokenWord(way.operator)}.`,
    shapes,
    4,
  )
}
