import { mountOf } from '../job'
import { type Drawing } from './drawing-schema'
import { type Pen } from './drawing-schema'
import { type Shape } from './drawing-schema'
import { HUB_SHARE } from '../air'
import { type ChosenFan, firstCircuit } from '../fan-circuit'
import { apart, holesOf } from '../fit'
import { coreName, type Fan, type Job, type LeadName, lookupOf, type Obstacle, type Panel, panelOf } from '../job'
import { coreFace, fanBox, leadReaches, neighbours, obstacleBox, onFansSide } from '../placing'
import { Bench } from '../reading'
import { format } from '../units'
import { circle, dimension, framed, path, rect, text } from './shapes'
import { say } from '../words'

const MM = 1000
const penOf: Readonly<Record<Obstacle['kind'], Pen>> = { fixed: 'fixed', moves: 'moves', exhaust: 'exhaust' }
const BLADES = 7

/** A fan from its face: frame, swept circle, hub, blades, fixing holes. */
function fanFace(part: Fan['part'], x: number, y: number, of: string): Shape[] {
  const half = (part.housingM.value * MM) / 2
  const r = (part.diameterM.value * MM) / 2
  const blade = (n: number): Shape => {
    const start = (2 * Math.PI * n) / BLADES
    return path(
      'thin',
      Array.from({ length: 6 }, (_, i): [number, number] => {
        const at = r * (HUB_SHARE + ((1 - HUB_SHARE) * i) / 5)
        const a = start + 0.55 * (i / 5) ** 1.3
        return [x + at * Math.cos(a), y + at * Math.sin(a)]
      }),
      { of },
    )
  }
  return [
    rect('fan', x - half, y - half, 2 * half, 2 * half, of),
    circle('fan', x, y, r, of),
    ...Array.from({ length: BLADES }, (_, n) => blade(n)),
    circle('hub', x, y, r * HUB_SHARE, of),
    ...holesOf(part.fixings, part.boltCircleM.value * MM).map((h) =>
      circle('thin', x + h.x, y + h.y, Math.max(1.5, half * 0.035), of),
    ),
  ]
}

/** The point of a rectangle nearest to a point. */
const nearest = (r: { x: number; y: number; w: number; h: number }, x: number, y: number): [number, number] => [
  Math.min(r.x + r.w, Math.max(r.x, x)),
  Math.min(r.y + r.h, Math.max(r.y, y)),
]

/** Where two things come too near: a cross, so that it is not told by colour alone. */
export const touchMark = (x: number, y: number, size: number): Shape[] => [
  path('touch', [
    [x - size, y - size],
    [x + size, y + size],
  ]),
  path('touch', [
    [x - size, y + size],
    [x + size, y - size],
  ]),
  circle('touch', x, y, size * 1.5),
]

/** One thing near the core, with its name and how far the fan is from it. */
function obstacleShapes(job: Job, bench: Bench, o: Obstacle, size: number, onSide: boolean): Shape[] {
  const box = obstacleBox(job, o).at(bench)
  const [x, y, w, h] = [box.x * MM, box.y * MM, box.w * MM, box.h * MM]
  const shapes: Shape[] = [rect(onSide ? penOf[o.kind] : 'swept', x, y, w, h, `near ${o.id}`)]
  // names stand clear of the core: beside it they run away from it
  const leftOrOver = box.x + box.w <= 0 ? ('end' as const) : ('middle' as const)
  const beside = box.x >= coreFace(bench).w ? ('start' as const) : leftOrOver
  const at = { start: x, middle: x + w / 2, end: x + w }[beside]
  const fan = onSide ? job.fans.find((f) => f.seat?.core === o.core) : undefined
  const { housingM, depthM } = fan?.part ?? {}
  const gapM =
    fan && housingM && depthM
      ? apart(fanBox(fan.seat!, housingM.value, depthM.value, job.place.standOffM.value), box)
      : null
  const gap = gapM === null ? '' : `, ${format(gapM, 'length', job.units, 2)}`
  const words = onSide ? `${o.name}${gap}` : `${o.name} (${o.side === 'front' ? say`in front` : say`behind`})`
  shapes.push(
    text(at, y - size * 0.4, words, size, {
      anchor: beside,
      tone: onSide && o.kind === 'exhaust' ? 'short' : 'soft',
      of: `near ${o.id}`,
    }),
  )
  return shapes
}

