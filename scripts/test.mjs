// npm test: installs what is missing, then types, lint, layers, unit tests, build and browser tests
import { existsSync, rmSync } from 'node:fs'
import path from 'node:path'
import { bin, build, installPackages, run } from './shared.mjs'

function installChromium() {
  if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) return
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = [...sudo, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get']
  run('look for Chromium', apt[0], [...apt.slice(1), 'update'])
  run('install Chromium', apt[0], [...apt.slice(1), 'install', '-y', '--no-install-recommends', 'chromium'])
}

installPackages()
installChromium()
rmSync(path.join('.next', 'types'), { recursive: true, force: true })
rmSync(path.join('.next', 'dev', 'types'), { recursive: true, force: true })
run('route types', process.execPath, [path.join('node_modules', 'next', 'dist', 'bin', 'next'), 'typegen'])
run('types', bin('tsc'), ['--noEmit'])
run('lint', bin('eslint'), ['.', '--max-warnings', '0'])
run('layers and circles', bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs'])
run('unit tests', bin('jest'), [])
build()
run('browser tests', bin('playwright'), ['test'])
process.stdout.write('\nEverything passed.\n')
