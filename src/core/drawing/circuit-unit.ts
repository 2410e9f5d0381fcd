import type { Element } from '../circuit'
import { controllerInputs } from '../parts'
import { type GraphNode, UNIT, unitName } from './circuit-graph'
import {
  ampsOf,
  figure,
  inMarked,
  isBroken,
  isClosed,
  labelled,
  type Layers,
  line,
  type Plate,
  type XY,
} from './circuit-plate'
import type { Shape } from './drawing-schema'
import { circle, path, rect, text } from './shapes'
import { say, spokenWord } from '../words'

/** The contact or transistor that a controller decides over, in its own row of the box. */
function inUnit(p: Plate, e: Element, [left, right]: readonly [number, number], y: number): Shape[] {
  const closed = isClosed(p, e)
  const mid = (left + right) / 2
  const shapes: Shape[] =
    e.kind === 'chopper'
      ? [
          line('part', e.name, [left, y], [mid - 7, y]),
          line('part', e.name, [mid + 7, y], [right, y]),
          path(
            'part',
            [-6, -6, -2, -2, 2, 2, 6, 6].map((dx, i): XY => [mid + dx, y + ([1, 2, 5, 6].includes(i) ? -3.5 : 3)]),
            { of: e.name },
          ),
        ]
      : [
          line('part', e.name, [left, y], [mid - 7, y]),
          line('part', e.name, [mid + 7, y], [right, y]),
          circle('part', mid - 7, y, 0.9, e.name),
          circle('part', mid + 7, y, 0.9, e.name),
          line('part-heavy', e.name, [mid - 6.2, y], closed ? [mid + 6.2, y] : [mid + 5, y - 4.5]),
        ]
  return inMarked(shapes, p.marks.includes(e.name))
}

/** A controller as one box: its contact, its own draw, its inputs and its probe. */
export function drawUnit(p: Plate, node: GraphNode, at: { readonly x: number; readonly y: number }, to: Layers): void {
  const elements = p.net.elements.filter((e) => 'controller' in e && node.id === unitName(e.controller))
  const decided = elements[0]
  const label = p.net.controls.find((c) => decided && 'controller' in decided && c.id === decided.controller)?.label
  const high = node.h - UNIT.foot
  to.shapes.push(rect('outline', at.x, at.y, node.w, high))
  const own = elements.find((e) => e.kind === 'load')
  if (own) to.shapes.push(rect('hit', at.x, at.y, node.w, UNIT.top, own.name))
  const supply = node.rows?.find((r) => r.west !== null)?.west ?? null
  node.rows?.forEach((row, i) => {
    const y = at.y + UNIT.top + UNIT.row * (i + 0.5)
    if (row.element === null) return
    const e = p.byName.get(row.element)
    to.shapes.push(rect('hit', at.x, y - UNIT.row / 2, node.w, UNIT.row, row.element))
    if (!e) {
      to.shapes.push(isBroken(row.element, [at.x + node.w / 2, y + 1.4]))
      return
    }
    // an output that shares the supply's terminal begins at it
    const from = row.west === null && supply !== null ? at.x + 4 : at.x
    to.shapes.push(...inUnit(p, e, [from, at.x + node.w], y))
    if (p.shown?.figures)
      to.figures.push(
        text(at.x + node.w / 2, y - 6, `${figure(Math.abs(ampsOf(p, e.name)))} A`, p.lettering.figure, {
          anchor: 'middle',
          figure: true,
          of: e.name,
        }),
      )
  })
  const probe = at.x + node.w - 7
  to.shapes.push(
    line('part-thin', node.id, [probe, at.y + high], [probe, at.y + high + 4]),
    circle('probe', probe, at.y + high + 6, 2, node.id),
    ...labelled(label ?? '', own?.name ?? null, [at.x + node.w / 2 - 5, at.y + high + 0.5], {
      ...p.lettering,
      lines: 2,
    }),
    ...elements.flatMap((e) => (e.kind === 'load' ? inputWords(p, node, e, at) : [])),
  )
}

/** What a terminal of a controller is, beside it where no contact begins. */
function inputWords(p: Plate, node: GraphNode, e: Element, at: { readonly x: number; readonly y: number }): Shape[] {
  const i = node.rows?.findIndex((r) => r.west === e.a && r.element === null) ?? -1
  if (i < 0) return []
  const input = controllerInputs.find((of) => e.label.endsWith(say`input for the ${spokenWord(of)}`))
  const words = input ? spokenWord(input) : say`supply`
  return [text(at.x + 2, at.y + UNIT.top + UNIT.row * (i + 0.5) + 1.2, words, p.lettering.figure, { of: e.name })]
}
