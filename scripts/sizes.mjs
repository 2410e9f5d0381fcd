// Scripts that a page loads before it is first used, gzipped, against what they may be
import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import net from 'node:net'
import os from 'node:os'
import path from 'node:path'
import { gzipSync } from 'node:zlib'

/** kB; a page that grows past it is looked at before the number is */
const budget = { yard: 150, 'job page': 205, shelf: 210 }

const port = await new Promise((resolve) => {
  const probe = net.createServer().listen(0, '127.0.0.1', () => {
    const { port: free } = probe.address()
    probe.close(() => resolve(free))
  })
})
const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-sizes-'))
const env = { ...process.env, NODE_ENV: 'production', PYRAXIS_BACKUPS: 'off', PYRAXIS_DB: path.join(folder, 'yard.db') }
const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'src/demo/load.ts'], { env, stdio: 'ignore' })
if (status !== 0) throw new Error('the demo yard could not be loaded')
const next = path.join('node_modules', 'next', 'dist', 'bin', 'next')
const server = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(port)], { env, stdio: 'ignore' })
const at = (where) => new URL(where, `http://127.0.0.1:${port}`)

async function page(where) {
  for (let n = 0; ; n++) {
    try {
      return await (await fetch(at(where))).text()
    } catch (error) {
      if (n === 100) throw error
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
  }
}

async function kilobytes(html) {
  const tags = [...html.matchAll(/<script[^>]+src="(\/_next\/[^"]+\.js[^"]*)"[^>]*>/g)]
  const ahead = [...html.matchAll(/<link[^>]+href="(\/_next\/[^"]+\.js[^"]*)"[^>]*>/g)]
  const scripts = [...new Set([...tags, ...ahead].filter(([tag]) => !/nomodule/i.test(tag)).map((m) => m[1]))]
  const sizes = await Promise.all(
    scripts.map(async (s) => gzipSync(Buffer.from(await (await fetch(at(s))).arrayBuffer())).length),
  )
  return sizes.reduce((sum, n) => sum + n, 0) / 1000
}

let over = false
try {
  const yard = await page('/')
  const job = /href="(\/jobs\/[\w-]+)"/.exec(yard)[1]
  for (const [name, html] of [
    ['yard', yard],
    ['job page', await page(job)],
    ['shelf', await page('/shelf')],
  ]) {
    const size = await kilobytes(html)
    over ||= size > budget[name]
    process.stdout.write(
      `${name}: ${size.toFixed(0)} kB of scripts, may be ${budget[name]} kB${size > budget[name] ? ': TOO MUCH' : ''}; ` +
        `page itself ${(gzipSync(html).length / 1000).toFixed(0)} kB\n`,
    )
  }
} finally {
  server.kill('SIGKILL')
  rmSync(folder, { recursive: true, force: true })
}
process.exit(over ? 1 : 0)
