// npm test: installs what is missing, then types, lint, layers, unit tests, build and browser tests
import { existsSync, rmSync } from 'node:fs'
import path from 'node:path'
import { bin, build, compiling, installing, run, runTogether } from './shared.mjs'

/** Debian's packages, each with what it brings. */
const debian = {
  chromium: [process.env.CHROMIUM ?? '/usr/bin/chromium'],
  ngspice: ['/usr/bin/ngspice', '/usr/local/bin/ngspice'],
}

/** What fetches the packages that are missing, together; null where none is. */
function fetching() {
  const missing = Object.keys(debian).filter((name) => !debian[name].some((file) => existsSync(file)))
  if (!missing.length) return null
  const apt = `${process.getuid?.() === 0 ? '' : 'sudo '}env DEBIAN_FRONTEND=noninteractive apt-get`
  const all = missing.join(' ')
  return [`install ${all}`, 'sh', ['-c', `${apt} update && ${apt} install -y --no-install-recommends ${all}`]]
}

await runTogether([installing({ toCheck: true }), fetching()])
const ngspice = debian.ngspice.some((file) => existsSync(file))
rmSync(path.join('.next', 'types'), { recursive: true, force: true })
rmSync(path.join('.next', 'dev', 'types'), { recursive: true, force: true })
run('route types', process.execPath, [path.join('node_modules', 'next', 'dist', 'bin', 'next'), 'typegen'])
// the driver takes one core for a minute and more, and none of these asks for it
await runTogether([
  compiling(),
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
  ['types', bin('tsc'), ['--noEmit']],
  ['layers and circles', bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs']],
  ['form', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
])
run('unit tests', bin('jest'), ['--config', 'jest.together.mjs', '--maxWorkers=100%'])
await build()
run('sizes of what is built', process.execPath, ['scripts/sizes.mjs'])
run('browser tests', bin('playwright'), ['test'])
process.stdout.write(
  `\nEverything passed${ngspice ? '' : ', but circuits were not held against ngspice: it is not installed'}.\n`,
)
