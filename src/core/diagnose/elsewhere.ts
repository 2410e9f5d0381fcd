import { chooseController } from '../fan-circuit'
import {
  changeFuse,
  changeIntent,
  changeRun,
  changeSizes,
  changeWiring,
  chooseFan,
  chooseRelay,
  type Job,
} from '../job'
import type { ControllerPart, FanPart, RelayPart } from '../parts'
import { typical } from '../reading'
import type { FoundCaller, FoundFeed } from './found'
import { say } from '../words'

/** Five things that are seen on a machine that was fitted elsewhere. */
export interface FittedElsewhere {
  /** what stands on the fan, A; null: nothing that can be read */
  readonly amps: number | null
  readonly caller: FoundCaller
  readonly relay: boolean
  readonly feed: FoundFeed
  /** what is in its holder, A; null: nobody found one, or nothing stands on it */
  readonly fuseA: number | null
}

const bare = { maker: '', note: say`as found on the machine`, facts: [] }
/** where nothing stands on the fan: a small one may take 3 A, a large one 12 A (estimate) */
const ANY_A = typical(6, 0.5)

const fanFound = ({ amps }: FittedElsewhere, systemV: number): FanPart => ({
  ...bare,
  id: 'fan-found',
  name: say`Fan, as found`,
  kind: 'fan',
  motor: 'brushed',
  ratedV: systemV,
  ratedA: amps === null ? ANY_A : { value: amps, source: 'label' },
  lockedA: null,
  diameterM: typical(0.15, 0.3),
  housingM: typical(0.16, 0.3),
  fixings: 4,
  boltCircleM: typical(0.18, 0.3),
  depthM: typical(0.055, 0.3),
  freeFlowM3s: typical(0.08, 0.4),
  maxPressurePa: typical(110, 0.3),
  massKg: typical(0.7, 0.4),
  leadM: typical(0.4, 0.3),
  ingress: null,
})

const controllerBare = {
  ...bare,
  kind: 'controller' as const,
  range: null,
  fixed: null,
  leastDuty: null,
  contact: { ratedA: 15, rating: 'motor' as const, makeA: null },
  terminalAreaM2: null,
  inputs: [],
  probeOpen: 'fan off' as const,
  probeShorted: 'fan on' as const,
  leadM: null,
  supplyLeadM: null,
  keys: [],
  suppliedProbeId: null,
  ingress: null,
}

const callers: Readonly<Record<FoundCaller, ControllerPart>> = {
  'thermostat with a probe': {
    ...controllerBare,
    id: 'thermostat-found',
    name: say`Thermostat, as found`,
    band: 'below',
    range: { minC: 20, maxC: 120, stepK: 1, bandMinK: 1, bandMaxK: 20 },
    standbyA: typical(0.005),
  },
  'thermo-switch in the coolant': {
    ...controllerBare,
    id: 'switch-found',
    name: say`Thermo-switch, as found`,
    band: 'fixed',
    fixed: { closesC: typical(92, 0.05), opensC: typical(87, 0.05) },
    standbyA: typical(0, 0),
  },
  'hand switch': {
    ...controllerBare,
    id: 'hand-found',
    name: say`Hand switch, as found`,
    band: 'hand',
    standbyA: typical(0, 0),
  },
}

const relayFound = (coilV: 12 | 24): RelayPart => ({
  ...bare,
  id: 'relay-found',
  name: say`Relay, as found`,
  kind: 'relay',
  contact: { ratedA: 30, rating: 'resistive', makeA: null },
  coilOhm: coilV === 12 ? 90 : 320,
  coilV,
  suppressed: false,
  terminalAreaM2: null,
})

/** what such a fan is usually wired with (estimate) */
const USUAL_SIZE = '1.5 mm²'
const USUAL_FUSE_A = 15

/**
 * A job's circuit as somebody else has made it, by five things that can be seen of it; what nobody knows is typical.
 * @param job a new one, of wiring alone
 */
export function fittedElsewhere(job: Job, seen: FittedElsewhere): Job {
  const { systemV } = job.machine
  const fanned = chooseFan(job, fanFound(seen, systemV))
  const called = chooseController(fanned, callers[seen.caller], null)
  const switched = seen.relay
    ? changeRun(chooseRelay(called, relayFound(systemV)), { switchedBy: 'relay' })
    : changeRun(called, { switchedBy: 'controller' })
  const byHand = seen.caller === 'hand switch'
  const asked = changeIntent(switched, { control: byHand ? 'hand switch' : 'thermostat', ifControllerDies: 'nothing' })
  const fed = changeWiring(changeRun(asked, { source: seen.feed }), { override: 'none' })
  return changeFuse(changeSizes(fed, USUAL_SIZE), seen.fuseA ?? USUAL_FUSE_A)
}
