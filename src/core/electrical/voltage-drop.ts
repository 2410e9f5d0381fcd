import { following, lastLine, term, worked, type Worked } from '../reading'
import type { WireSize } from '../units'
import { allowedAmps, conductorTemperature, resistancePerMetre, type Surroundings } from './wire'
import { say } from '../words'

/** ohm; engineering §1.2 */
export const FRAME_OHM = 0.002
export const CRIMP_OHM = 0.003
export const RELAY_CONTACT_OHM = 0.008
/** ohm (estimates): closed switches, and the machine's own wires that nobody measures */
export const SWITCH_OHM = 0.005
export const LOOM_OHM = 0.015
export const RING_OHM = 0.001

/**
 * Cold resistance of a blade fuse, ohm.
 * @param ratingA I_n
 * @see engineering §1.2
 * @example bladeFuseOhm(10) //=> 0.00757
 */
export const bladeFuseOhm = (ratingA: number): number => 0.12 * ratingA ** -1.2

export interface Conductor extends Surroundings {
  readonly name: string
  readonly size: WireSize
  readonly lengthM: number
}

/**
 * A conductor in free, mild surroundings, for quick sums.
 * @throws RangeError if the length is negative or not finite
 */
export function conductor(size: WireSize, lengthM: number, name: string = size): Conductor {
  return { name, size, lengthM, insulationC: 105, ambientC: 20, bundled: 2 }
}

/** °C of a conductor that carries a current. @throws RangeError if a length or current is negative or not finite */
function warmedC(currentA: number, c: Conductor): number {
  if (!(currentA >= 0 && Number.isFinite(currentA))) throw new RangeError('current must be 0 or more')
  if (!(c.lengthM >= 0 && Number.isFinite(c.lengthM))) throw new RangeError('length must be 0 or more')
  return conductorTemperature(currentA, allowedAmps(c.size, c), c)
}

/**
 * Resistance of one conductor at the temperature that its current brings it to.
 * @returns ohm; throws RangeError if a length or current is negative or not finite
 * @see engineering §1.1
 * @example conductorOhm(0, conductor('2.5 mm²', 10)) //=> 0.076
 */
export const conductorOhm = (currentA: number, c: Conductor): number =>
  resistancePerMetre(c.size, warmedC(currentA, c)) * c.lengthM

/**
 * {@link conductorOhm} with its working.
 * @see engineering §1.1
 * @example conductorResistance(0, conductor('2.5 mm²', 10)).value //=> 0.076
 */
export function conductorResistance(currentA: number, c: Conductor): Worked {
  const temperatureC = warmedC(currentA, c)
  const perMetre = resistancePerMetre(c.size, temperatureC)
  return worked(
    say`${c.name}, ${c.size}, at ${Math.round(temperatureC)} °C`,
    say`{0} per metre × {1}`,
    [term(say`resistance`, perMetre, 'resistance'), term(say`length`, c.lengthM, 'run')],
    perMetre * c.lengthM,
    'resistance',
    '§1.1',
  )
}

/** What stands in the current's way besides the fan itself. */
export interface RunOfWire {
  readonly conductors: readonly Conductor[]
  readonly frame: boolean
  readonly crimps: number
  readonly rings: number
  /** relay, controller, switches and what a borrowed feed has before it, ohm */
  readonly contactsOhm: number
  readonly fuseA: number | null
}

/** "{0} + {1} + …" for as many terms */
const PLUS = Array.from({ length: 10 }, (_, n) => Array.from({ length: n }, (_, i) => `{${i}}`).join(' + ') || '0')

/**
 * Resistance of conductors and frame, contacts left out: what small-craft tables count.
 * @returns ohm
 * @see engineering §1.2
 * @example wiresOhm(0, { conductors: [conductor('2.5 mm²', 10)], frame: true }) //=> 0.078
 */
export function wiresOhm(currentA: number, { conductors, frame }: Pick<RunOfWire, 'conductors' | 'frame'>): number {
  let ohm = 0
  for (const c of conductors) ohm += conductorOhm(currentA, c)
  return frame ? ohm + FRAME_OHM : ohm
}

/**
 * {@link wiresOhm} with its working.
 * @see engineering §1.2
 * @example wiresResistance(0, { conductors: [conductor('2.5 mm²', 10)], frame: true }).value //=> 0.078
 */
export function wiresResistance(currentA: number, run: Pick<RunOfWire, 'conductors' | 'frame'>): Worked {
  const parts = run.conductors.map((c) => conductorResistance(currentA, c))
  const frame = run.frame
    ? [
        worked(
          say`frame as the way back`,
          '{0}',
          [term(say`clean frame`, FRAME_OHM, 'resistance')],
          FRAME_OHM,
          'resistance',
          '§1.2',
        ),
      ]
    : []
  const all = [...parts, ...frame]
  return following(
    all,
    worked(
      say`wires and frame`,
      PLUS[all.length] ?? PLUS[0]!,
      all.map((w) => term(lastLine(w).name, w.value, 'resistance')),
      wiresOhm(currentA, run),
      'resistance',
      '§1.2',
    ),
  )
}

const fuseOhm = (run: RunOfWire): number => (run.fuseA === null ? 0 : bladeFuseOhm(run.fuseA))

/**
 * Resistance of joints, fuse and relay contact.
 * @returns ohm
 * @see engineering §1.2
 * @example jointsOhm({ conductors: [], frame: false, crimps: 2, rings: 1, contactsOhm: 0.008, fuseA: null }) //=> 0.015
 */
export const jointsOhm = (run: RunOfWire): number =>
  run.crimps * CRIMP_OHM + run.rings * RING_OHM + fuseOhm(run) + run.contactsOhm

/** {@link jointsOhm} with its working. @see engineering §1.2 */
export const contactsResistance = (run: RunOfWire): Worked =>
  worked(
    say`joints and contacts`,
    say`{0} × 3 mohm + {1} × 1 mohm + fuse {2} + contacts {3}`,
    [
      term(say`crimps`, run.crimps, 'count'),
      term(say`rings`, run.rings, 'count'),
      term(say`fuse`, fuseOhm(run), 'resistance'),
      term(say`contacts`, run.contactsOhm, 'resistance'),
    ],
    jointsOhm(run),
    'resistance',
    '§1.2',
  )

/**
 * Voltage lost between source and fan, both ways round, in conductors and frame alone: what small-craft tables count.
 * @param currentA running current, A
 * @param conductors in series, in order from the source
 * @param frame whether the frame is the way back
 * @returns volts lost, with one working line per part; throws RangeError if a length or current is negative or not
 *   finite
 * @see engineering §1.2
 * @example voltageDrop(6, [conductor('16 AWG', 4)]).value //=> 0.33
 */
export function voltageDrop(currentA: number, conductors: readonly Conductor[], frame = false): Worked {
  const wires = wiresResistance(currentA, { conductors, frame })
  return following(
    [wires],
    worked(
      say`lost in wires and frame`,
      '{0} × {1}',
      [term(say`running current`, currentA, 'current'), term(say`wires and frame`, wires.value, 'resistance')],
      currentA * wires.value,
      'voltage',
      '§1.2',
    ),
  )
}
