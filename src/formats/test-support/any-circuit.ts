import fc from 'fast-check'
import { example, examplesOf, exampleShelf } from './examples'
import { wiredAs } from '../../core/advice'
import { chooseController } from '../../core/fan-circuit'
import { changeWiring, type Job } from '../../core/job'
import { addSecondFan } from '../../core/wiring'

const buggy = example('vineyard-buggy-ready')
const trailer = example('market-cold-trailer')
const shelf = exampleShelf()
const controllers = examplesOf('controller')
const two = addSecondFan(buggy, buggy.fans[0]!.part)
const one = <T>(list: readonly T[]) => fc.constantFrom(...list)

/** Jobs with one fan or two, wired in every way that choices allow: also ways that nobody should take. */
export const anyCircuit: fc.Arbitrary<Job> = fc
  .record({
    job: one([buggy, trailer, wiredAs(two, 'relay each', shelf), wiredAs(two, 'staged', shelf)]),
    controller: one([
      null,
      { ...buggy.controllers[0]!.part, band: 'hand' as const, range: null },
      controllers.find((c) => c.fixed)!,
      controllers.find((c) => c.band === 'ramp')!,
    ]),
    source: one(['battery', 'key switch', 'accessory block', 'existing plug'] as const),
    switchedBy: one(['relay', 'controller'] as const),
    frame: fc.boolean(),
    live: one(['key only', 'after-run', 'isolator', 'whenever hot'] as const),
    wiring: fc.record({
      side: one(['positive', 'ground'] as const),
      override: one(['none', 'key', 'feed'] as const),
      controlFrom: one(['key', 'feed'] as const),
      timer: fc.boolean(),
      timerFrom: one(['battery', 'feed'] as const),
      call: fc.boolean(),
      callFrom: one(['key', 'feed'] as const),
      isolator: fc.boolean(),
      lamp: fc.boolean(),
      loomFuseA: one([null, 10, 30]),
      tapFuseA: one([null, 3]),
      diodes: fc.subarray(['control', 'override', 'call'] as const).map((d) => [...d]),
    }),
  })
  .map(({ job, controller, source, switchedBy, frame, live, wiring }) => {
    const trailing = job.engine === null
    const based = controller ? chooseController(job, controller, null) : job
    return changeWiring(
      {
        ...based,
        use: { ...based.use, live: trailing ? 'isolator' : live },
        runs: based.runs.map((r) => ({ ...r, frame, switchedBy, ...(trailing ? {} : { source }) })),
      },
      {
        ...wiring,
        ...(trailing ? { override: wiring.override === 'key' ? ('feed' as const) : wiring.override } : {}),
      },
    )
  })
