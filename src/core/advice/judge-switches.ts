import { chooseController } from '../fan-circuit'
import { type Job, lookupOf } from '../job'
import { evaluate, marginInWords } from '../margins'
import type { ControllerPart, Part } from '../parts'
import { Bench } from '../reading'
import { COARSE, mostAllowedC, runSpecOf, runWaitsFor } from '../run'
import { integrate } from '../transient'
import { liesWithin, switchWindow } from './switch-window'
import { say } from '../words'

/** A fixed switch of the shelf on this machine: what it would do, and whether it suits. */
export interface SwitchJudged {
  readonly part: ControllerPart
  readonly closesC: number
  readonly opensC: number
  readonly suits: boolean
  /** what is wrong or unsure, in words */
  readonly why: readonly string[]
  /** peak of the hottest day, and what it leaves of what is allowed; null where no run can be made */
  readonly peakC: number | null
  readonly leftK: number | null
}

/**
 * Every fixed switch of the shelf held against this machine's thermostat and run through its day.
 * @returns those that suit first, the coolest of them first
 * @see engineering §3.2
 */
export function judgeSwitches(job: Job, shelf: readonly Part[]): SwitchJudged[] {
  return shelf
    .filter((p): p is ControllerPart => p.kind === 'controller' && p.band === 'fixed' && p.fixed !== null)
    .map((part): SwitchJudged => {
      const with_ = chooseController(job, part, null)
      const trigger = evaluate(with_).margins.find((m) => m.id === 'trigger')
      const bench = new Bench(lookupOf(with_))
      const peakC = runWaitsFor(with_) ? null : integrate(runSpecOf(bench, with_), COARSE)!.peakC
      const leftK = peakC === null ? null : mostAllowedC(bench, with_) - peakC
      // without a run it is held against what boils by rule
      const boils =
        peakC === null &&
        !liesWithin(
          { ...switchWindow(with_), opensFromC: null, closesFromC: null },
          part.fixed!.closesC.value,
          part.fixed!.opensC.value,
        )
      const short = trigger?.verdict === 'short' || boils || (leftK !== null && leftK < 0)
      return {
        part,
        closesC: part.fixed!.closesC.value,
        opensC: part.fixed!.opensC.value,
        suits: !short,
        peakC,
        leftK,
        why: [
          ...(trigger && trigger.verdict !== 'holds' ? [marginInWords(trigger, job.units)] : []),
          ...(leftK !== null && leftK < 0 ? [say`too hot on the hottest day`] : []),
          ...(boils ? [say`closes too late for what is kept free below boiling`] : []),
        ],
      }
    })
    .sort((a, b) => Number(b.suits) - Number(a.suits) || (b.leftK ?? 0) - (a.leftK ?? 0))
}
