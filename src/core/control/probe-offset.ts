import {
  type AirTemperature,
  bay,
  type BayTemperature,
  coolant,
  type CoolantTemperature,
  fixed,
  probe,
  type ProbeTemperature,
} from '../units'
import { say } from '../words'

/**
 * Where a probe sits, with how much of the coolant's warmth it sees, and how far it overshoots without a run
 * (estimates).
 */
export const probePlaces = {
  'fin-paste': { name: say`in the fins, with paste`, kappa: 0.9, overshootK: 6 },
  fin: { name: say`in the fins, dry`, kappa: 0.75, overshootK: 6 },
  strapped: { name: say`strapped to hose or tank`, kappa: 0.8, overshootK: 10 },
  threaded: { name: say`threaded into the coolant`, kappa: 1, overshootK: 3 },
  'in-air': { name: say`free in the air of the bay`, kappa: 1, overshootK: 6 },
  'on-panel': { name: say`strapped to seat or panel`, kappa: 0.8, overshootK: 10 },
} as const
export type ProbePlace = keyof typeof probePlaces

/** the places that make sense for what carries the heat */
export const probePlacesIn: Readonly<Record<'coolant' | 'air', readonly ProbePlace[]>> = {
  coolant: ['fin-paste', 'fin', 'strapped', 'threaded'],
  air: ['in-air', 'on-panel'],
}

/**
 * What a probe shows when the coolant at its place stands at a temperature: Reading(T).
 * @param kappa share of the coolant's warmth that reaches it, 0…1
 * @see engineering §3.2
 * @example readingOf(coolant(100), air(20), 0.75).c //=> 80
 */
export const readingOf = (
  t: CoolantTemperature | BayTemperature,
  surroundings: AirTemperature,
  kappa: number,
): ProbeTemperature => probe(surroundings.c + kappa * (t.c - surroundings.c))

/**
 * The coolant at the probe's place when the probe shows a temperature: {@link readingOf} turned round.
 * @see engineering §3.2
 * @example coolantAt(probe(80), air(20), 0.75).c //=> 100
 */
export const coolantAt = (shown: ProbeTemperature, surroundings: AirTemperature, kappa: number): CoolantTemperature =>
  coolant(surroundings.c + (shown.c - surroundings.c) / kappa)

/**
 * The air of a bay when a probe in it shows a temperature.
 * @see engineering §3.2, §4
 * @example bayAt(probe(80), air(20), 0.75).c //=> 100
 */
export const bayAt = (shown: ProbeTemperature, surroundings: AirTemperature, kappa: number): BayTemperature =>
  bay(surroundings.c + (shown.c - surroundings.c) / kappa)

/** what a gauge, a controller's own probe and a thermometer in the air may be off by, K */
const OFF_K = { gauge: 4, probe: 1, air: 1.5 } as const
/** nearer to the air than that, a share is made of errors */
const LEAST_OVER_K = 25

export type ShareSeen =
  | { readonly ok: true; readonly value: number; readonly spread: number }
  | { readonly ok: false; readonly message: string }

/**
 * The share of the coolant's warmth that a probe sees, from what both show at once, held for some minutes. Its spread
 * is what gauge, probe and air thermometer may be off by.
 * @see engineering §3.2
 * @example shareSeen(probe(38), coolant(40), air(20)).ok //=> false
 */
export function shareSeen(shown: ProbeTemperature, there: CoolantTemperature, surroundings: AirTemperature): ShareSeen {
  const over = there.c - surroundings.c
  if (over < LEAST_OVER_K)
    return {
      ok: false,
      message: say`The coolant stands only ${Math.round(over)} K over the air: let it get hot first.`,
    }
  const value = (shown.c - surroundings.c) / over
  if (value < 0.2 || value > 1.05)
    return {
      ok: false,
      message: say`That is a share of ${fixed(value, 2)}: no probe sees that. Are the two the right way round, and
        held for some minutes?`,
    }
  const spread = Math.hypot(OFF_K.probe, value * OFF_K.gauge, (1 - value) * OFF_K.air) / over
  return { ok: true, value: Math.min(1, value), spread }
}
