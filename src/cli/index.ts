import { readFileSync } from 'node:fs'
import type { Day, Job } from '../core/job'
import { evaluate, sample, withSample } from '../core/margins'
import { runInWords, runWaitsFor, settledFindings, simulate, usualCircumstances } from '../core/run'
import { runView, StiffError } from '../core/transient'
import { readJobFile } from '../formats'
import { readDayCsv, readGpx, writeRunCsv } from '../formats/day'
import { circuitAnswer } from '../formats/spice/circuit-answer'

const USAGE = `Usage: npm run --silent pyraxis -- evaluate <job.json> [--quick] [--run]
       npm run --silent pyraxis -- simulate <job.json> [duty.csv|track.gpx] [--season coldest|usual|hottest] [--no-fan]
       npm run --silent pyraxis -- circuit <job.json> [--state key=on,engine=on,heat=hot,...]
           [--fault kind:element]... [--spice]`

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
  const strange = args.find((a) => a.startsWith('--') && a !== '--quick' && a !== '--run')
  const [file, ...more] = args.filter((a) => !a.startsWith('--'))
  if (strange || !file || more.length) refuse(strange ? `${strange} is not known. ${USAGE}` : USAGE)
  const job = readJob(file)
  // rules of thumb, unless the day is asked for to be run through
  const run = args.includes('--run') ? foundBy(job) : null
  const evaluation = evaluate(job, run)
  process.stdout.write(`${JSON.stringify(quick ? evaluation : withSample(evaluation, sample(job, run)), null, 2)}\n`)
}

/** What a job's runs come to; rules of thumb stand where none can be made. */
function foundBy(job: Job): ReturnType<typeof settledFindings> {
  try {
    return settledFindings(job, now().toISOString())
  } catch (trouble) {
    if (trouble instanceof StiffError) return null
    throw trouble
  }
}

/** The moment that `PYRAXIS_NOW` fixes, else now. */
function now(): Date {
  const fixed = new Date(process.env.PYRAXIS_NOW ?? '')
  return Number.isNaN(fixed.getTime()) ? new Date() : fixed
}

function readDay(file: string, job: Job): { readonly day: Day; readonly notes: readonly string[] } {
  const text = readText(file)
  const read =
    /\.gpx$/i.test(file) || text.trimStart().startsWith('<')
      ? readGpx(text, job.engine?.slowMs.value ?? 0)
      : readDayCsv(text, 'a day from a table')
  return read.ok ? read : refuse(`${file}: ${read.message}`)
}

/** A job run through its day, or one from a file: the run as CSV, what it came to as JSON on stderr. */
function simulateCommand(args: readonly string[]): void {
  const files: string[] = []
  let season: string | undefined
  let fan = true
  for (let i = 0; i < args.length; i++) {
    if (args[i] === '--season') season = args[++i] ?? refuse(`--season wants something after it. ${USAGE}`)
    else if (args[i]!.startsWith('--season=')) season = args[i]!.slice(9)
    else if (args[i] === '--no-fan') fan = false
    else if (args[i]!.startsWith('--')) refuse(`${args[i]} is not known. ${USAGE}`)
    else files.push(args[i]!)
  }
  const [file, dutyFile, ...more] = files
  if (!file || more.length) refuse(USAGE)
  if (season !== undefined && season !== 'coldest' && season !== 'usual' && season !== 'hottest')
    refuse(`"${season}" is no season: coldest, usual or hottest.`)
  const job = readJob(file)
  const waits = runWaitsFor(job)
  if (waits) refuse(`${file}: this job cannot be run yet: ${waits}.`)
  const from = dutyFile ? readDay(dutyFile, job) : null
  const circumstances = {
    ...usualCircumstances,
    season: season ?? (from ? 'usual' : 'hottest'),
    fan: fan ? 'proposed' : 'none',
  } as const
  const ran = from ? { ...job, duty: from.day } : job
  try {
    const run = simulate(ran, circumstances)!
    process.stdout.write(writeRunCsv(run, job.bay !== null))
    const told = {
      circumstances,
      notes: from?.notes ?? [],
      summary: { ...run, trace: undefined },
      words: runInWords(ran, { proposed: runView(run), none: null, present: null }, circumstances, job.units),
    }
    process.stderr.write(`${JSON.stringify(told, null, 2)}\n`)
  } catch (trouble) {
    if (trouble instanceof StiffError) refuse(`${file}: ${trouble.message}`)
    throw trouble
  }
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

const commands: Readonly<Record<string, (args: readonly string[]) => void>> = {
  evaluate: evaluateCommand,
  simulate: simulateCommand,
  circuit: circuitCommand,
}

// whoever reads only the first lines has seen enough
process.stdout.on('error', (e: NodeJS.ErrnoException) => process.exit(e.code === 'EPIPE' ? 0 : 1))

const [name = '', ...args] = process.argv.slice(2)
const command = Object.hasOwn(commands, name) ? commands[name] : undefined
if (!command) refuse(name ? `"${name}" is not a command. ${USAGE}` : USAGE)
command(args)
