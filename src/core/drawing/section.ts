import { type Drawing } from './drawing-schema'
import { type Pen } from './drawing-schema'
import { type Shape } from './drawing-schema'
import { firstCircuit } from '../fan-circuit'
import { type Job, lookupOf, panelOf } from '../job'
import { coreFace, depthStack, neighbours, obstacleBox, onFansSide } from '../placing'
import { Bench } from '../reading'
import { format } from '../units'
import { touchMark } from './front'
import { arrow, dimension, framed, path, rect, text } from './shapes'
import { say, spokenWord } from '../words'

const MM = 1000
/** Where the air comes from, beside the drawing. */
const drawnFrom: Readonly<Record<NonNullable<Job['place']['inletFrom']>, string>> = {
  surroundings: say`from outside`,
  'near an exhaust': say`from an exhaust`,
  'near a hot panel': say`from a hot panel`,
  'its own outlet': say`from its own outlet`,
}

const penOf: Readonly<Record<'fixed' | 'moves' | 'exhaust', Pen>> = {
  fixed: 'fixed',
  moves: 'moves',
  exhaust: 'exhaust',
}

/**
 * Section through the middle of the fan, to scale: core or panel, what holds the fan, the fan, and what stands behind
 * it in the position in which it comes closest. Depth runs to the right.
 * @see engineering §7
 */
