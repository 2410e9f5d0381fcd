import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import path from 'node:path'

process.env.NEXT_TELEMETRY_DISABLED = '1'

/** Runs a program in the foreground and stops the script with its status if it fails. */
export function run(title, command, args, env = {}) {
  process.stdout.write(`\n== ${title}\n`)
  const began = Date.now()
  const { status, error } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } })
  if (error) process.stdout.write(`${error.message}\n`)
  if (status !== 0) {
    process.stdout.write(`-- failed: ${title}\n`)
    process.exit(status ?? 1)
  }
  process.stdout.write(`-- ${title}: ${((Date.now() - began) / 1000).toFixed(0)} s\n`)
}

/**
 * Runs programs that have nothing to do with each other at once; what each says is printed when it ends (of a single one
 * as it says it), and the script stops if one failed.
 * @param asked  each null where there is nothing to do
 */
export async function runTogether(asked) {
  const programs = asked.filter((program) => program !== null)
  if (programs.length === 1) run(...programs[0])
  if (programs.length < 2) return
  process.stdout.write(`\n== ${programs.map(([title]) => title).join(', ')}\n`)
  const one = ([title, command, args]) =>
    new Promise((resolve) => {
      const began = Date.now()
      const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] })
      let said = ''
      child.stdout.on('data', (d) => (said += d))
      child.stderr.on('data', (d) => (said += d))
      const end = (ok, more = '') => {
        const time = ((Date.now() - began) / 1000).toFixed(0)
        process.stdout.write(`${said}${more}-- ${ok ? '' : 'failed: '}${title}: ${time} s\n`)
        resolve(ok)
      }
      child.once('error', (error) => end(false, `${error.message}\n`))
      child.once('close', (code) => end(code === 0))
    })
  if ((await Promise.all(programs.map(one))).includes(false)) process.exit(1)
}

export const bin = (name) => path.join('node_modules', '.bin', name)

/**
 * What installs the locked packages, all but what is built from source; null where they are there and no older than the
 * lock file.
 * @param toCheck  with what only types, lint and tests ask for: a third of the time that it takes
 */
export function installing({ toCheck }) {
  const stamp = path.join('node_modules', '.package-lock.json')
  const checks = existsSync(path.join('node_modules', 'jest'))
  const fresh = existsSync(stamp) && statSync(stamp).mtimeMs >= statSync('package-lock.json').mtimeMs
  if (fresh && (checks || !toCheck)) return null
  // a checkout that is worked on keeps what it is checked with
  const which = checks || toCheck ? [] : ['--omit=dev']
  return ['install packages', 'npm', ['ci', '--no-audit', '--no-fund', '--ignore-scripts', ...which]]
}

/** What builds the database's driver from source, on one core, or finds it built before; null where it is there. */
export function compiling() {
  const driver = path.join('node_modules', 'better-sqlite3')
  if (existsSync(path.join(driver, 'build', 'Release', 'better_sqlite3.node'))) return null
  return [
    'database driver (built from source once a machine, about a minute)',
    process.execPath,
    [path.join('scripts', 'driver.mjs')],
  ]
}

function newest(place) {
  if (!existsSync(place)) return 0
  const stat = statSync(place)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(stat.mtimeMs, ...readdirSync(place).map((name) => newest(path.join(place, name))))
}

/**
 * Builds the application unless the last build is newer than everything it was made from.
 * @param beside  programs that it does not wait for, each null where there is nothing to do
 */
export async function build(beside = []) {
  const built = newest(path.join('.next', 'BUILD_ID'))
  const worker = path.join('public', 'sw.js')
  const done =
    existsSync(worker) &&
    built > Math.max(...['src', 'next.config.ts', 'package.json', 'package-lock.json'].map(newest))
  const next = path.join('node_modules', 'next', 'dist', 'bin', 'next')
  await runTogether([done ? null : ['build', process.execPath, [next, 'build']], ...beside])
  if (!done) run('service worker', process.execPath, [path.join('scripts', 'service-worker.mjs')])
}

/** Installs what is missing to run it, and builds it unless that was done. */
export async function installAndBuild() {
  await runTogether([installing({ toCheck: false })])
  await build([compiling()])
}

/**
 * Serves what was built until it is stopped, and starts it again when it says so (as for another language).
 * @param host  address it listens at
 */
export function serve(host, port) {
  const next = path.join('node_modules', 'next', 'dist', 'bin', 'next')
  let server
  let again = false
  const start = () => {
    again = false
    server = spawn(process.execPath, [next, 'start', '-H', host, '-p', port], {
      stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
      env: { ...process.env, PYRAXIS_KEPT: 'yes' },
    })
    server.on('message', (said) => (again ||= said === 'again'))
    server.on('exit', (code) => (again ? start() : process.exit(code ?? 0)))
  }
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      again = false
      server.kill(signal)
    })
  start()
}
