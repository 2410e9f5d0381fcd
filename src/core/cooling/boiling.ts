import { coolantBoils, heatToCarry, outletDrop } from '../air'
import type { FanCircuit } from '../fan-circuit'
import type { Job } from '../job'
import { type Bench, following, type Worked } from '../reading'

/**
 * Heat at the heaviest load meant makes the outlet colder than the inlet; 0 unless the probe sits at the outlet.
 * @see engineering §3.2 rule 4
 */
export function outletDropAt(bench: Bench, circuit: FanCircuit, job: Job): Worked {
  if (!circuit.probe.atOutlet || !job.engine) return { value: 0, lines: [] }
  const share = bench.value('engine.heatShare')
  const power = bench.value('engine.ratedPowerW')
  const heat = heatToCarry(share, bench.value('engine.loadShare'), power)
  return following(
    [heat],
    outletDrop(heat.value, share * power, bench.value('engine.slowRpm'), bench.value('engine.ratedRpm')),
  )
}

/** Boiling point of this machine's coolant. @throws TypeError where there is no coolant @see engineering §2.2 */
export function boilsAt(bench: Bench, job: Job) {
  if (!job.cooling) throw new TypeError('this machine has no coolant')
  const { coolant: kind } = job.cooling
  return coolantBoils(
    kind,
    kind === 'water' ? 0 : bench.value('cooling.glycolShare'),
    bench.value('surroundings.heightM'),
    bench.value('cooling.capPa'),
  )
}
