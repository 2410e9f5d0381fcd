import { GROUND } from '../circuit'
import type { Builder } from './builder'
import type { Ends } from './fan-run'
import { say } from '../words'

/** an indicator lamp at 12 V, ohm (estimate) */
const LAMP_OHM = 150

/** A lamp that shines while the fan is live: beside it, from behind its contact. */
export function lamp(b: Builder, first: Ends): void {
  if (!b.job.wiring.lamp) return
  b.signal('lamp', 'lamp_wire', first.behind ? first.fanPlus : first.switchOut, b.node('lamp_in', { is: 'lamp' }))
  b.add({
    kind: 'load',
    name: 'lamp',
    label: say`lamp: fan is live`,
    what: 'lamp',
    a: 'lamp_in',
    b: b.node('lamp_low', { is: 'lamp, ground' }),
    ohm: LAMP_OHM * (b.job.machine.systemV / 12) ** 2,
  })
  b.signal('lamp-return', 'lamp_return', 'lamp_low', first.behind ? first.fanMinus : GROUND)
}
