import { circuitCommand } from './circuit'
import { type Command, type Output, Refusal, USAGE } from './command'
import { evaluateCommand } from './evaluate'
import { proveCommand } from './prove'
import { simulateCommand } from './simulate'

const commands: Readonly<Record<string, Command>> = {
  evaluate: evaluateCommand,
  simulate: simulateCommand,
  circuit: circuitCommand,
  prove: proveCommand,
}

/** Runs one command line. @returns its exit status: 0, or 2 where it was asked for in a way that cannot be answered */
export function runCli([name = '', ...args]: readonly string[], output: Output): 0 | 2 {
  const command = Object.hasOwn(commands, name) ? commands[name] : undefined
  try {
    if (!command) throw new Refusal(name ? `"${name}" is not a command. ${USAGE}` : USAGE)
    command(args, output)
    return 0
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    output.err(`${error.message}\n`)
    return 2
  }
}
