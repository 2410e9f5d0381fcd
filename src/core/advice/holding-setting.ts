import { firstCircuit, type FanCircuit, proposedSetting } from '../fan-circuit'
import type { Setting } from '../control'
import { changeSetting, type Job } from '../job'
import { evaluateSome } from '../margins'

/**
 * What is left at the worst end of the readings for starting in time, and for everything else of a run's setting, K.
 */
function leftOver(job: Job, { run }: FanCircuit): { readonly inTimeK: number; readonly holds: boolean } {
  const parts = evaluateSome(job, ['trigger'])
    .flatMap((m) => m.parts)
    .filter((p) => p.run === run.id && !p.warns)
  const inTime = parts.filter((p) => p.id.startsWith('in time'))
  return {
    inTimeK: Math.min(Number.POSITIVE_INFINITY, ...inTime.map((p) => p.worst ?? 0)),
    holds: parts.every((p) => p.verdict === 'holds'),
  }
}

const known = new WeakMap<FanCircuit, Setting | null>()

/**
 * The setting to propose for a fan's controller: the worked-out one, lowered in a bay by what it lacks with every
 * reading at its bad end, where that makes the whole margin hold; on a core with a narrower band, where with the one
 * that is set it would come on too near the boil.
 * @returns null where there is none to set
 * @see engineering §3.2
 */
export function holdingSetting(job: Job, circuit: FanCircuit = firstCircuit(job)): Setting | null {
  const before = known.get(circuit)
  if (before !== undefined) return before
  const found = search(job, circuit)
  known.set(circuit, found)
  return found
}

function search(job: Job, circuit: FanCircuit): Setting | null {
  const usual = proposedSetting(job, circuit)
  const { controller } = circuit
  if (!usual || !controller) return usual
  if (!job.bay) return narrowed(job, circuit, usual)
  const asSet = (setC: number): Job => changeSetting(job, controller.id, setC, usual.bandK)
  const { inTimeK, holds } = leftOver(asSet(usual.setC), circuit)
  if (holds || !Number.isFinite(inTimeK) || inTimeK >= 0) return usual
  const { stepK, minC } = controller.part.range!
  const setC = minC + Math.floor((usual.setC + inTimeK - minC) / stepK) * stepK
  return leftOver(asSet(setC), circuit).holds ? { ...usual, setC } : usual
}

/** so many narrower bands are tried: a controller may count in very small steps */
const MOST_TRIED = 20

/** The widest band below the one that is set with which nothing comes short; the worked-out one where none is. */
function narrowed(job: Job, circuit: FanCircuit, usual: Setting): Setting {
  const { bandMinK, stepK } = circuit.controller!.part.range!
  if (!settingShortOf(job, usual, circuit).length) return usual
  const step = stepK * Math.max(1, Math.ceil((usual.bandK - bandMinK) / stepK / MOST_TRIED))
  for (let n = 1; n <= MOST_TRIED && usual.bandK - n * step >= bandMinK - 1e-9; n++) {
    const bandK = usual.bandK - n * step
    const setting = proposedSetting(job, circuit, bandK)!
    if (!settingShortOf(job, setting, circuit).length) return setting
  }
  return usual
}

/**
 * What a setting comes short of by its rules, of starting, stopping and boiling, as the readings stand: "for the
 * fan to stop on the hottest day".
 */
export function settingShortOf(job: Job, setting: Setting, circuit: FanCircuit = firstCircuit(job)): string[] {
  const { controller, run } = circuit
  if (!controller) return []
  return evaluateSome(changeSetting(job, controller.id, setting.setC, setting.bandK), ['trigger', 'boil'])
    .flatMap((m) => m.parts)
    .filter((p) => p.run === run.id && !p.warns && p.verdict === 'short')
    .map((p) => p.name)
}