export function sectionView(job: Job, { fan } = firstCircuit(job)): Drawing | null {
  if (!job.cooling && !job.bay) return null
  const bench = new Bench(lookupOf(job))
  const stack = depthStack(job, fan)
  const panel = job.bay ? panelOf(job)! : null
  const face = panel ? { w: panel.wideM.value, h: panel.highM.value } : coreFace(bench)
  const h = face.h * MM
  const thick = stack.coreM * MM
  const behind = job.place.side === 'puller' || job.bay !== null
  const y = fan?.seat ? fan.seat.yM * MM : h / 2
  const half = fan ? (fan.part.housingM.value * MM) / 2 : 0
  const off = stack.standOffM * MM
  const deep = (stack.fanM ?? 0) * MM
  const free = stack.freeM * MM
  const size = Math.max(h, thick + free) * 0.04
  const u = (mm: number): string => format(mm / MM, 'length', job.units, 3)
  const shapes: Shape[] = []
  shapes.push(rect('outline', -thick, 0, thick, h))
  if (!panel)
    for (let n = 1; n < 30; n++)
      shapes.push(
        path('faint', [
          [-thick, (h * n) / 30],
          [0, (h * n) / 30],
        ]),
      )
  const core = job.newCore ? say`new core` : say`core`
  shapes.push(
    text(-thick / 2, -size * 0.6, panel ? panel.name : core, size, {
      anchor: 'middle',
    }),
  )
  if (fan) {
    const pad = Math.max(3, half * 0.12)
    if (off > 0) shapes.push(rect('pad', 0, y - half, off, pad), rect('pad', 0, y + half - pad, off, pad))
    shapes.push(
      rect('fan', off, y - half, deep, 2 * half, fan.id),
      rect('hub', off + deep * 0.4, y - half * 0.3, deep * 0.6, half * 0.6, fan.id),
    )
    shapes.push(text(off + deep / 2, y - half - size * 0.5, fan.part.name, size, { anchor: 'middle' }))
  }
  for (const o of job.cooling && fan?.seat
    ? job.place.obstacles.filter((n) => n.core === fan.seat!.core && onFansSide(job, n))
    : []) {
    const box = obstacleBox(job, o).at(bench)
    const from = box.from * MM
    // only what the cut through the fan meets stands in full; what lies beside it is drawn faintly
    const beside =
      fan!.seat!.xM - fan!.part.housingM.value / 2 >= box.x + box.w ||
      fan!.seat!.xM + fan!.part.housingM.value / 2 <= box.x
    const shown = Math.max(size * 2, Math.min(40, free * 0.5))
    shapes.push(rect(beside ? 'swept' : penOf[o.kind], from, box.y * MM, shown, box.h * MM, `near ${o.id}`))
    if (o.kind === 'moves' && o.travelM.value > 0)
      shapes.push(rect('swept', from + o.travelM.value * MM, box.y * MM, shown, box.h * MM))
    if (!beside)
      shapes.push(
        text(from + shown / 2, (box.y + box.h) * MM + size * 1.1, o.name, size, { anchor: 'middle', tone: 'soft' }),
      )
    const rows = Math.min(y + half, (box.y + box.h) * MM) - Math.max(y - half, box.y * MM)
    if (!beside && rows > 0 && from < off + deep + neighbours[o.kind].requiredMm)
      shapes.push(...touchMark((from + off + deep) / 2, Math.max(y - half, box.y * MM) + rows / 2, size * 0.6))
  }
  shapes.push(
    path(penOf[job.place.neighbour], [
      [free, -size],
      [free, h + size],
    ]),
    text(free + size * 0.6, size * 0.6, neighbours[job.place.neighbour].name, size, { tone: 'soft' }),
  )
  // under everything that stands there
  const lowest = shapes.flatMap((s) => (s.kind === 'rect' ? [s.y + s.h] : []))
  const low = Math.max(h, ...lowest) + size * 2.2
  if (!panel) shapes.push(...dimension([-thick, low], [0, low], u(thick), size))
  if (fan) {
    // beneath the core's own where the figures of the two would stand over each other
    const both = ((u(thick).length + u(deep).length) / 2 + 1) * size * 0.62
    const under = !panel && both > off + (deep + thick) / 2 ? low + size * 2.1 : low
    shapes.push(...dimension([off, under], [off + deep, under], u(deep), size))
    const left = stack.leftM * MM
    const tone = stack.leftM < stack.requiredM - 1e-9 ? ('short' as const) : ('holds' as const)
    shapes.push(
      ...dimension([off + deep, y], [free, y], '', size, tone),
      text(Math.max(free, off + deep) + size * 0.8, y - size * 0.2, say`${u(left)} left`, size * 1.1, {
        tone,
        figure: true,
      }),
      text(Math.max(free, off + deep) + size * 0.8, y + size * 1.1, say`${u(stack.requiredM * MM)} needed`, size, {
        tone: 'soft',
      }),
    )
    if (tone === 'short') shapes.push(...touchMark((off + deep + free) / 2, y, size * 0.6))
  }
  // which way the air goes: with the fan as it is wired
  const rearward = behind && panel ? job.place.side === 'puller' : true
  const forwards = (fan?.wiresSwapped ?? false) ? !rearward : rearward
  const [a, b] = [-thick - size * 5, -thick - size * 1.2]
  for (const n of [-0.5, 0, 0.5])
    shapes.push(...arrow('air-cold', [forwards ? a : b, y + n * half], [forwards ? b : a, y + n * half], size * 0.7))
  if (fan)
    for (const n of [-0.8, 0.8])
      shapes.push(
        ...(forwards
          ? arrow(
              'air-hot',
              [off + deep + size * 0.3, y + n * half],
              [off + deep + size * 2.6, y + n * half],
              size * 0.7,
            )
          : arrow(
              'air-hot',
              [off + deep + size * 2.6, y + n * half],
              [off + deep + size * 0.3, y + n * half],
              size * 0.7,
            )),
      )
  // where the air comes from and what it lands on, as far as somebody has said
  const { inletFrom, blowsOn } = job.place
  const said = (x: number, words: string, anchor: 'start' | 'end', bad: boolean): Shape =>
    text(x, y + half + size * 1.6, words, size, { anchor, tone: bad ? 'short' : 'soft' })
  const from = inletFrom && said(-thick - size * 1.2, drawnFrom[inletFrom], 'end', inletFrom !== 'surroundings')
  const onto =
    fan && blowsOn
      ? said(Math.max(free, off + deep) + size * 0.8, say`onto ${spokenWord(blowsOn)}`, 'start', blowsOn !== 'open air')
      : null
  shapes.push(...[from, onto].filter((s) => s !== null))
  const title = job.bay ? say`Section through the panel` : say`Section through the fan`
  // seen from the other side a fan in front is the same section turned round
  return framed(
    job.cooling && job.place.side === 'pusher' ? say`Section through the fan, front to the right` : title,
    fan ? say`${u(stack.leftM * MM)} left beyond the fan, ${u(stack.requiredM * MM)} needed.` : say`No fan chosen yet.`,
    shapes,
    size,
  )
}
