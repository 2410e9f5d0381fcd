import { createRequire } from 'node:module'
import { settingMap } from '../src/core/advice'
import { lookupOf } from '../src/core/job'
import { evaluate, sample } from '../src/core/margins'
import { plainLeg, runSpecOf, settledFindings, simulate, usualCircumstances } from '../src/core/run'
import { integrate, STATES, type Plant } from '../src/core/transient'
import { Bench } from '../src/core/reading'
import { job, median, say, time } from './timing'

/** the adaptive solver as it is used here; its own types do not pass strict checks */
interface AdaptiveSolver {
  absoluteTolerance: number
  relativeTolerance: number
  maxSteps: number
  solve(rates: (t: number, y: number[]) => number[], from: number, y: readonly number[], to: number): { y: number[] }
}

/**
 * Runs: eight hours beside a general adaptive solver on the same equations, a sweep of settings, findings with all
 * spreads.
 */
export function runs(): void {
  const hours = (n: number) => ({
    name: 'bench',
    from: 'hand' as const,
    legs: Array.from({ length: n }, (_, i) =>
      [
        ['idle', 10],
        ['slow', 30],
        ['speed', 20],
      ].map(([work, minutes], k) => plainLeg(`l${i}-${k}`, String(work), work as 'idle', Number(minutes))),
    ).flat(),
  })
  const eight = (): void => {
    simulate({ ...job, duty: hours(8) }, usualCircumstances, { everyS: 1 })
  }
  for (let n = 0; n < 3; n++) eight()
  const mine = median(
    Array.from({ length: 7 }, () => {
      const began = performance.now()
      eight()
      return performance.now() - began
    }),
  )
  // the other solver has no points at which a fan switches: both run without one, leg by leg, to the same accuracy
  const still = { ...usualCircumstances, fan: 'none' as const }
  const { Solver } = createRequire(import.meta.url)('odex') as { Solver: new (n: number) => AdaptiveSolver }
  const spec = () => runSpecOf(new Bench(lookupOf(job)), job, still, hours(8))
  const fixed = median(
    Array.from({ length: 5 }, () => {
      const s = spec()
      const began = performance.now()
      integrate(s, { everyS: 60 })
      return performance.now() - began
    }),
  )
  const adaptive = (): void => {
    const { plant, legs }: { plant: Plant; legs: ReturnType<typeof spec>['legs'] } = spec()
    const y = new Float64Array(STATES)
    const dy = new Float64Array(STATES)
    plant.begin(legs[0]!)
    plant.settle(y, legs[0]!.airC)
    const solver = new Solver(STATES)
    solver.absoluteTolerance = solver.relativeTolerance = 1e-5
    solver.maxSteps = 1e6
    let at = [...y]
    for (const leg of legs) {
      plant.begin(leg)
      plant.blow(new Float64Array(0))
      at = solver.solve(
        (_, now) => {
          y.set(now)
          plant.rates(y, dy)
          return [...dy]
        },
        0,
        at,
        leg.seconds,
      ).y
    }
  }
  const other = median(
    Array.from({ length: 3 }, () => {
      const began = performance.now()
      adaptive()
      return performance.now() - began
    }),
  )
  say('eight hours run, 0.2 s a step, fan switching', mine, 'aim < 300 ms')
  say(
    'the same without a fan; an adaptive solver beside it',
    fixed,
    `it takes ${other.toFixed(0)} ms, ${(other / fixed).toFixed(1)} ×`,
  )
  const twoHours = { ...job, duty: hours(2) }
  const began = performance.now()
  const steps = settingMap(twoHours, null)
  let cells = 0
  for (let s = steps.next(); !s.done; s = steps.next()) cells = s.value.done
  const each = (performance.now() - began) / (3 * cells)
  say(`a sweep of 400 runs of two hours (${3 * cells} run)`, 400 * each, 'aim < 10 000 ms on two cores, in its worker')
  const settled = performance.now()
  const found = settledFindings(job, '2026-01-15T10:00:00.000Z')
  say('findings of a job, every spread', performance.now() - settled, 'in its worker')
  say(
    'evaluate(job, run)',
    time(200, (j) => evaluate(j, found)),
    'aim < 5 ms',
  )
  say(
    'sample(job, run)',
    time(20, (j) => sample(j, found)),
    'aim < 50 ms, in its worker',
  )
}
