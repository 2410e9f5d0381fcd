// npm run demo: installs what is missing, builds, loads the demo yard into its own database and starts on http://127.0.0.1:3000
import path from 'node:path'
import { installAndBuild, run, serve } from './shared.mjs'

process.env.PYRAXIS_DB ??= path.join('data', 'demo.db')
const port = process.env.PORT ?? '3000'

await installAndBuild()
run('load the demo yard', process.execPath, ['--import', 'tsx', 'src/demo/load.ts'])
process.stdout.write(`\nThe demo yard is at http://127.0.0.1:${port} (stop with Ctrl+C)\n`)
serve('127.0.0.1', port)
