import { circuitsOf, eachOnce, hasThermostat, pointsOf } from '../fan-circuit'
import { type Job, lookupOf } from '../job'
import { Bench } from '../reading'

/** Where a controller starts and stops its fan as it is chosen now, °C. */
export interface SettingNow {
  readonly controller: string
  /** which fan, where there are several: ", second fan" */
  readonly suffix: string
  readonly startsC: number
  readonly stopsC: number
}

/** Every controller with a thermostat once, as its first fan is switched. @see engineering §3.1 */
export function settingsNow(job: Job): SettingNow[] {
  const bench = new Bench(lookupOf(job))
  return eachOnce(job, 'controller').flatMap(([controller]) => {
    const circuit = circuitsOf(job).find((c) => c.controller?.id === controller.id)
    if (!circuit || !hasThermostat(circuit)) return []
    const { on, off } = pointsOf(bench, circuit)
    return [{ controller: controller.id, suffix: circuit.suffix, startsC: on.c, stopsC: off.c }]
  })
}
