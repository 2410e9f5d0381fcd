// Builds the database's driver from source, or takes the one that this machine has built before: a new checkout of the
// same version under the same Node needs the same file, and the compiler takes minutes.
import { spawnSync } from 'node:child_process'
import { copyFileSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'

const driver = path.join('node_modules', 'better-sqlite3')
const built = path.join(driver, 'build', 'Release', 'better_sqlite3.node')
const { version } = JSON.parse(readFileSync(path.join(driver, 'package.json'), 'utf8'))
const folder = path.join(process.env.npm_config_cache ?? path.join(os.homedir(), '.npm'), '_pyraxis')
const kept = path.join(
  folder,
  `better-sqlite3-${version}-node-${process.versions.modules}-${process.platform}-${process.arch}.node`,
)

/** Whether it opens a database here: one that was built beside another C library does not. */
const works = () =>
  spawnSync(process.execPath, ['-e', "new (require('better-sqlite3'))(':memory:').prepare('select 1').get()"])
    .status === 0

/** Put in its place whole: another program may look for it meanwhile. */
function copy(from, to) {
  mkdirSync(path.dirname(to), { recursive: true })
  const part = `${to}.${process.pid}`
  copyFileSync(from, part)
  renameSync(part, to)
}

if (existsSync(kept)) {
  copy(kept, built)
  if (works()) {
    process.stdout.write(`taken from ${folder}, where an earlier build was kept\n`)
    process.exit(0)
  }
  rmSync(built)
}
// its own settings optimise harder, which takes the compiler twice as long, and no query of ours notices
const env = { ...process.env, CFLAGS: '-O1', CXXFLAGS: '-O1' }
const { status } = spawnSync('npm', ['rebuild', 'better-sqlite3'], { stdio: 'inherit', env })
if (status !== 0 || !works()) process.exit(status || 1)
try {
  copy(built, kept)
} catch (error) {
  // a folder that cannot be written to costs the next checkout minutes, and nothing else
  process.stdout.write(`it is not kept for another checkout: ${error.message}\n`)
}