/** Where a fan comes too near to a thing: a cross and what is left of what is needed. */
function touches(job: Job, bench: Bench, o: Obstacle, size: number): Shape[] {
  const box = obstacleBox(job, o).at(bench)
  const shapes: Shape[] = []
  for (const fan of job.fans) {
    if (!fan.seat || fan.seat.core !== o.core) continue
    const own = fanBox(fan.seat, fan.part.housingM.value, fan.part.depthM.value, job.place.standOffM.value)
    const gap = apart(own, box)
    if (gap >= neighbours[o.kind].requiredMm / MM - 1e-9) continue
    const [fx, fy] = nearest(own, box.x + box.w / 2, box.y + box.h / 2)
    const [ox, oy] = nearest(box, fx, fy)
    shapes.push(
      ...touchMark(((fx + ox) / 2) * MM, ((fy + oy) / 2) * MM, size * 0.7),
      text(
        ((fx + ox) / 2) * MM,
        ((fy + oy) / 2) * MM - size * 1.4,
        say`${format(gap, 'length', job.units, 2)} of
          ${format(neighbours[o.kind].requiredMm / MM, 'length', job.units, 2)}`,
        size,
        { anchor: 'middle', tone: 'short', figure: true },
      ),
    )
  }
  return shapes
}

/** What is left of a lead, in words: "lead +71 mm"; null where nothing supplies it. */
function leadLeft(
  job: Job,
  lead: LeadName,
  id: string | undefined,
): { readonly words: string; readonly short: boolean } | null {
  const found = leadReaches(job).find((r) => r.lead === lead && r.id === id)
  return found
    ? {
        words: say`lead ${found.overM >= 0 ? '+' : ''}${format(found.overM, 'length', job.units, 2)}`,
        short: found.overM < 0,
      }
    : null
}

/** The core that the fan sits on; the first where none does yet. */
export const drawnCore = (job: Job, { fan } = firstCircuit(job)): number => fan?.seat?.core ?? 0

