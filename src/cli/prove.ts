import { proofJson } from '../formats/proof-json'
import { type Command, read, readJob } from './command'

/** A job's circuit held against what was asked of it, as JSON. */
export const proveCommand: Command = (args, { out }) => {
  const { file } = read(args, {}, 1)
  out(`${JSON.stringify(proofJson(readJob(file)), null, 2)}\n`)
}
