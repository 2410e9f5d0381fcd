// npm test: installs what is missing, then types, lint, layers, unit tests, build and browser tests
import { existsSync, rmSync } from 'node:fs'
import path from 'node:path'
import { bin, build, installPackages, run } from './shared.mjs'

/** Installs one of Debian's packages where what it brings is missing. */
function install(name, brings) {
  if (brings.some((file) => existsSync(file))) return true
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = [...sudo, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get']
  run(`look for ${name}`, apt[0], [...apt.slice(1), 'update'])
  run(`install ${name}`, apt[0], [...apt.slice(1), 'install', '-y', '--no-install-recommends', name])
  return brings.some((file) => existsSync(file))
}

installPackages()
install('chromium', [process.env.CHROMIUM ?? '/usr/bin/chromium'])
const ngspice = install('ngspice', ['/usr/bin/ngspice', '/usr/local/bin/ngspice'])
rmSync(path.join('.next', 'types'), { recursive: true, force: true })
rmSync(path.join('.next', 'dev', 'types'), { recursive: true, force: true })
run('route types', process.execPath, [path.join('node_modules', 'next', 'dist', 'bin', 'next'), 'typegen'])
run('form', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
run('types', bin('tsc'), ['--noEmit'])
run('lint', bin('eslint'), ['.', '--max-warnings', '0'])
run('layers and circles', bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs'])
run('unit tests', bin('jest'), ['--maxWorkers=100%'])
build()
run('sizes of what is built', process.execPath, ['scripts/sizes.mjs'])
run('browser tests', bin('playwright'), ['test'])
process.stdout.write(
  `\nEverything passed${ngspice ? '' : ', but circuits were not held against ngspice: it is not installed'}.\n`,
)
