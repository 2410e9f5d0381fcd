// npm run bench: medians on this machine, by hand; nothing here is a test
import { mkdtempSync, readFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { judgeSchemes, wiredAs } from '../src/core/advice'
import { movedBy } from '../src/core/cooling'
import { lookupOf } from '../src/core/job'
import { evaluate, sample } from '../src/core/margins'
import type { FanPart } from '../src/core/parts'
import { ranked, searchPlacements } from '../src/core/placing'
import { allStates, Circuit, runningHot } from '../src/core/circuit'
import { circuitDrawing, circuitGraph } from '../src/core/drawing'
import { netlistOf, provedCircuit } from '../src/core/wiring'
import { Bench } from '../src/core/reading'
import { layOut } from '../src/layout/circuit-layout'
import { readShelfFile } from '../src/formats'
import { inBrowser } from './in-browser'
import { inStore } from './in-store'
import { runs } from './of-runs'
import { job, say, time, timeAsync } from './timing'

say(
  'evaluate(job)',
  time(200, (j) => evaluate(j)),
  'aim < 5 ms',
)
const shelf = readShelfFile(readFileSync('examples/shelf.json', 'utf8'))
const fans = shelf.ok ? shelf.parts.filter((p): p is FanPart => p.kind === 'fan') : []
say(
  'one operating point, fan on core',
  time(400, (j) => movedBy(new Bench(lookupOf(j)), j)),
  '',
)
say(
  `best places of ${fans.length} fans on two cores, both sides`,
  time(20, (j) => ranked([...searchPlacements(j, fans)])),
  'aim < 1000 ms, in its worker',
)
const parts = shelf.ok ? shelf.parts : []
const wired = wiredAs(
  {
    ...job,
    use: { ...job.use, live: 'after-run' },
    wiring: { ...job.wiring, intent: { ...job.wiring.intent, control: 'thermostat and override' } },
  },
  'fed relay',
  parts,
)
const circuit = netlistOf(wired)
say(
  `table of ${allStates(new Circuit(circuit)).length} states, ${new Circuit(circuit).nodes.length} nodes`,
  time(200, () => allStates(new Circuit(circuit))),
  'aim < 5 ms for 32',
)
say(
  'netlist and proof of a job, everything anew',
  time(100, (j) => provedCircuit({ ...j, wiring: wired.wiring, runs: wired.runs, relays: wired.relays })),
  '',
)
say(
  'every way of wiring judged',
  time(10, (j) => judgeSchemes({ ...j }, parts)),
  'in its worker',
)
const graph = circuitGraph(circuit)
const laid = await layOut(graph)
say('circuit laid out', await timeAsync(20, () => layOut(graph)), 'aim < 50 ms with the next, in its worker')
say(
  'circuit drawn from its layout, with its state',
  time(100, () => {
    const c = runningHot
    circuitDrawing('c', circuit, graph, laid, { conditions: c, solution: new Circuit(circuit).solve(c), figures: true })
  }),
  '',
)
say(
  'sample(job), 512 samples',
  time(40, (j) => sample(j)),
  'aim < 50 ms, in its worker',
)
runs()
const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-bench-'))
await inStore(path.join(folder, 'bench.db'))
await inBrowser(folder)
