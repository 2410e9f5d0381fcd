import { engined } from '../asks'
import type { StepWords } from '../step'
import { say } from '../../words'

/** What comes before the first bolt, and what makes a machine safe to take apart. */
export const beforeWords: Readonly<Record<string, StepWords>> = {
  'have-all': {
    why: say`What is missing is found now, not with the machine in pieces.`,
    tell: say`Nothing comes apart before it is all here, the right fuse too. Answer the list: here, or go without and
      why.`,
    cautions: ['maker'],
  },
  baseline: {
    why: say`Before and after are compared with it; it cannot be had afterwards.`,
    tell: say`How hot, how soon, on what work, in what weather: note it in Machine, or say there that it cannot be
      had.`,
    cautions: [],
    also: (job) => [...(engined(job) ? (['fumes'] as const) : []), ...(job.cooling ? (['hotCoolant'] as const) : [])],
  },
  cool: {
    why: say`Pressure and burns.`,
    tell: (job) =>
      job.cooling
        ? say`Below 50 °C at the core; touch the frame beside it, not the cap.`
        : say`Until the bay can be touched all over.`,
    cautions: ['exhaust'],
    also: (job) => (job.cooling ? ['hotCoolant'] : []),
  },
  bucket: {
    why: say`Oil under pressure moves an arm and goes through skin.`,
    tell: say`Arm and blade on the ground, levers worked with the engine off.`,
    cautions: ['hydraulics', 'propped'],
  },
  unplug: {
    why: say`Two sources feed a trailer besides its battery.`,
    tell: say`Chocked, legs down; nothing feeds it while you work.`,
    cautions: ['propped', 'towLights'],
  },
  'battery-off': {
    why: say`A spanner between plus and frame welds.`,
    tell: say`Negative first. Tape the lead away from the post.`,
    cautions: ['battery', 'propped'],
    also: (job) => (job.trailer ? ['batteryGas'] : []),
  },
  fuel: {
    why: say`The tank comes off or is leant on, and what is in it must go back.`,
    tell: say`Tap shut; where the tank comes off, run the line empty or clamp it, cap both ends, mark the level, stand
      it level and away from sparks.`,
    cautions: ['fuel'],
  },
}
