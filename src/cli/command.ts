import { readFileSync } from 'node:fs'
import { parseArgs, type ParseArgsConfig } from 'node:util'
import type { Job } from '../core/job'
import { readJobFile } from '../formats'

/** Where a command prints: what was asked for on `out`, what is told beside it on `err`. */
export interface Output {
  readonly out: (text: string) => void
  readonly err: (text: string) => void
}

export type Command = (args: readonly string[], output: Output) => void

export const USAGE = `Usage: npm run --silent pyraxis -- evaluate <job.json> [--quick] [--run]
       npm run --silent pyraxis -- simulate <job.json> [duty.csv|track.gpx] [--season coldest|usual|hottest] [--no-fan]
       npm run --silent pyraxis -- circuit <job.json> [--state key=on,engine=on,heat=hot,...]
           [--fault kind:element]... [--spice]
       npm run --silent pyraxis -- prove <job.json>`

/** The file, or the way it was asked for, is at fault: told plainly, exit status 2. */
export class Refusal extends Error {}

export function refuse(message: string): never {
  throw new Refusal(message)
}

type Options = NonNullable<ParseArgsConfig['options']>

/**
 * A command's arguments: its options, and the files it names, at most so many.
 * @throws Refusal in words for an option that is not known, has no value, or a file too many
 */
export function read<O extends Options>(args: readonly string[], options: O, mostFiles: number) {
  try {
    const { values, positionals } = parseArgs({ args: [...args], options, allowPositionals: true })
    const [file] = positionals
    if (file === undefined || positionals.length > mostFiles) refuse(USAGE)
    return { values, file, more: positionals.slice(1) }
  } catch (error) {
    if (error instanceof Refusal) throw error
    const { code, message } = error as { code?: string; message: string }
    const option = /'(--?[\w-]+)/.exec(message)?.[1] ?? ''
    return refuse(
      code === 'ERR_PARSE_ARGS_UNKNOWN_OPTION'
        ? `${option} is not known. ${USAGE}`
        : `${option} wants something after it. ${USAGE}`,
    )
  }
}

export function readText(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    return refuse(`${file} cannot be read: is it there?`)
  }
}

export function readJob(file: string): Job {
  const found = readJobFile(readText(file))
  return found.ok ? found.job : refuse(`${file}: ${found.message}`)
}

/** The moment that `PYRAXIS_NOW` fixes, else now. */
export function now(): Date {
  const fixed = new Date(process.env.PYRAXIS_NOW ?? '')
  return Number.isNaN(fixed.getTime()) ? new Date() : fixed
}
