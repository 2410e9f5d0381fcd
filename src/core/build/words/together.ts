import type { Job } from '../../job'
import { typicalMachines } from '../../job'
import { format } from '../../units'
import { liveBeforeFuse } from '../../wiring'
import { digs, fusesInWords, isBike } from '../asks'
import type { StepWords } from '../step'

/** What is live once the battery is on and the fuses are still out: whatever the circuit feeds past them. */
function liveWithoutFuse(job: Job): string {
  const live = liveBeforeFuse(job)
  return live.length
    ? `Live already, whatever the fuse: ${live.join('; ')}. Nothing else behind the holder is: the meter says so.`
    : 'Behind the holder nothing is live: the meter says so.'
}

function wholeTravel(job: Job): string {
  if (typicalMachines[job.machine.kind].steers) return 'Bars or wheel from lock to lock, suspension pressed down'
  return digs(job) ? 'Arm and slew through their travel, doors shut' : 'Lids and doors shut'
}

/** What goes back on. */
function whatGoesBack(job: Job): string {
  if (isBike(job))
    return 'Tank on, line joined and looked at for drips, fuel as it was marked, seat latched, side covers.'
  return job.trailer ? 'Lids, grilles and liners.' : 'Guards, louvers, seats, doors and covers.'
}

/** Coolant back, power last, covers when all is proved. */
export const togetherWords: Readonly<Record<string, StepWords>> = {
  refill: {
    why: 'An engine run dry is lost in minutes; trapped air boils first.',
    tell: (job) =>
      `It holds ${format(job.cooling!.volumeM3.value, 'volume', job.units)}; fill slowly, bleed at the highest ` +
      `point, ` +
      'tip the machine both ways. Note what went in under "Coolant": a difference is air, or a leak.',
    cautions: ['poison', 'hotCoolant'],
  },
  'test-setting': {
    why: 'So that it can be proved cold.',
    tell: 'As low as it goes; what it was set to before is noted with the working setting.',
    cautions: ['surprise'],
  },
  'battery-on': {
    why: 'Power comes last, and the fuse after it.',
    tell: (job) => `Positive, then negative. ${liveWithoutFuse(job)}`,
    cautions: ['battery', 'surprise'],
    also: (job) => (job.trailer ? ['batteryGas'] : []),
    torque: () => ({ newtonMetres: 5, of: 'M5 terminal bolts' }),
  },
  'fuse-in': {
    why: 'From here on the fan may start by itself.',
    tell: (job) =>
      job.runs.every((r) => r.fan === null || r.fuse !== null) && job.fuses.length
        ? `${fusesInWords(job)}, no larger "for now". Hands away from the ${job.fans.length > 1 ? 'fans' : 'fan'}.`
        : 'Not chosen yet: do not go on without it.',
    cautions: ['fuseFirst', 'surprise'],
  },
  'working-setting': {
    why: 'A job never closes on a test setting.',
    tell:
      'As the setting in Trigger says; then say in Prove that it stands on the working setting, and look at ' +
      'the display.',
    cautions: ['surprise'],
  },
  covers: {
    why: 'Only now: what is proved is not opened again.',
    tell: (job) => `By the list of what was taken off, small parts too. ${whatGoesBack(job)}`,
    cautions: [],
    also: (job) => (isBike(job) ? ['fuel', 'surprise'] : ['surprise']),
  },
  'last-look': {
    why: 'A cover can press a wire into a blade.',
    tell: (job) => `${wholeTravel(job)}; then let the fan run once more and listen. Tails of the ties cut flush.`,
    cautions: ['surprise', 'propped'],
  },
}
