import { circuitAnswer } from '../formats/spice/circuit-answer'
import { type Command, read, readJob, refuse } from './command'

/** One state of a job's circuit, solved: as JSON, or as a netlist for ngspice. */
export const circuitCommand: Command = (args, { out }) => {
  const { values, file } = read(
    args,
    {
      state: { type: 'string', multiple: true },
      fault: { type: 'string', multiple: true },
      spice: { type: 'boolean' },
    },
    1,
  )
  const faults = (values.fault ?? []).flatMap((f) => f.split(','))
  const answer = circuitAnswer(readJob(file), (values.state ?? []).join(','), faults)
  if (!answer.ok) return refuse(answer.message)
  out(values.spice ? answer.spice : `${JSON.stringify(answer.solved, null, 2)}\n`)
}
