// npx tsx bench/circuits.ts: all 2 304 ways of putting a circuit together, by hand; nothing here is a test
import { readFileSync } from 'node:fs'
import { chooseController } from '../src/core/fan-circuit'
import { changeWiring, type Job } from '../src/core/job'
import type { ControllerPart } from '../src/core/parts'
import { gapsOf, provedCircuit } from '../src/core/wiring'
import { readJobFile, readShelfFile } from '../src/formats'

const read = readJobFile(readFileSync('examples/vineyard-buggy-ready.job.json', 'utf8'))
const shelf = readShelfFile(readFileSync('examples/shelf.json', 'utf8'))
if (!read.ok || !shelf.ok) throw new Error('the examples cannot be read')
const buggy = read.job
const fixed = shelf.parts.find((p): p is ControllerPart => p.kind === 'controller' && p.fixed !== null)!
const [own] = buggy.controllers
const byHand: ControllerPart = { ...own!.part, band: 'hand', range: null }

function* circuits(): Generator<Job> {
  for (const source of ['battery', 'key switch', 'accessory block', 'existing plug'] as const)
    for (const switchedBy of ['relay', 'controller'] as const)
      for (const side of ['positive', 'ground'] as const)
        for (const override of ['none', 'key', 'feed'] as const)
          for (const controlFrom of ['key', 'feed'] as const)
            for (const [timer, call, isolator] of [0, 1, 2, 3, 4, 5, 6, 7].map((n) => [n & 1, n & 2, n & 4]))
              for (const part of [null, fixed, byHand]) {
                const based = part ? chooseController(buggy, part, null) : buggy
                yield changeWiring(
                  {
                    ...based,
                    use: { ...based.use, live: timer ? 'after-run' : 'key only' },
                    runs: based.runs.map((r) => ({ ...r, source, switchedBy })),
                  },
                  { side, override, controlFrom, timer: timer !== 0, call: call !== 0, isolator: isolator !== 0 },
                )
              }
}

let [all, fed, untold, latching, gaps, ms] = [0, 0, 0, 0, 0, 0]
for (const job of circuits()) {
  const began = performance.now()
  const proof = provedCircuit(job)
  ms += performance.now() - began
  const backwards = [...proof.rows.flatMap((r) => r.states), ...proof.latches].filter(
    ({ conditions, solution }) =>
      !conditions.key && !solution.floating.includes('ign') && (solution.volts.get('ign') ?? 0) > 1,
  )
  all++
  if (backwards.length) fed++
  if (backwards.some((s) => s.mismatch === null)) untold++
  if (proof.latches.length) latching++
  if (gapsOf(job, proof.net).length) gaps++
}
process.stdout.write(
  `${all} circuits: ${fed} feed the ignition with the key off, ${untold} of them called “as asked”; ` +
    `${latching} hold themselves; ${gaps} with a terminal that has no wire. ${(ms / all).toFixed(1)} ms a proof.\n`,
)
