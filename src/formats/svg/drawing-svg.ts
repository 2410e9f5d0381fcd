import type { Drawing, Pen, Shape, Tone } from '../../core/drawing'
import { legible } from '../legible'

/** Black on white, as a printed plate: what a pen draws with. */
const pens: Readonly<
  Record<Pen, { readonly stroke: string; readonly width: number; readonly fill?: string; readonly dash?: string }>
> = {
  outline: { stroke: '#1c2422', width: 0.6 },
  thin: { stroke: '#1c2422', width: 0.3 },
  faint: { stroke: '#c9c3b4', width: 0.2 },
  fan: { stroke: '#1c2422', width: 0.5 },
  hub: { stroke: '#1c2422', width: 0.4, fill: '#e8e5dc' },
  pad: { stroke: '#1c2422', width: 0.3, fill: '#c9c3b4' },
  fixed: { stroke: '#5d655f', width: 0.5, fill: '#d9d6cd' },
  moves: { stroke: '#8a5f07', width: 0.6, dash: '3 1.5' },
  swept: { stroke: '#8d948e', width: 0.3, dash: '1.5 1.5' },
  exhaust: { stroke: '#a8371c', width: 0.6, fill: '#eed9d1' },
  touch: { stroke: '#a8371c', width: 0.8 },
  probe: { stroke: '#2f6f8f', width: 0.6, fill: '#cfe0e8' },
  part: { stroke: '#1c2422', width: 0.5 },
  'part-thin': { stroke: '#5d655f', width: 0.3 },
  'part-heavy': { stroke: '#1c2422', width: 1 },
  hit: { stroke: 'none', width: 0 },
  joint: { stroke: '#1c2422', width: 0.2, fill: '#1c2422' },
  'relay-link': { stroke: '#5d655f', width: 0.3, dash: '1 1.2' },
  flow: { stroke: '#fbf9f4', width: 0.5, dash: '1.5 3' },
  wire: { stroke: '#1c2422', width: 0.5 },
  'wire-live': { stroke: '#23634f', width: 0.5 },
  'wire-half': { stroke: '#8a5f07', width: 0.5 },
  'wire-ground': { stroke: '#5d655f', width: 0.5 },
  'wire-floating': { stroke: '#8d948e', width: 0.4, dash: '2 1.5' },
  dimension: { stroke: '#1c2422', width: 0.25 },
  'air-cold': { stroke: '#2f6f8f', width: 0.5 },
  'air-hot': { stroke: '#a8371c', width: 0.5 },
}
const tones: Readonly<Record<Tone, string>> = {
  ink: '#1c2422',
  soft: '#5d655f',
  holds: '#23634f',
  unsure: '#8a5f07',
  short: '#a8371c',
  cold: '#2f6f8f',
}

const escaped = (words: string): string =>
  legible(words).replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!)
const n = (value: number): string => String(Math.round(value * 1000) / 1000)

function shapeSvg(s: Shape): string {
  // what only a screen needs: where to touch, and what moves
  if (s.kind !== 'text' && (s.pen === 'hit' || s.pen === 'flow')) return ''
  if (s.kind === 'text')
    return (
      `<text x="${n(s.x)}" y="${n(s.y)}" font-size="${n(s.size)}" text-anchor="${s.anchor}" ` +
      `fill="${tones[s.tone]}" font-family="${s.figure ? 'monospace' : 'sans-serif'}">${escaped(s.text)}</text>`
    )
  const { stroke, width, fill, dash } = pens[s.pen]
  const look =
    `stroke="${stroke}" ` +
    `stroke-width="${s.kind === 'path' && s.weight !== undefined ? n(s.weight) : width}" ` +
    `fill="${fill ?? 'none'}"${dash ? ` stroke-dasharray="${dash}"` : ''}`
  if (s.kind === 'rect')
    return `<rect x="${n(s.x)}" y="${n(s.y)}" width="${n(Math.max(0, s.w))}" height="${n(Math.max(0, s.h))}" ${look}/>`
  if (s.kind === 'circle') return `<circle cx="${n(s.x)}" cy="${n(s.y)}" r="${n(s.r)}" ${look}/>`
  return `<path d="M${s.points.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}${s.closed ? 'Z' : ''}" ${look}/>`
}

const APART = 12

/**
 * Drawings side by side as an SVG file whose millimetres are true: printed at full size they can be laid on the
 * machine.
 * @param title shown as the document's title
 */
export function drawingsSvg(title: string, drawings: readonly Drawing[]): string {
  const head = 8
  const width = drawings.reduce((sum, d) => sum + d.w + APART, -APART)
  const height = Math.max(...drawings.map((d) => d.h)) + head
  let at = 0
  const groups = drawings.map((d) => {
    const group =
      `<g transform="translate(${n(at - d.x)} ` +
      `${n(head - d.y)})"><title>${escaped(d.says)}</title><text x="${n(d.x)}" y="${n(d.y - 2)}" font-size="5" ` +
      `font-family="sans-serif" fill="#1c2422">${escaped(d.title)}</text>${d.shapes.map(shapeSvg).join('')}</g>`
    at += d.w + APART
    return group
  })
  return (
    `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" ` +
    `height="${n(height)}mm" viewBox="0 0 ${n(width)} ` +
    `${n(height)}"><title>${escaped(title)}</title>${groups.join('\n')}</svg>\n`
  )
}
