import type { Job } from '../../job'
import { typicalMachines } from '../../job'
import { format } from '../../units'
import { liveBeforeFuse } from '../../wiring'
import { digs, fusesInWords, isBike } from '../asks'
import type { StepWords } from '../step'
import { say } from '../../words'

/** What is live once the battery is on and the fuses are still out: whatever the circuit feeds past them. */
function liveWithoutFuse(job: Job): string {
  const live = liveBeforeFuse(job)
  return live.length
    ? say`Live already, whatever the fuse: ${live.join('; ')}. Nothing else behind the holder is: the meter says so.`
    : say`Behind the holder nothing is live: the meter says so.`
}

function wholeTravel(job: Job): string {
  if (typicalMachines[job.machine.kind].steers) return say`Bars or wheel from lock to lock, suspension pressed down`
  return digs(job) ? say`Arm and slew through their travel, doors shut` : say`Lids and doors shut`
}

/** What goes back on. */
function whatGoesBack(job: Job): string {
  if (isBike(job))
    return say`Tank on, line joined and looked at for drips, fuel as it was marked, seat latched, side covers.`
  return job.trailer ? say`Lids, grilles and liners.` : say`Guards, louvers, seats, doors and covers.`
}

/** Coolant back, power last, covers when all is proved. */
export const togetherWords: Readonly<Record<string, StepWords>> = {
  refill: {
    why: say`An engine run dry is lost in minutes; trapped air boils first.`,
    tell: (job) =>
      say`It holds ${format(job.cooling!.volumeM3.value, 'volume', job.units)}; fill slowly, bleed at the highest
        point, tip the machine both ways. Note what went in under "Coolant": a difference is air, or a leak.`,
    cautions: ['poison', 'hotCoolant'],
  },
  'test-setting': {
    why: say`So that it can be proved cold.`,
    tell: say`As low as it goes; what it was set to before is noted with the working setting.`,
    cautions: ['surprise'],
  },
  'battery-on': {
    why: say`Power comes last, and the fuse after it.`,
    tell: (job) => say`Positive, then negative. ${liveWithoutFuse(job)}`,
    cautions: ['battery', 'surprise'],
    also: (job) => (job.trailer ? ['batteryGas'] : []),
    torque: () => ({ newtonMetres: 5, of: say`terminal bolts, M5` }),
  },
  'fuse-in': {
    why: say`From here on the fan may start by itself.`,
    tell: (job) =>
      job.runs.every((r) => r.fan === null || r.fuse !== null) && job.fuses.length
        ? say`${fusesInWords(job)}, no larger "for now". Hands away from the
          ${job.fans.length > 1 ? say`fans` : say`fan`}.`
        : say`Not chosen yet: do not go on without it.`,
    cautions: ['fuseFirst', 'surprise'],
  },
  'working-setting': {
    why: say`A job never closes on a test setting.`,
    tell: say`As the setting in Trigger says; then say in Prove that it stands on the working setting, and look at the
      display.`,
    cautions: ['surprise'],
  },
  covers: {
    why: say`Only now: what is proved is not opened again.`,
    tell: (job) => say`By the list of what was taken off, small parts too. ${whatGoesBack(job)}`,
    cautions: [],
    also: (job) => (isBike(job) ? ['fuel', 'surprise'] : ['surprise']),
  },
  'last-look': {
    why: say`A cover can press a wire into a blade.`,
    tell: (job) => say`${wholeTravel(job)}; then let the fan run once more and listen. Tails of the ties cut flush.`,
    cautions: ['surprise', 'propped'],
  },
}
