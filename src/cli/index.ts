import { readFileSync } from 'node:fs'
import { evaluate, sample, withSample, type Job } from '../core/job'
import { readJobFile } from '../formats'
import { circuitAnswer } from '../formats/spice/circuit-answer'

const USAGE = `Usage: npm run --silent pyraxis -- evaluate <job.json> [--quick]
       npm run --silent pyraxis -- circuit <job.json> [--state key=on,engine=on,heat=hot,...] [--fault kind:element]... [--spice]`

/** A plain message on stderr and exit status 2: the file, or the way it was asked for, is at fault. */
function refuse(message: string): never {
  process.stderr.write(`${message}\n`)
  process.exit(2)
}

function readText(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    return refuse(`${file} cannot be read: is it there?`)
  }
}

function readJob(file: string): Job {
  const read = readJobFile(readText(file))
  return read.ok ? read.job : refuse(`${file}: ${read.message}`)
}

function evaluateCommand(args: readonly string[]): void {
  const quick = args.includes('--quick')
  const strange = args.find((a) => a.startsWith('--') && a !== '--quick')
  const [file, ...more] = args.filter((a) => !a.startsWith('--'))
  if (strange || !file || more.length) refuse(strange ? `${strange} is not known. ${USAGE}` : USAGE)
  const job = readJob(file)
  const evaluation = evaluate(job)
  process.stdout.write(`${JSON.stringify(quick ? evaluation : withSample(evaluation, sample(job)), null, 2)}\n`)
}

/** One state of a job's circuit, solved: as JSON, or as a netlist for ngspice. */
function circuitCommand(args: readonly string[]): void {
  const files: string[] = []
  const states: string[] = []
  const faults: string[] = []
  let spice = false
  for (let i = 0; i < args.length; i++) {
    const [name = '', inline] = args[i]!.split(/=(.*)/s)
    const value = (): string => inline ?? args[++i] ?? refuse(`${name} wants something after it. ${USAGE}`)
    if (name === '--state') states.push(value())
    else if (name === '--fault') faults.push(...value().split(','))
    else if (args[i] === '--spice') spice = true
    else if (name.startsWith('--')) refuse(`${name} is not known. ${USAGE}`)
    else files.push(args[i]!)
  }
  const [file, ...more] = files
  if (!file || more.length) refuse(USAGE)
  const answer = circuitAnswer(readJob(file), states.join(','), faults)
  if (!answer.ok) refuse(answer.message)
  process.stdout.write(spice ? answer.spice : `${JSON.stringify(answer.solved, null, 2)}\n`)
}

const commands: Readonly<Record<string, (args: readonly string[]) => void>> = { evaluate: evaluateCommand, circuit: circuitCommand }

const [name = '', ...args] = process.argv.slice(2)
const command = Object.hasOwn(commands, name) ? commands[name] : undefined
if (!command) refuse(name ? `"${name}" is not a command. ${USAGE}` : USAGE)
command(args)
