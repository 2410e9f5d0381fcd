import { isSettable } from './is-thermostat'
import { firstCircuit } from './circuit'
import { proposeBaySetting, proposeSetting, readingOf, type Setting } from '../control'
import type { Job } from '../job'
import { air, bay, coolant } from '../units'

/**
 * A setting worked out without a run for a fan's controller; null where there is none to set.
 * @param bandK that is wanted; as it is set where nobody says
 * @see engineering §3.2
 */
export function proposedSetting(
  job: Job,
  circuit = firstCircuit(job),
  bandK = circuit.controller?.bandK ?? 0,
): Setting | null {
  const part = circuit.controller?.part
  if (!part?.range || !isSettable(part)) return null
  const hottest = air(job.surroundings.hottestC.value)
  if (job.bay) {
    const coldest = air(job.surroundings.coldestC.value)
    const highest = bay(job.bay.allowedC.value - circuit.probe.overshootK.value)
    const allowedAtProbeC = Math.min(
      ...[coldest, hottest].map((a) => readingOf(highest, a, circuit.probe.kappa.value).c),
    )
    return proposeBaySetting({
      allowedAtProbeC,
      hottest,
      bandK,
      kind: part.band,
      range: part.range,
    })
  }
  if (!job.engine?.thermostatOpensC) return null
  return proposeSetting({
    opens: coolant(job.engine.thermostatOpensC.value),
    hottest,
    kappa: circuit.probe.kappa.value,
    bandK,
    kind: part.band,
    range: part.range,
  })
}
