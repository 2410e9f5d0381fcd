import { readFileSync } from 'node:fs'
import { evaluate, sample, withSample } from '../core/job'
import { readJobFile } from '../formats'

const USAGE = 'Usage: npm run --silent pyraxis -- evaluate <job.json> [--quick]'

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

function evaluateCommand(args: readonly string[]): void {
  const quick = args.includes('--quick')
  const strange = args.find((a) => a.startsWith('--') && a !== '--quick')
  const [file, ...more] = args.filter((a) => !a.startsWith('--'))
  if (strange || !file || more.length) refuse(strange ? `${strange} is not known. ${USAGE}` : USAGE)
  const read = readJobFile(readText(file))
  if (!read.ok) refuse(`${file}: ${read.message}`)
  const evaluation = evaluate(read.job)
  process.stdout.write(`${JSON.stringify(quick ? evaluation : withSample(evaluation, sample(read.job)), null, 2)}\n`)
}

const commands: Readonly<Record<string, (args: readonly string[]) => void>> = { evaluate: evaluateCommand }

const [name = '', ...args] = process.argv.slice(2)
const command = Object.hasOwn(commands, name) ? commands[name] : undefined
if (!command) refuse(name ? `"${name}" is not a command. ${USAGE}` : USAGE)
command(args)
