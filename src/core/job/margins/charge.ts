import { breakevenRpm, chargeFromPoints, chargeFromRating, largestShare, netCharge } from '../../electrical'
import { following, type Bench, type Worked } from '../../reading'
import type { Job } from '../document'
import { circuitsOf, runCurrent } from './circuit'
import { fixedScale, type MarginDefinition, type PartDefinition } from './part'

/** The states of work in which the charging system is looked at. */
export const workStates = [
  { id: 'idle', name: 'at idle', rpm: 'engine.idleRpm' },
  { id: 'slow work', name: 'at slow work', rpm: 'engine.slowRpm' },
  { id: 'cruise', name: 'at cruise', rpm: 'engine.cruiseRpm' },
] as const

/** Charging current at an engine speed, however it is known. @see engineering §1.8 */
export function chargeAt(bench: Bench, job: Job, rpm: number): Worked {
  const { charging } = job
  if (charging.known === 'points' && charging.points.length > 0) {
    return chargeFromPoints(rpm, charging.points.map((p) => ({ rpm: bench.value(`charging.points.${p.id}.rpm`), currentA: bench.value(`charging.points.${p.id}.currentA`) })))
  }
  return chargeFromRating(rpm, bench.value('charging.ratedA'), bench.value('charging.ratedRpm'), bench.value('engine.idleRpm'))
}

/** What every controller of the job draws, A. */
export const controllersDraw = (bench: Bench, job: Job): number => job.controllers.reduce((sum, c) => sum + bench.value(`controllers.${c.id}.part.standbyA`), 0)

/** All fans at once, at the regulator's voltage. */
function fansCurrent(bench: Bench, job: Job): { total: number; worked: Worked[] } {
  const all = circuitsOf(job).flatMap((c) => (c.fan ? [runCurrent(bench, c.fan)] : []))
  return { total: all.reduce((s, w) => s + w.value, 0), worked: all }
}

/** What comes in and goes out in one state, A. */
export interface Flow {
  readonly id: string
  readonly name: string
  readonly rpm: number
  readonly chargeA: number
  readonly loadsA: number
  readonly fanA: number
  readonly controllerA: number
  readonly netA: number
  readonly largestShare: number
}

/** The stacked flows of the Power station. @see engineering §1.8 */
export function powerFlows(job: Job, bench: Bench): { readonly flows: Flow[]; readonly breakevenRpm: number | null } {
  const loadsA = bench.value('charging.otherLoadsA')
  const fanA = fansCurrent(bench, job).total
  const controllerA = controllersDraw(bench, job)
  const flows = workStates.map(({ id, name, rpm }) => {
    const at = bench.value(rpm)
    const chargeA = chargeAt(bench, job, at).value
    return { id, name, rpm: at, chargeA, loadsA, fanA, controllerA, netA: netCharge(chargeA, loadsA, fanA, 1, controllerA).value, largestShare: largestShare(chargeA, loadsA, fanA, controllerA) }
  })
  return { flows, breakevenRpm: breakevenRpm((rpm) => chargeAt(bench, job, rpm).value, loadsA + fanA + controllerA, bench.value('engine.ratedRpm')) }
}

/** What is left over in each state of work, the fan running all the time until a run says otherwise. @see engineering §1.8, margins.md */
export function chargeMargin(job: Job): MarginDefinition {
  const chosen = job.fans.length > 0
  return {
    id: 'charge', name: 'Charge', basis: 'rule of thumb',
    parts: workStates.map(({ id, name, rpm }): PartDefinition => {
      const common = { id, name, unit: 'A', required: 0 } as const
      if (!chosen) return { ...common, needs: 'a fan' }
      return {
        ...common, scale: fixedScale(2),
        compute: (bench) => {
          const charge = chargeAt(bench, job, bench.value(rpm))
          const fans = fansCurrent(bench, job)
          return following([charge, ...fans.worked], netCharge(charge.value, bench.value('charging.otherLoadsA'), fans.total, 1, controllersDraw(bench, job)))
        },
      }
    }),
  }
}
