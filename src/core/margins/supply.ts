import { fixedScale, type MarginDefinition, ofRun, over, type PartDefinition } from './part'
import { contactsResistance, FRAME_OHM, runningFan, voltageDrop, wiresResistance, conductorOhm } from '../electrical'
import {
  circuitsOf,
  conductorAt,
  type FanCircuit,
  ratingOf,
  runCurrent,
  suitsVoltage,
  wiresOf,
  wiresWaitFor,
  ohmBefore,
} from '../fan-circuit'
import type { Job } from '../job'
import { type Bench, following, lastLine, term, worked, type Worked } from '../reading'
import { percent } from '../units'
import { currentIn, loadsOf, pieceLength } from '../wiring'
import { say } from '../words'

/** contacts may take this much more of the system's voltage before it is a warning. @see engineering §1.2 */
const WHOLE_RUN_MORE = 0.03

/** A fan needs direct current from somewhere. @see typical.md */
function nothingToRunOn({ machine }: Job): string | null {
  if (machine.hasBattery === false) return say`there is no battery for a fan to run on`
  return machine.outputDc === false ? say`the output is not direct current: a rectifier and regulator come first` : null
}

const wrongVoltage = ({ machine }: Job, { fan }: FanCircuit): string | null =>
  fan && !suitsVoltage(fan.part, machine.systemV)
    ? say`the fan is for ${fan.part.ratedV} V, the machine has ${machine.systemV} V`
    : null

/**
 * Volts lost in the wires of one fan's way: where another fan's current runs through the same copper, that counts too.
 * @see engineering §1.2, §5
 */
function lostInWires(bench: Bench, job: Job, circuit: FanCircuit): Worked {
  const n = circuitsOf(job).indexOf(circuit)
  const current = runCurrent(bench, circuit.fan!)
  const { conductors, frame } = wiresOf(bench, circuit)
  const way = loadsOf(job).conductors.flatMap((c) =>
    c.pieces.filter((p) => p.load.shares[n]! > 0).map((piece) => ({ c, piece })),
  )
  const alone = way.every(
    ({ piece: { load } }) => load.steadyA === 0 && load.shares.every((s, i) => s === (i === n ? 1 : 0)),
  )
  if (alone) return following([current], voltageDrop(current.value, conductors, frame))
  const pieces = way.map(({ c, piece }) => {
    const amps = currentIn(bench, job, piece.load).value
    return worked(
      `${c.name}${piece.length === 'whole' ? '' : `, ${piece.length}`}`,
      say`{0} × its {1}`,
      [term(say`through it`, amps, 'current'), term(say`length`, pieceLength(bench, job, c, piece), 'run')],
      amps * conductorOhm(amps, { ...conductorAt(bench, c.conductor), lengthM: pieceLength(bench, job, c, piece) }),
      'voltage',
      '§1.2',
    )
  })
  const inFrame = frame ? FRAME_OHM * current.value : 0
  return following(
    [current, ...pieces],
    worked(
      say`lost in wires and frame`,
      pieces
        .map((_, i) => `{${i}}`)
        .concat(frame ? `{${pieces.length}}` : [])
        .join(' + '),
      [
        ...pieces.map((p) => term(lastLine(p).name, p.value, 'voltage')),
        ...(frame ? [term(say`frame`, inFrame, 'voltage')] : []),
      ],
      pieces.reduce((sum, p) => sum + p.value, inFrame),
      'voltage',
      '§1.2',
    ),
  )
}

/** What the wires wait for that this fan shares with another, or null. */
function sharedWaitsFor(job: Job, circuit: FanCircuit): string | null {
  const n = circuitsOf(job).indexOf(circuit)
  const bare = loadsOf(job).conductors.find((c) => c.conductor.size === null && c.most.shares[n]! > 0)
  return bare ? say`a size for the ${bare.name}` : null
}

function partsOf(job: Job, circuit: FanCircuit): PartDefinition[] {
  const { systemV } = job.machine
  const { dropShare } = job.limits
  const { suffix, tag } = circuit
  const wires = { id: `wires${tag}`, name: say`in the wires${suffix}`, unit: 'V', required: 0 } as const
  const against = nothingToRunOn(job) ?? wrongVoltage(job, circuit)
  if (against) return [{ ...wires, id: `source${tag}`, name: say`of the source${suffix}`, missing: against }]
  const waits = wiresWaitFor(circuit) ?? sharedWaitsFor(job, circuit)
  if (waits) return [{ ...wires, needs: waits }]
  const scale = fixedScale(0.01 * systemV)
  const allowed = (share: number) =>
    worked(
      say`may be lost`,
      '{0} × {1}',
      [term(say`limit`, share, 'share'), term(say`system`, systemV, 'voltage')],
      share * systemV,
      'voltage',
      '§1.2',
    )
  return [
    {
      ...wires,
      scale,
      compute: (bench) => {
        return over(allowed(dropShare), lostInWires(bench, job, circuit), 0, 'voltage', '§1.2')
      },
    },
    {
      id: `whole run${tag}`,
      name: say`over the whole run${suffix}`,
      unit: 'V',
      required: 0,
      scale,
      warns: say`The whole run, joints and contacts included, loses more than the limit and 3 % on top.`,
      compute: (bench) => {
        const current = runCurrent(bench, circuit.fan!)
        const run = wiresOf(bench, circuit)
        const ohm = wiresResistance(current.value, run)
        const joints = contactsResistance(run)
        const lost = following(
          [current, ohm, joints],
          worked(
            say`lost over the whole run`,
            '{0} × ({1} + {2})',
            [
              term(say`running current`, current.value, 'current'),
              term(say`wires and frame`, ohm.value, 'resistance'),
              term(say`joints and contacts`, joints.value, 'resistance'),
            ],
            current.value * (ohm.value + joints.value),
            'voltage',
            '§1.2',
          ),
        )
        return over(allowed(dropShare + WHOLE_RUN_MORE), lost, 0, 'voltage', '§1.2')
      },
    },
  ]
}

/** What the whole way costs in air, in words: air-flow goes with the fan's speed. @see engineering §1.2, §1.6 */
function airNote(bench: Bench, circuit: FanCircuit): string[] {
  if (wiresWaitFor(circuit)) return []
  const ohm = ohmBefore(bench, { ...circuit, fan: circuit.fan! })
  const rating = ratingOf(bench, circuit.fan!)
  const volts = bench.value('charging.regulatorV')
  const ratio = runningFan(rating, volts, ohm).speed / runningFan(rating, volts).speed
  return [
    say`The whole way, joints included, leaves the fan${circuit.suffix} ${percent(ratio, 3)} of the speed and air it
      would have at the regulator.`,
  ]
}

/** Voltage lost on the way to the fan. @see engineering §1.2, margins.md */
export function supplyMargin(job: Job, bench: Bench): MarginDefinition {
  const circuits = circuitsOf(job)
  return {
    id: 'supply',
    name: say`Supply`,
    parts: circuits.flatMap((c) => ofRun(c, partsOf(job, c))),
    notes: circuits.flatMap((c) => airNote(bench, c)),
  }
}
