import { spawn } from 'node:child_process'
import path from 'node:path'
import { backupFolder, defaultFile, listBackups, now } from '@/store'
import { log } from './log'

const HOUR_MS = 3_600_000
/** a server that has just come up has other things to do first */
const FIRST_MS = 60_000
/** a copy is due when the newest is older */
const EVERY_MS = 20 * HOUR_MS
const MOST_SAID = 2000

/** What a run of the yard's command line came to. */
export interface Tended {
  readonly ok: boolean
  readonly said: string
}

/** Runs a command of the yard beside this process, which goes on answering meanwhile. */
export function tend(...command: readonly string[]): Promise<Tended> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--import', 'tsx', path.join('src', 'tend', 'index.ts'), ...command], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, PYRAXIS_DB: defaultFile() },
    })
    let said = ''
    const hear = (data: Buffer): void => {
      said = (said + data.toString()).slice(-MOST_SAID)
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.once('error', (error) => resolve({ ok: false, said: error.message }))
    child.once('close', (code) => resolve({ ok: code === 0, said: said.trim() }))
  })
}

async function once(): Promise<void> {
  const folder = backupFolder()
  const newest = listBackups(folder)[0]
  if (folder === null || (newest && now().getTime() - Date.parse(newest.at) < EVERY_MS)) return
  const { ok, said } = await tend('daily')
  if (ok) log.info({ said }, 'the yard was tended')
  else log.error({ said }, 'the yard could not be tended: there may be no new copy of it')
}

/** Once a day, while this server is up: a copy of the yard, and what is older looked after. */
export function tendDaily(): void {
  setTimeout(() => void once(), FIRST_MS).unref()
  setInterval(() => void once(), HOUR_MS).unref()
}
