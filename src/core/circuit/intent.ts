import type { Conditions, Netlist } from './netlist'
import { say } from '../words'

/** What is wanted of a circuit, as data. */
export interface CircuitIntent {
  readonly live: 'key only' | 'after-run' | 'isolator' | 'whenever hot'
  readonly control: 'thermostat' | 'thermostat and override' | 'hand switch' | 'always on'
  /** when an override may run the fans: whenever they may be live, or without the key too */
  readonly overrideLive: 'as the fan' | 'always'
  readonly ifControllerDies: 'nothing' | 'the override'
  readonly deadWhenParked: 'the fan' | 'fan and controller' | 'everything behind the fuse'
  readonly alsoFor: 'nothing' | 'air conditioning' | 'hydraulic oil'
}

/** Whether a hand is wanted to be able to call the fans. */
const byHand = ({ control, ifControllerDies }: CircuitIntent): boolean =>
  control === 'hand switch' || control === 'thermostat and override' || ifControllerDies === 'the override'

/** Whether the intent lets the fans be live at all. */
export const allows = (intent: CircuitIntent, net: Netlist, c: Conditions): boolean => {
  const isolated = net.elements.some((e) => e.kind === 'switch' && e.by === 'isolator') && !c.isolator
  if (isolated) return false
  const keyed = net.elements.some((e) => e.kind === 'switch' && e.by === 'key')
  if (c.override && intent.overrideLive === 'always' && byHand(intent)) return true
  // a machine without a key has only its isolator, if that
  return (
    intent.live === 'isolator' ||
    intent.live === 'whenever hot' ||
    !keyed ||
    c.key ||
    (intent.live === 'after-run' && c.timer)
  )
}

/** What calls the fans besides the thermostat. */
const calledByHand = (intent: CircuitIntent, c: Conditions): boolean =>
  (c.call && intent.alsoFor !== 'nothing') || ((c.override || c.hand) && byHand(intent))

export const inAfterRun = (c: Pick<Conditions, 'timer' | 'key'>): boolean => c.timer && !c.key

/**
 * Whether the intent wants the fans on; null where either will do: an after-run is there for the heat, nobody calls in
 * it by hand.
 */
export function wants(intent: CircuitIntent, net: Netlist, c: Conditions): boolean | null {
  if (!allows(intent, net, c)) return false
  // with the key off an override that may always run them is all that calls them
  if (!allows(intent, net, { ...c, override: false })) return true
  if (intent.control === 'always on') return true
  const hot = (c.heat === 'hot' || c.heat === 'falling') && intent.control !== 'hand switch'
  if (hot) return true
  if (!calledByHand(intent, c)) return false
  return inAfterRun(c) ? null : true
}

/** What an intent lets the fans be live by, as it is said back. */
export const liveWords: Readonly<Record<CircuitIntent['live'], string>> = {
  'key only': say`you asked for key only`,
  'after-run': say`you asked for the key and the after-run only`,
  isolator: say`you asked for its isolator`,
  'whenever hot': say`you asked for it whenever it is hot`,
}
