import { spawnSync } from 'node:child_process'
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

export const bin = (name) => path.join('node_modules', '.bin', name)

/** Installs the locked packages where they are missing or older than the lock file. */
export function installPackages() {
  const stamp = path.join('node_modules', '.package-lock.json')
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync('package-lock.json').mtimeMs) return
  run('install packages (better-sqlite3 is built from source: about 3 minutes)', 'npm', [
    'ci',
    '--no-audit',
    '--no-fund',
  ])
}

function newest(place) {
  if (!existsSync(place)) return 0
  const stat = statSync(place)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(stat.mtimeMs, ...readdirSync(place).map((name) => newest(path.join(place, name))))
}

/** Builds the application unless the last build is newer than everything it was made from. */
export function build() {
  const built = newest(path.join('.next', 'BUILD_ID'))
  if (built > Math.max(...['src', 'next.config.ts', 'package.json', 'package-lock.json'].map(newest))) return
  run('build', process.execPath, [path.join('node_modules', 'next', 'dist', 'bin', 'next'), 'build'])
}
