import { controlKindOf, RAMP_LEAST_DUTY } from '../control'
import { type FanCircuit, ohmBefore, pointsOf, ratingOf, servingBattery, wiresWaitFor } from '../fan-circuit'
import type { Day, Job } from '../job'
import type { Bench } from '../reading'
import { Bus, FanMotor, Governor, type GovernorSpec, type RunSpec } from '../transient'
import { afterKeyOff } from '../wiring'
import { type Circumstances, usualCircumstances, type WhatIf } from './circumstances'
import { dayOf } from './days'
import { legsOf, seasonAddress } from './legs'
import { bayPlant, COOLANT, coolantPlant, fansOf, probesOf } from './plants'

/** How a fan is governed, whatever is supposed about it. @see engineering §3.1 */
function governorOf(bench: Bench, { controller }: FanCircuit, whatIf: WhatIf): GovernorSpec {
  if (whatIf === 'override left on') return { kind: 'on' }
  if (!controller) return { kind: 'off' }
  const { part } = controller
  const kind = controlKindOf(part)
  if (kind.decidedBy === 'hand') return { kind: whatIf === 'hand switch off' ? 'off' : 'on' }
  if (kind.decidedBy === 'nothing') return { kind: 'on' }
  if (whatIf === 'probe lead open') return { kind: part.probeOpen === 'fan on' ? 'on' : 'off' }
  if (whatIf === 'probe lead shorted') return { kind: part.probeShorted === 'fan on' ? 'on' : 'off' }
  const { on, off } = pointsOf(bench, { controller })
  return {
    kind: 'thermostat',
    onC: on.c,
    offC: off.c,
    spanK: kind.pulses ? controller.spanK : null,
    leastDuty: part.leastDuty ?? RAMP_LEAST_DUTY,
  }
}

/** How long a fan's circuit stays alive with the key off, s. */
function fedAfter(bench: Bench, job: Job, whatIf: WhatIf): number {
  if (whatIf === 'override left on') return job.wiring.override === 'feed' ? Number.POSITIVE_INFINITY : 0
  const after = afterKeyOff(job)
  if (after === 'stops') return 0
  return after === 'for a time' ? bench.value('use.afterRunS') : Number.POSITIVE_INFINITY
}

/**
 * Everything that a run of a job is made of, with this pass's readings.
 * @param day the day it is run through; the job's own where unsaid
 * @throws TypeError where {@link runWaitsFor} says why not
 * @see engineering §4
 */
export function runSpecOf(
  bench: Bench,
  job: Job,
  circumstances: Circumstances = usualCircumstances,
  day: Day = dayOf(job),
): RunSpec {
  const { season, fan, whatIf, airC, blocked } = circumstances
  const { legs, rows } = legsOf(bench, job, day, circumstances)
  const fans = fan === 'none' ? [] : fansOf(bench, job)
  const ids = fans.map((f) => f.circuit.fan.id)
  const plant = job.cooling ? coolantPlant(bench, job, rows, ids, blocked) : bayPlant(bench, job, rows, ids)
  const battery = servingBattery(job)
  const afterS = fedAfter(bench, job, whatIf)
  const motors = fans.map(({ circuit }) => {
    return new FanMotor(ratingOf(bench, circuit.fan), wiresWaitFor(circuit) ? 0 : ohmBefore(bench, circuit))
  })
  return {
    plant,
    legs,
    motors,
    governors: fans.map(({ circuit }) => new Governor(governorOf(bench, circuit, whatIf), { afterS })),
    feels: fans.map(({ circuit }) => probesOf(job).findIndex((c) => c.probe.id === circuit.probe.id)),
    bus: new Bus({
      kind: battery.kind,
      systemV: job.machine.systemV,
      capacityAh: bench.value(`batteries.${battery.id}.capacityAh`),
      charge: bench.value(`batteries.${battery.id}.charge`),
      coldCrankingA: battery.coldCrankingA ? bench.value(`batteries.${battery.id}.coldCrankingA`) : null,
      temperatureC: airC ?? bench.value(seasonAddress[season]),
      regulatorV: bench.value('charging.regulatorV'),
    }),
    controllerA: fans.length
      ? job.controllers.reduce((sum, c) => sum + bench.value(`controllers.${c.id}.part.standbyA`), 0)
      : 0,
    coolantKg: job.cooling ? bench.value('cooling.volumeM3') * COOLANT.density : Number.POSITIVE_INFINITY,
  }
}
