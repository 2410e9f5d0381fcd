import { type MachineKind } from '../choices'
import { typical } from '../../reading'
import type { Medium } from '../document'
import { type JobKind, jobKinds } from '../kinds'
import type { Bay, Cooling, Engine, NewCore } from '../schema/heat'
import type { Trailer } from '../schema/power'
import { type TypicalMachine, typicalMachines } from '../typical'
import { mm } from './place'

/** What carries the heat: coolant through a core, or the air of a bay alone. */
export const mediumOf = (kind: JobKind, machine: MachineKind): 'coolant' | 'air' => {
  const { medium } = jobKinds[kind]
  if (medium === 'coolant' || medium === 'air') return medium
  return typicalMachines[machine].coolant ? 'coolant' : 'air'
}

const KMH = 1 / 3.6
/** a machine that stands while it works is known to stand */
const travel = (kmh: number) => typical(kmh * KMH)

/**
 * What the air of a core asks of an engine besides its rating: what it does standing, slow and at speed.
 * @see engineering §2.6, §2.8
 */
const engineBeside = ({ duty }: TypicalMachine) => ({
  idleShare: typical(duty?.idleShare ?? 0.04),
  slowShare: typical(duty?.slowShare ?? 0.18),
  slowMs: travel(duty?.slowKmh ?? 0),
  cruiseMs: travel(duty?.cruiseKmh ?? 0),
})

/** What heat an engine stores. @see engineering §4 */
const storeBeside = ({ engineKg }: TypicalMachine) => ({
  massKg: typical(engineKg ?? 30),
  storeFactor: typical(1),
})

/** The core's tanks and tubes, and how far the estimates of its air and heat may be off. @see engineering §2.4, §2.5 */
const coolingBeside = ({ ramShare, core }: TypicalMachine) => ({
  tankTopM: mm(35),
  tankBottomM: mm(35),
  tubePitchM: mm(9),
  betweenCoresM: mm((core?.wideMm ?? 120) * 2),
  passes: 1 as const,
  ramShare: typical(ramShare),
  resistanceFactor: typical(1),
  transferFactor: typical(1),
})

/** A bay's panels, and what else moves air in it. @see engineering §2.7 */
const bayBeside = ({ freeBehindMm, engine, coolant }: TypicalMachine) => ({
  panelM2: typical(0),
  // an air-cooled engine has its own fan, unless somebody says that it has none
  flywheel: engine && !coolant ? { freeFlowM3s: typical(0.07), maxPressurePa: typical(250) } : null,
  intakeFrom: null,
  panels: [
    {
      id: 'panel1',
      name: 'panel',
      faces: 'neither' as const,
      flywheel: 'neither' as const,
      wideM: mm(300),
      highM: mm(300),
      freeM: mm(freeBehindMm),
    },
  ],
})

/** of one heat at a work that is guessed once, in its load share: what rating and share of it add to the doubt */
const RATING = 0.1
const SHARE = 0.05
/** what a space beside a liquid-cooled engine takes from block and exhaust is known by half either way (estimate) */
const BESIDE = 0.5

/** The rating and its heat; how hard it works carries the doubt of both. @see engineering §0, §2.8 */
function heatGuess({ engine, bay, coolant }: TypicalMachine, medium: 'coolant' | 'air') {
  const watts = (engine?.powerKw ?? 0) * 1000
  const share = medium === 'air' && bay ? bay.heatShare : (engine?.heatShare ?? 0)
  return {
    ratedPowerW: typical(watts, RATING * watts),
    heatShare: medium === 'coolant' ? typical(share, SHARE * share) : typical(share, (coolant ? BESIDE : 0.3) * share),
  }
}

const engineOf = (t: TypicalMachine, medium: 'coolant' | 'air'): Engine | null =>
  t.engine && {
    ...heatGuess(t, medium),
    ratedRpm: typical(t.engine.rated),
    idleRpm: typical(t.engine.idle),
    slowRpm: typical(t.engine.slow),
    cruiseRpm: typical(t.engine.cruise),
    loadShare: typical(t.engine.loadShare),
    ...engineBeside(t),
    ...storeBeside(t),
    thermostatOpensC: medium === 'coolant' && t.coolant ? typical(t.coolant.opensC) : null,
  }

const coolingOf = (t: TypicalMachine, { coolant, core } = t): Cooling | null =>
  coolant &&
  core && {
    coolant: 'ethylene-glycol',
    glycolShare: typical(0.5),
    volumeM3: typical(coolant.litres / 1000),
    capPa: typical(coolant.capBar * 1e5),
    cores: core.count,
    coresJoined: true,
    coreWidthM: mm(core.wideMm),
    coreHeightM: mm(core.highMm),
    coreThicknessM: mm(core.thickMm),
    finsPerInch: typical(core.finsPerInch),
    ...coolingBeside(t),
  }

/** A newly fitted core is usually half as thick again, with coarser fins. */
const newCoreOf = ({ core }: TypicalMachine): NewCore | null =>
  core && {
    thicknessM: mm(Math.round(core.thickMm * 1.5)),
    finsPerInch: typical(Math.max(8, core.finsPerInch - 2)),
    pinOldM: mm(core.thickMm / 2),
    pinNewM: mm(Math.round(core.thickMm * 0.75)),
    hoseGapM: mm(30),
    shroudGapM: mm(25),
  }

const bayOf = (t: TypicalMachine, { bay, heatW } = t): Bay | null =>
  bay && {
    ...bayBeside(t),
    spaceM3: typical(bay.spaceM3),
    ventInM2: typical(bay.inM2),
    ventOutM2: typical(bay.outM2),
    ventHeightM: typical(bay.heightM),
    allowedC: typical(bay.allowedC),
    heatW: heatW === null ? null : typical(heatW),
  }

const trailerOf = ({ tow }: TypicalMachine): Trailer | null =>
  tow && {
    pinA: typical(tow.pinA),
    cableM: typical(tow.cableM),
    cableSize: tow.cableSize,
    chargerA: typical(tow.chargerA),
    aloneS: typical(tow.aloneH * 3600),
  }

/**
 * The blocks that a job of a kind has on such a machine, all typical; what is no question of it is null.
 * @throws RangeError for a kind of job that makes no sense on this machine
 */
export function blocksFor(kind: JobKind, machine: MachineKind): Medium {
  const t = typicalMachines[machine]
  const medium = mediumOf(kind, machine)
  const engine = engineOf(t, medium)
  const cooling = medium === 'coolant' ? coolingOf(t) : null
  const bay = medium === 'air' ? bayOf(t) : null
  const trailer = trailerOf(t)
  const newCore = newCoreOf(t)
  if (kind === 'thicker-core' && engine && cooling && newCore)
    return { kind, engine, cooling, newCore, bay: null, trailer: null }
  if ((kind === 'core' || kind === 'wiring') && engine && cooling)
    return { kind, engine, cooling, newCore: null, bay: null, trailer: null }
  if ((kind === 'bay' || kind === 'wiring') && engine && bay)
    return { kind, engine, cooling: null, newCore: null, bay, trailer: null }
  if ((kind === 'bay' || kind === 'wiring') && trailer && bay)
    return { kind, engine: null, cooling: null, newCore: null, bay, trailer }
  throw new RangeError(`${t.name}: no job of the kind "${jobKinds[kind].name}"`)
}
