import { SWITCH_OHM } from '../electrical'
import type { ContactRating } from '../electrical'
import type { DiodePlace } from '../job'
import { type Builder } from './builder'
import { key, switchRating, tapped } from './feeds'
import type { Trigger } from './switching'
import { say } from '../words'

interface Caller {
  readonly of: Extract<DiodePlace, 'override' | 'call'>
  readonly label: string
  readonly diode: string
  /** where it takes its current, where the thermostat sits on the positive side */
  readonly from: () => string
  readonly rating: ContactRating | null
}

/** One more way to close what the thermostat closes: its wire, its switch, the wire behind it, and its diodes. */
function caller(b: Builder, { of, label, diode, from, rating }: Caller, triggers: readonly Trigger[]): void {
  // a controller that calls two fans has one input: one wire leads there
  const asks = (t: Trigger): string | undefined => t.inputs[of]
  const asked = triggers.filter((t, i) => asks(t) !== undefined && triggers.findIndex((o) => asks(o) === asks(t)) === i)
  const groundSide = b.job.wiring.side === 'ground' && asked.length === 0
  const input = b.node(`${of}_in`, { is: 'switch, in', of })
  const output = b.node(`${of}_out`, { is: 'switch, out', of })
  b.add({ kind: 'switch', name: of, label, by: of, a: input, b: output, ohm: SWITCH_OHM, rating })
  const parted = b.job.wiring.diodes.includes(of)
  // without diodes it can close one contact only: joined, the thermostats behind would feed one another
  const own = triggers.filter((t, i) => t.direct || triggers.findIndex((o) => o.controller === t.controller) === i)
  const beside = parted ? own : own.slice(0, 1)
  const reached = asked.length ? asked : beside
  const firstRole = groundSide ? of : (`${of}-out` as const)
  reached.forEach(({ pin: contact, low, inputs }, n) => {
    const pin = inputs[of] ?? contact
    const tag = n === 0 ? '' : `${n + 1}`
    const role = n > 0 ? 'link' : firstRole
    const wire = n === 0 ? `${of}_wire` : `${of}_link${tag}`
    const end = parted ? b.node(`${of}_fed${tag}`, { is: 'diode', of }) : pin
    if (parted)
      b.add({
        kind: 'diode',
        name: `${of}_diode${tag}`,
        label: diode,
        joins: of,
        ...(groundSide ? { a: pin, b: end } : { a: end, b: pin }),
      })
    if (groundSide) b.signal(role, wire, end, input)
    else b.signal(role, wire, output, end)
    if (groundSide && n === 0) b.signal(`${of}-out`, `${of}_return`, output, low)
  })
  if (!groundSide) b.signal(of, `${of}_feed`, from(), input)
}

/**
 * Override and another system's call, beside what the thermostats close.
 * @param feed the fan's own feed behind its fuse
 */
export function callers(b: Builder, feed: string, triggers: readonly Trigger[]): void {
  const { wiring } = b.job
  if (wiring.override !== 'none') {
    // what carries a fan itself comes straight from the switched wire, not through the small fuse of its signals
    const direct = triggers.some((t) => t.direct && t.inputs.override === undefined)
    const fromKey = (): string => (direct ? key(b) : tapped(b))
    caller(
      b,
      {
        of: 'override',
        label: say`override switch`,
        diode: say`diode, override`,
        from: () => (wiring.override === 'key' ? fromKey() : feed),
        rating: switchRating(b.job, wiring.overrideSwitch),
      },
      triggers,
    )
  }
  if (wiring.call)
    caller(
      b,
      {
        of: 'call',
        label: say`other system's call`,
        diode: say`diode, call`,
        from: () => (wiring.callFrom === 'key' ? tapped(b) : feed),
        rating: null,
      },
      triggers,
    )
}
