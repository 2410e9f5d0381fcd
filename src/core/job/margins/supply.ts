import { contactsResistance, wiresResistance } from '../../electrical'
import { following, term, worked } from '../../reading'
import type { Job } from '../document'
import { circuitsOf, runCurrent, wiresOf, wiresWaitFor, type FanCircuit } from './circuit'
import { fixedScale, over, type MarginDefinition, type PartDefinition } from './part'

/** contacts may take this much more of the system's voltage before it is a warning. @see engineering §1.2 */
const WHOLE_RUN_MORE = 0.03

function partsOf(job: Job, circuit: FanCircuit): PartDefinition[] {
  const { systemV } = job.machine
  const { dropShare } = job.limits
  const { suffix } = circuit
  const wires = { id: `wires${suffix}`, name: `in the wires${suffix}`, unit: 'V', required: 0 } as const
  const waits = wiresWaitFor(circuit)
  if (waits) return [{ ...wires, needs: waits }]
  const scale = fixedScale(0.01 * systemV)
  const allowed = (share: number) => worked('may be lost', '{0} × {1}', [term('limit', share, 'share'), term('system', systemV, 'voltage')], share * systemV, 'voltage', '§1.2')
  return [
    {
      ...wires, scale,
      compute: (bench) => {
        const current = runCurrent(bench, circuit.fan!)
        const ohm = wiresResistance(current.value, wiresOf(bench, circuit))
        const lost = following([current, ohm], worked('lost in wires and frame', '{0} × {1}', [term('running current', current.value, 'current'), term('wires and frame', ohm.value, 'resistance')], current.value * ohm.value, 'voltage', '§1.2'))
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

/** Voltage lost on the way to the fan. @see engineering §1.2, margins.md */
export const supplyMargin = (job: Job): MarginDefinition => ({ id: 'supply', name: 'Supply', parts: circuitsOf(job).flatMap((c) => partsOf(job, c)) })
