import { contactsResistance, runningFan, voltageDrop, wiresResistance } from '../../electrical'
import { following, term, worked, type Bench } from '../../reading'
import { plainNumber } from '../../units'
import type { FanPart } from '../../parts'
import type { Job } from '../document'
import { circuitsOf, ratingOf, runCurrent, wiresOf, wiresWaitFor, type FanCircuit } from './circuit'
import { fixedScale, over, type MarginDefinition, type PartDefinition } from './part'

/** contacts may take this much more of the system's voltage before it is a warning. @see engineering §1.2 */
const WHOLE_RUN_MORE = 0.03

/** A fan needs direct current from somewhere. @see typical.md */
const nothingToRunOn = ({ machine }: Job): string | null =>
  machine.hasBattery === false ? 'there is no battery for a fan to run on' : machine.outputDc === false ? 'the output is not direct current: a rectifier and regulator come first' : null

/** Whether a fan's rating is that of the system, give or take a quarter. */
export const suitsVoltage = ({ ratedV }: Pick<FanPart, 'ratedV'>, systemV: number): boolean => ratedV >= 0.8 * systemV && ratedV <= 1.25 * systemV

const wrongVoltage = ({ machine }: Job, { fan }: FanCircuit): string | null =>
  (fan && !suitsVoltage(fan.part, machine.systemV) ? `the fan is for ${fan.part.ratedV} V, the machine has ${machine.systemV} V` : null)

function partsOf(job: Job, circuit: FanCircuit): PartDefinition[] {
  const { systemV } = job.machine
  const { dropShare } = job.limits
  const { suffix } = circuit
  const wires = { id: `wires${suffix}`, name: `in the wires${suffix}`, unit: 'V', required: 0 } as const
  const against = nothingToRunOn(job) ?? wrongVoltage(job, circuit)
  if (against) return [{ ...wires, id: `source${suffix}`, name: `of the source${suffix}`, missing: against }]
  const waits = wiresWaitFor(circuit)
  if (waits) return [{ ...wires, needs: waits }]
  const scale = fixedScale(0.01 * systemV)
  const allowed = (share: number) => worked('may be lost', '{0} × {1}', [term('limit', share, 'share'), term('system', systemV, 'voltage')], share * systemV, 'voltage', '§1.2')
  return [
    {
      ...wires, scale,
      compute: (bench) => {
        const current = runCurrent(bench, circuit.fan!)
        const { conductors, frame } = wiresOf(bench, circuit)
        const lost = following([current], voltageDrop(current.value, conductors, frame))
        return over(allowed(dropShare), lost, 0, 'voltage', '§1.2')
      },
    },
    {
      id: `whole run${suffix}`, name: `over the whole run${suffix}`, unit: 'V', required: 0, scale,
      warns: 'The whole run, joints and contacts included, loses more than the limit and 3 % on top.',
      compute: (bench) => {
        const current = runCurrent(bench, circuit.fan!)
        const run = wiresOf(bench, circuit)
        const ohm = wiresResistance(current.value, run)
        const joints = contactsResistance(run)
        const lost = following([current, ohm, joints], worked('lost over the whole run', '{0} × ({1} + {2})', [
          term('running current', current.value, 'current'), term('wires and frame', ohm.value, 'resistance'), term('joints and contacts', joints.value, 'resistance'),
        ], current.value * (ohm.value + joints.value), 'voltage', '§1.2'))
        return over(allowed(dropShare + WHOLE_RUN_MORE), lost, 0, 'voltage', '§1.2')
      },
    },
  ]
}

/** What the whole way costs in air, in words: air-flow goes with the fan's speed. @see engineering §1.2, §1.6 */
function airNote(bench: Bench, circuit: FanCircuit): string[] {
  if (wiresWaitFor(circuit)) return []
  const run = wiresOf(bench, circuit)
  const ohm = wiresResistance(runCurrent(bench, circuit.fan!).value, run).value + contactsResistance(run).value
  const rating = ratingOf(bench, circuit.fan!)
  const volts = bench.value('charging.regulatorV')
  const ratio = runningFan(rating, volts, ohm).speed / runningFan(rating, volts).speed
  return [`The whole way, joints included, leaves the fan${circuit.suffix} ${plainNumber(ratio * 100, 3)} % of the speed and air it would have at the regulator.`]
}

/** Voltage lost on the way to the fan. @see engineering §1.2, margins.md */
export function supplyMargin(job: Job, bench: Bench): MarginDefinition {
  const circuits = circuitsOf(job)
  return { id: 'supply', name: 'Supply', parts: circuits.flatMap((c) => partsOf(job, c)), notes: circuits.flatMap((c) => airNote(bench, c)) }
}
