import { type ChildProcess, spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import path from 'node:path'
import { buildSync } from 'esbuild'

const ROOT = path.join(__dirname, '..', '..', '..')
// where the packages are found
const bundle = path.join(ROOT, 'node_modules', '.cache', 'pyraxis', `store-${process.pid}.mjs`)

/** The store as one file that a process of its own loads at once; `end` takes it away. */
export function ownProcesses(): { start: (program: string) => ChildProcess; end: () => void } {
  buildSync({
    entryPoints: [path.join(ROOT, 'src', 'store', 'index.ts')],
    outfile: bundle,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    absWorkingDir: ROOT,
  })
  return {
    start: (program) =>
      spawn(process.execPath, ['-e', `import(${JSON.stringify(bundle)}).then(async (s) => { ${program} })`], {
        stdio: ['ignore', 'pipe', 'inherit'],
      }),
    end: () => rmSync(bundle, { force: true }),
  }
}

/** Lets it say its first word, then so many ms, then kills it as a power cut does. */
export async function killedAfter(child: ChildProcess, ms: number): Promise<void> {
  const word = new Promise<void>((resolve) => child.stdout!.once('data', () => resolve()))
  const silent = ended(child).then(() => Promise.reject(new Error('it ended before it said anything')))
  await Promise.race([word, silent])
  silent.catch(() => null)
  await new Promise((resolve) => setTimeout(resolve, ms))
  child.kill('SIGKILL')
  await ended(child)
}

/** Waits for its end, however it ends. */
export const ended = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve()
    else child.once('exit', () => resolve())
  })
