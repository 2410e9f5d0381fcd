import { fixed, percent } from '../units'
import { motorsOf, SLOW, turns } from './fans'
import type { Element, Motor, Netlist } from './netlist'
import { overloads } from './overloads'
import type { Opened, Solution } from './solve'
import { say } from '../words'

/** Most of its battery's voltage at a terminal that should be at ground tells a bad ground. */
const LIFTED_V = 1.5

/** Which way a fan blows once it turns forwards (1) or backwards (−1), in words; null where that is not known yet. */
export type Way = (motor: Motor, direction: 1 | -1) => string | null

function coilInWords(s: Solution, { label, relay }: Extract<Element, { kind: 'coil' }>): string {
  if (s.chattering.includes(relay)) return say`${label}: it chatters`
  return s.states.pulled.has(relay) ? say`${label}: clicks and stays in` : say`${label}: silent`
}

function fanInWords(s: Solution, m: Motor, way: Way): string {
  if (s.chattering.includes(m.name))
    return say`${m.label} starts and drops out again and again: its feed sinks as soon as it takes its current`
  const speed = s.speeds.get(m.name) ?? 0
  const amps = Math.abs(s.amps.get(m.name) ?? 0)
  if (m.jammed && amps > 0.1) return say`${m.label} is held fast and takes ${fixed(amps, 1)} A`
  if (!turns({ speed }))
    return say`${m.label} stands${amps > 0.05 ? say`, though ${fixed(amps, 2)} A go through it` : ''}`
  const air = way(m, speed < 0 ? -1 : 1)
  return say`${m.label} runs ${speed < 0 ? say`backwards ` : ''}at ${percent(Math.abs(speed))} of its rated
    speed${Math.abs(speed) < SLOW ? say`, slow` : ''}${air ? `: ${air}` : ''}`
}

/** A ground terminal that is nowhere near ground. */
function groundInWords(s: Solution, m: Motor): string[] {
  const low = Math.min(s.volts.get(m.a) ?? 0, s.volts.get(m.b) ?? 0)
  return low > LIFTED_V && Math.abs(s.amps.get(m.name) ?? 0) > 0.05
    ? [say`its ground terminal is at ${fixed(low, 1)} V instead of nearly nothing: the ground is bad`]
    : []
}

function openedInWords(net: Netlist, o: Opened): string {
  const again = net.elements.some((e) => e.kind === 'fuse' && e.name === o.name && e.form === 'breaker')
    ? say`; one that resets itself closes into it again, for ever`
    : ''
  const when = Number.isFinite(o.longestS)
    ? say`within ${fixed(o.longestS, o.longestS < 1 ? 2 : 1)} s`
    : say`sooner or later`
  return say`${o.label} opens: ${fixed(o.ampsBefore, 0)} A, ${when}${again}`
}

/** What a mechanic would hear, see and measure in one state. */
export const symptoms = (net: Netlist, s: Solution, way: Way): string[] => [
  ...net.elements.flatMap((e) => (e.kind === 'coil' ? [coilInWords(s, e)] : [])),
  ...net.controls
    .filter((k) => s.chattering.includes(k.id))
    .map((k) => say`${k.label}: goes on and off again and again`),
  ...motorsOf(net).flatMap((m) => [fanInWords(s, m, way), ...groundInWords(s, m)]),
  ...overloads(net, s),
  ...s.opened.map((o) => openedInWords(net, o)),
]
