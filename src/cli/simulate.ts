import type { Day, Job } from '../core/job'
import { runInWords, runWaitsFor, type Season, seasons, simulate, usualCircumstances } from '../core/run'
import { runView, StiffError } from '../core/transient'
import { readDayCsv, readGpx, writeRunCsv } from '../formats/day'
import { type Command, read, readJob, readText, refuse } from './command'

function readDay(file: string, job: Job): { readonly day: Day; readonly notes: readonly string[] } {
  const text = readText(file)
  const found =
    /\.gpx$/i.test(file) || text.trimStart().startsWith('<')
      ? readGpx(text, job.engine?.slowMs.value ?? 0)
      : readDayCsv(text, 'a day from a table')
  return found.ok ? found : refuse(`${file}: ${found.message}`)
}

const isSeason = (text: string): text is Season => seasons.some((s) => s === text)

/** A job run through its day, or one from a file: the run as CSV, what it came to as JSON beside it. */
export const simulateCommand: Command = (args, { out, err }) => {
  const { values, file, more } = read(args, { season: { type: 'string' }, 'no-fan': { type: 'boolean' } }, 2)
  const { season } = values
  if (season !== undefined && !isSeason(season)) refuse(`"${season}" is no season: coldest, usual or hottest.`)
  const job = readJob(file)
  const waits = runWaitsFor(job)
  if (waits) refuse(`${file}: this job cannot be run yet: ${waits}.`)
  const from = more[0] === undefined ? null : readDay(more[0], job)
  const circumstances = {
    ...usualCircumstances,
    season: season ?? (from ? 'usual' : 'hottest'),
    fan: values['no-fan'] ? 'none' : 'proposed',
  } as const
  const ran = from ? { ...job, duty: from.day } : job
  try {
    const run = simulate(ran, circumstances)!
    out(writeRunCsv(run, job.bay !== null))
    const told = {
      circumstances,
      notes: from?.notes ?? [],
      summary: { ...run, trace: undefined },
      words: runInWords(ran, { proposed: runView(run), none: null, present: null }, circumstances, job.units),
    }
    err(`${JSON.stringify(told, null, 2)}\n`)
  } catch (trouble) {
    if (trouble instanceof StiffError) refuse(`${file}: ${trouble.message}`)
    throw trouble
  }
}
