// npm run network: the yard for everybody in the shop's network, behind its pass-phrase
import { existsSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { installAndBuild, serve } from './shared.mjs'

process.env.PYRAXIS_DB ??= path.join('data', 'pyraxis.db')
const port = process.env.PORT ?? '3000'

if (!existsSync(`${process.env.PYRAXIS_DB}.door.json`)) {
  process.stdout.write('Set a pass-phrase first: npm run --silent yard -- passphrase\n')
  process.exit(2)
}
await installAndBuild()
const { default: QRCode } = await import('qrcode')
const own = Object.values(os.networkInterfaces())
  .flat()
  .filter((at) => at && at.family === 'IPv4' && !at.internal)
  .map((at) => at.address)
process.env.PYRAXIS_NETWORK = 'yes'
process.env.PYRAXIS_HOSTS = [process.env.PYRAXIS_HOSTS, os.hostname(), ...own].filter(Boolean).join(',')
for (const address of own) {
  const url = `http://${address}:${port}`
  process.stdout.write(`\n${url}\n${await QRCode.toString(url, { type: 'terminal', small: true })}\n`)
}
serve('0.0.0.0', port)
