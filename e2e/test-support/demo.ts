import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'

/** Where the demo yard lies that is copied for each test. */
export const DEMO = 'PYRAXIS_DEMO_YARD'

/** Loads the demo yard once, before all tests. @returns what takes it away again */
export default function loadDemo(): () => void {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-demo-'))
  const file = path.join(folder, 'yard.db')
  const { status, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'src/demo/load.ts'], {
    env: { ...process.env, NODE_ENV: 'production', PYRAXIS_DB: file },
    encoding: 'utf8',
  })
  if (status !== 0) throw new Error(stderr)
  process.env[DEMO] = file
  return () => rmSync(folder, { recursive: true, force: true })
}
