// npm run demo: installs what is missing, builds, loads the demo yard into its own database and starts on http://127.0.0.1:3000
import { spawn } from 'node:child_process'
import path from 'node:path'
import { build, installPackages, run } from './shared.mjs'

process.env.PYRAXIS_DB ??= path.join('data', 'demo.db')
const port = process.env.PORT ?? '3000'

installPackages()
build()
run('load the demo yard', process.execPath, ['--import', 'tsx', 'src/demo/load.ts'])
process.stdout.write(`\nThe demo yard is at http://127.0.0.1:${port} (stop with Ctrl+C)\n`)
const server = spawn(
  process.execPath,
  [path.join('node_modules', 'next', 'dist', 'bin', 'next'), 'start', '-H', '127.0.0.1', '-p', port],
  { stdio: 'inherit' },
)
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', (code) => process.exit(code ?? 0))
