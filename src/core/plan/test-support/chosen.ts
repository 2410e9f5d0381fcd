import { chooseController } from '../../fan-circuit'
import {
  askedFields,
  changeFuse,
  changeIntent,
  changeRun,
  changeSizes,
  changeWiring,
  chooseFan,
  type Job,
  withReading,
} from '../../job'
import type { ControllerPart, FanPart, Part, ProbePart } from '../../parts'

const wished = (job: Job): Job =>
  changeWiring(changeIntent(job, { control: 'thermostat', ifControllerDies: 'nothing' }), { override: 'none' })

/** Room enough everywhere, and short ways: what is left is what its margins say. */
const roomy = (job: Job): Job =>
  askedFields(job)
    .filter(({ address }) => /^place\.(leads|freeDepthM)|GapM$/.test(address))
    .reduce(
      (j, { address }) =>
        withReading(j, address, { value: address.includes('leads') ? 0.1 : 0.2, source: 'measured' as const }),
      job,
    )

/** A new job with a fan, a controller and its wires chosen so that no margin but what can be accepted is short. */
export const chosen = (begun: Job, shelf: readonly Part[]): Job => {
  const part = <P extends Part>(id: string): P => shelf.find((p) => p.id === id) as P
  const fanned = chooseFan(wished(begun), part<FanPart>('fan-swift-116'))
  const called = chooseController(
    fanned,
    part<ControllerPart>('controller-beadwheel'),
    part<ProbePart>('probe-fin-800'),
  )
  const wired = changeFuse(changeSizes(changeRun(called, { switchedBy: 'controller' }), '2.5 mm²'), 7.5)
  return roomy({ ...wired, machine: { ...wired.machine, hasBattery: true, outputDc: true, ownerAllows: 'anything' } })
}