/** One core from behind, to scale: tanks, tubes, fans, probes and what is near, with dimensions. */
function coreFront(job: Job, core: number): Drawing {
  const cooling = job.cooling!
  const bench = new Bench(lookupOf(job))
  const face = coreFace(bench)
  const [w, h] = [face.w * MM, face.h * MM]
  const [top, bottom] = [cooling.tankTopM.value * MM, cooling.tankBottomM.value * MM]
  const size = Math.max(w, h + top + bottom) * 0.034
  const tube = cooling.tubePitchM.value * MM
  const words = (mm: number): string => format(mm / MM, 'length', job.units, 3)
  const shapes: Shape[] = [rect('outline', -2, -top, w + 4, top), rect('outline', -2, h, w + 4, bottom)]
  // more tubes than can be told apart are drawn every second or third
  const each = Math.ceil(w / tube / 60)
  for (let t = each; t * tube < w; t += each)
    shapes.push(
      path('faint', [
        [t * tube, 0],
        [t * tube, h],
      ]),
    )
  shapes.push(rect('outline', 0, 0, w, h))
  for (const o of job.place.obstacles.filter((n) => n.core === core && n.dealt !== 'comes off'))
    shapes.push(...obstacleShapes(job, bench, o, size, onFansSide(job, o)))
  if (mountOf(job).shrouded) shapes.push(rect('fan', 1.5, 1.5, w - 3, h - 3))
  for (const fan of job.fans.filter((f) => f.seat?.core === core)) {
    const [x, y] = [fan.seat!.xM * MM, fan.seat!.yM * MM]
    const half = (fan.part.housingM.value * MM) / 2
    shapes.push(...fanFace(fan.part, x, y, fan.id))
    if (y - half > size * 1.2)
      shapes.push(...dimension([-size * 1.4, 0], [-size * 1.4, y - half], words(y - half), size, 'soft'))
    if (x - half > size * 1.2)
      shapes.push(
        ...dimension([0, h + bottom + size * 1.4], [x - half, h + bottom + size * 1.4], words(x - half), size, 'soft'),
      )
    if (Math.min(x - half, y - half, w - x - half, h - y - half) < -1e-9)
      shapes.push(
        ...touchMark(x, Math.min(y + half, h + bottom), size * 0.6),
        text(x, Math.min(y + half, h + bottom) - size * 1.4, say`over the edge`, size, {
          anchor: 'middle',
          tone: 'short',
        }),
      )
  }
  for (const o of job.place.obstacles.filter((n) => n.core === core && onFansSide(job, n)))
    shapes.push(...touches(job, bench, o, size))
  for (const probe of job.probes.filter((p) => p.seat?.core === core)) {
    const [x, y] = [probe.seat!.xM * MM, probe.seat!.yM * MM]
    const left = leadLeft(job, 'probe', probe.id)
    const right = x < w * 0.6
    const beside = right
      ? { x: x + size * 0.6, anchor: 'start' as const }
      : { x: x - size * 0.6, anchor: 'end' as const }
    shapes.push(
      rect('probe', x - size * 0.25, y - size, size * 0.5, size * 2, probe.id),
      text(beside.x, y - size * 0.3, say`probe`, size, { anchor: beside.anchor, tone: 'cold', of: probe.id }),
    )
    if (left)
      shapes.push(
        text(beside.x, y + size * 0.8, left.words, size, {
          anchor: beside.anchor,
          tone: left.short ? 'short' : 'cold',
          of: probe.id,
        }),
      )
  }
  shapes.push(
    ...dimension([-size * 5.4, 0], [-size * 5.4, h], words(h), size),
    ...dimension([0, h + bottom + size * 3], [w, h + bottom + size * 3], words(w), size),
  )
  const corner = job.place.leadsLeave
  const left = corner.endsWith('left')
  const [lx, ly] = [left ? 0 : w, corner.startsWith('top') ? 0 : h]
  const own = job.fans.filter((f) => f.seat?.core === core)
  const fanLeads = own.flatMap((f) => leadLeft(job, 'fan', f.id) ?? [])
  const away = corner.startsWith('top') ? -size : size
  shapes.push(
    path('probe', [
      [lx, ly],
      [lx + (left ? -size : size) * 1.2, ly + away * 1.2],
    ]),
    text(
      lx + (left ? -size : size) * 1.5,
      ly + away * 1.2 + size * 0.3,
      fanLeads.map((l) => l.words).join(', ') || say`leads`,
      size,
      {
        anchor: left ? 'end' : 'start',
        tone: fanLeads.some((l) => l.short) ? 'short' : 'cold',
      },
    ),
  )
  const name = coreName(job, core)
  const where = own
    .map(
      (fan) =>
        say`; ${fan.part.name}, its middle ${format(fan.seat!.xM, 'length', job.units, 3)} from the left and
          ${format(fan.seat!.yM, 'length', job.units, 3)} from the top`,
    )
    .join('')
  return framed(
    say`${name[0]!.toUpperCase()}${name.slice(1)} from behind${job.place.side === 'pusher' ? say`, fan in front` : ''}`,
    say`${name} from behind, ${words(w)} wide and ${words(h)} high${where}.`,
    shapes,
    size * 0.6,
  )
}

/** A panel of a bay with its fan. */
function panelFront(job: Job, panel: Panel, fan: ChosenFan | null): Drawing {
  const [w, h] = [panel.wideM.value * MM, panel.highM.value * MM]
  const size = Math.max(w, h) * 0.045
  const over = fan ? fan.part.housingM.value * MM > Math.min(w, h) + 1e-9 : false
  return framed(
    say`The ${panel.name}, from inside`,
    say`The ${panel.name}, ${format(panel.wideM.value, 'length', job.units)} wide and
      ${format(panel.highM.value, 'length', job.units)} high${fan ? say`, with ${fan.part.name}` : ''}.`,
    [
      rect('outline', 0, 0, w, h),
      ...(fan ? fanFace(fan.part, w / 2, h / 2, fan.id) : []),
      ...(over
        ? [
            ...touchMark(w / 2, h, size * 0.6),
            text(w / 2, h + size * 3.4, say`no room on this panel`, size, {
              anchor: 'middle' as const,
              tone: 'short' as const,
            }),
          ]
        : []),
      ...dimension([-size, 0], [-size, h], format(panel.highM.value, 'length', job.units, 3), size),
      ...dimension([0, h + size * 1.6], [w, h + size * 1.6], format(panel.wideM.value, 'length', job.units, 3), size),
    ],
    size,
  )
}

/** Front view of where a fan goes; null where the job mounts none. @see engineering §7 */
export function frontView(job: Job, circuit = firstCircuit(job)): Drawing | null {
  if (job.cooling) return coreFront(job, drawnCore(job, circuit))
  return job.bay ? panelFront(job, panelOf(job)!, circuit.fan) : null
}
