import { readFileSync } from 'node:fs'
import { createServer, type ServerResponse } from 'node:http'
import { parseArgs } from 'node:util'
import { proofsOf } from '../src/core/build'
import { readJobFile } from '../src/formats'

/**
 * A bench that stands in for a logger on a real one: a thermostat controller with a display and two keys, its probe in
 * coolant that is warmed, a clamp and two volt readings. Streams a line five times a second of its own time, as
 * newline-delimited JSON and as server-sent events.
 */
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    port: { type: 'string', default: '4010' },
    /** seconds of the bench in one of the clock's */
    speed: { type: 'string', default: '1' },
    /** ohm of a bad joint in the feed */
    joint: { type: 'string', default: '0' },
  },
})
const file = positionals.at(0) ?? 'examples/fell-bike-signed.job.json'
const read = readJobFile(readFileSync(file, 'utf8'))
if (!read.ok) {
  process.stderr.write(`${file}: ${read.message}\n`)
  process.exit(1)
}
const proofs = proofsOf(read.job)
const predicted = (id: string, otherwise: number): number =>
  proofs.find((p) => p.id === id)?.predicted?.value ?? otherwise
const [speed, jointOhm] = [Number(values.speed), Number(values.joint)]
const figures = {
  amps: predicted('amps', 5),
  inrushA: predicted('inrush', 15),
  fanV: predicted('volts', 13.4),
}
const STEP_S = 0.2
/** K/s that the heater gives, and that the coolant loses standing and with the fan on */
const RATES = { heater: 0.16, still: 0.02, fan: 0.34 }
const PROBE_LAG_S = 4
const START_TAU_S = 0.35

const bench = {
  t: 0,
  coolantC: predicted('stops', 85) - 6,
  probeC: predicted('stops', 85) - 6,
  startsC: predicted('starts', 90),
  bandK: predicted('starts', 90) - predicted('stops', 85),
  on: false,
  onSince: 0,
}

/** Goes on by one step. @returns the line that a logger would write then */
function step(): string {
  const b = bench
  b.t += STEP_S
  b.coolantC += STEP_S * (RATES.heater - (b.on ? RATES.fan : RATES.still))
  b.probeC += (STEP_S / PROBE_LAG_S) * (b.coolantC - b.probeC)
  const wanted = b.on ? b.probeC > b.startsC - b.bandK : b.probeC >= b.startsC
  if (wanted && !b.on) b.onSince = b.t
  b.on = wanted
  const start = (figures.inrushA - figures.amps) * Math.exp(-(b.t - b.onSince) / START_TAU_S)
  const amps = b.on ? figures.amps + start : 0
  const batteryV = 14.2 - 0.02 * amps
  const noise = (size: number): number => size * Math.sin(12.9898 * b.t * b.t)
  return JSON.stringify({
    t: +b.t.toFixed(1),
    probeC: +(b.probeC + noise(0.05)).toFixed(2),
    clampA: +(amps + noise(0.03)).toFixed(2),
    batteryV: +batteryV.toFixed(2),
    fanV: +(b.on ? figures.fanV - 0.02 * start - amps * jointOhm : 0).toFixed(2),
    display: String(Math.round(b.probeC)),
  })
}

const listeners = new Map<ServerResponse, (line: string) => string>()
setInterval(
  () => {
    const line = step()
    for (const [answer, form] of listeners) answer.write(form(line))
  },
  (1000 * STEP_S) / speed,
)

const face = (): string => `<!doctype html><html lang="en"><meta charset="utf-8"><title>Bench stand-in</title>
<style>
  body { font: 18px sans-serif; margin: 2rem }
  output { font: 64px monospace; display: block }
  button { font-size: 20px; padding: 12px 20px }
</style>
<h1>Bench stand-in</h1><output id="d">--</output><p id="s"></p>
<button data-k="raise">raise by 1</button> <button data-k="lower">lower by 1</button>
<script>
  new EventSource('/live').onmessage = (e) => {
    const l = JSON.parse(e.data)
    d.textContent = l.display
    s.textContent = 'clamp ' + l.clampA + ' A, battery ' + l.batteryV + ' V, fan ' + l.fanV + ' V'
  }
  document.onclick = (e) => {
    if (e.target.dataset.k) fetch('/keys/' + e.target.dataset.k, { method: 'POST' })
  }
</script>`

createServer((request, answer) => {
  const listen = (type: string, form: (line: string) => string): void => {
    answer.writeHead(200, { 'content-type': type, 'cache-control': 'no-store' })
    listeners.set(answer, form)
    request.on('close', () => listeners.delete(answer))
  }
  const key = /^\/keys\/(raise|lower)$/.exec(request.url ?? '')?.[1]
  if (request.method === 'POST' && key) {
    bench.startsC += key === 'raise' ? 1 : -1
    answer.writeHead(204).end()
  } else if (request.url === '/live.ndjson') listen('application/x-ndjson', (line) => `${line}\n`)
  else if (request.url === '/live') listen('text/event-stream', (line) => `data: ${line}\n\n`)
  else if (request.url === '/') answer.writeHead(200, { 'content-type': 'text/html' }).end(face())
  else answer.writeHead(404).end()
}).listen(Number(values.port), '127.0.0.1', () => {
  process.stdout.write(
    `A bench stands in on http://127.0.0.1:${values.port}: /live.ndjson, /live, and its face. ` +
      `Starts at ${bench.startsC.toFixed(1)} °C, takes ${figures.amps.toFixed(1)} A.\n`,
  )
})
