import type { Job } from '../../job'
import { typicalMachines } from '../../job'
import { format } from '../../units'
import { liveBeforeFuse } from '../../wiring'
import { digs, fusesInWords, isBike, isSet, opensCoolant } from '../asks'
import type { StepRule } from '../step'

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
export const togetherRules: readonly StepRule[] = [
  {
    id: 'refill',
    title: 'Refill and purge',
    why: 'An engine run dry is lost in minutes; trapped air boils first.',
    tell: (job) =>
      `It holds ${format(job.cooling!.volumeM3.value, 'volume', job.units)}; fill slowly, bleed at the highest point, ` +
      'tip the machine both ways. Note what went in under "Coolant": a difference is air, or a leak.',
    minutes: 15,
    needs: ['core-on', 'probe', 'fasten'],
    at: 'under the covers',
    cautions: ['poison', 'hotCoolant'],
    when: opensCoolant,
  },
  {
    id: 'test-setting',
    title: 'Controller to its test setting',
    why: 'So that it can be proved cold.',
    tell: 'As low as it goes; what it was set to before is noted with the working setting.',
    minutes: 3,
    needs: ['controller'],
    at: 'under the covers',
    cautions: ['surprise'],
    when: isSet,
  },
  {
    id: 'battery-on',
    title: 'Battery on, fuse still out',
    why: 'Power comes last, and the fuse after it.',
    tell: (job) => `Positive, then negative. ${liveWithoutFuse(job)}`,
    minutes: 5,
    needs: 'all before',
    at: 'under the covers',
    cautions: ['battery', 'surprise'],
    also: (job) => (job.trailer ? ['batteryGas'] : []),
    torque: () => ({ newtonMetres: 5, of: 'M5 terminal bolts' }),
  },
  {
    id: 'fuse-in',
    title: 'Fuse in, last of all',
    why: 'From here on the fan may start by itself.',
    tell: (job) =>
      job.runs.every((r) => r.fan === null || r.fuse !== null) && job.fuses.length
        ? `${fusesInWords(job)}, no larger "for now". Hands away from the ${job.fans.length > 1 ? 'fans' : 'fan'}.`
        : 'Not chosen yet: do not go on without it.',
    minutes: 1,
    needs: 'all before',
    at: 'under the covers',
    cautions: ['fuseFirst', 'surprise'],
  },
  {
    id: 'working-setting',
    title: 'Working setting put back',
    why: 'A job never closes on a test setting.',
    tell: 'As the setting in Trigger says; then say in Prove that it stands on the working setting, and look at the display.',
    minutes: 3,
    needs: ['fuse-in'],
    at: 'under the covers',
    cautions: ['surprise'],
    when: isSet,
  },
  {
    id: 'covers',
    title: 'Everything back that came off',
    why: 'Only now: what is proved is not opened again.',
    tell: (job) => `By the list of what was taken off, small parts too. ${whatGoesBack(job)}`,
    minutes: 15,
    needs: 'all before',
    hides: ['under the covers'],
    waitsForProofs: true,
    cautions: [],
    also: (job) => (isBike(job) ? ['fuel', 'surprise'] : ['surprise']),
  },
  {
    id: 'last-look',
    title: 'All closed: moved once more',
    why: 'A cover can press a wire into a blade.',
    tell: (job) => `${wholeTravel(job)}; then let the fan run once more and listen. Tails of the ties cut flush.`,
    minutes: 4,
    needs: ['covers'],
    cautions: ['surprise', 'propped'],
  },
]
