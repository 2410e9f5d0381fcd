import { digs, engined, isBike } from '../asks'
import type { StepRule } from '../step'

/** What comes before the first bolt, and what makes a machine safe to take apart. */
export const beforeRules: readonly StepRule[] = [
  {
    id: 'have-all',
    title: 'Lay out every part, tool and fuse',
    why: 'What is missing is found now, not with the machine in pieces.',
    tell: 'Nothing comes apart before it is all here, the right fuse too. Answer the list: here, or go without and why.',
    minutes: 10,
    cautions: ['maker'],
  },
  {
    id: 'baseline',
    title: 'Baseline run, before anything comes apart',
    why: 'Before and after are compared with it; it cannot be had afterwards.',
    tell: 'How hot, how soon, on what work, in what weather: note it in Machine, or say there that it cannot be had.',
    minutes: 20,
    cautions: [],
    also: (job) => [...(engined(job) ? (['fumes'] as const) : []), ...(job.cooling ? (['hotCoolant'] as const) : [])],
  },
  {
    id: 'cool',
    title: 'Let it cool',
    why: 'Pressure and burns.',
    tell: (job) =>
      job.cooling
        ? 'Below 50 °C at the core; touch the frame beside it, not the cap.'
        : 'Until the bay can be touched all over.',
    minutes: 0,
    waitMinutes: 60,
    needs: ['baseline'],
    cautions: ['exhaust'],
    when: engined,
    also: (job) => (job.cooling ? ['hotCoolant'] : []),
  },
  {
    id: 'bucket',
    title: 'Bucket down, pressure off',
    why: 'Oil under pressure moves an arm and goes through skin.',
    tell: 'Arm and blade on the ground, levers worked with the engine off.',
    minutes: 3,
    cautions: ['hydraulics', 'propped'],
    when: digs,
  },
  {
    id: 'unplug',
    title: 'Tow plug out, charger off',
    why: 'Two sources feed a trailer besides its battery.',
    tell: 'Chocked, legs down; nothing feeds it while you work.',
    minutes: 3,
    cautions: ['propped', 'towLights'],
    when: (job) => job.trailer !== null,
  },
  {
    id: 'battery-off',
    title: 'Battery off',
    why: 'A spanner between plus and frame welds.',
    tell: 'Negative first. Tape the lead away from the post.',
    minutes: 5,
    needs: ['have-all', 'baseline', 'unplug'],
    cautions: ['battery', 'propped'],
    also: (job) => (job.trailer ? ['batteryGas'] : []),
  },
  {
    id: 'fuel',
    title: 'Fuel shut, its level noted',
    why: 'The tank comes off or is leant on, and what is in it must go back.',
    tell:
      'Tap shut; where the tank comes off, run the line empty or clamp it, cap both ends, mark the level, stand it ' +
      'level and away from sparks.',
    minutes: 5,
    needs: ['cool', 'battery-off'],
    at: 'under the covers',
    cautions: ['fuel'],
    when: isBike,
  },
]
