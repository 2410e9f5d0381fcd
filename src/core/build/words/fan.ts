import { eachOnce, type FanCircuit } from '../../fan-circuit'
import { type Job, mountOf } from '../../job'
import { fanOf, feels } from '../asks'
import { fasteningWords } from '../fastening'
import { sideInWords } from '../side-in-words'
import type { GuessedTorque, StepWords } from '../step'
import { say } from '../../words'

/** What is done to a probe where it sits. */
function probeSeat({ probe }: FanCircuit): string {
  const where = probe.atOutlet ? say`Near the outlet.` : say`Near the inlet.`
  switch (probe.place) {
    case 'threaded':
      return say`First which thread: outside diameter, pitch by a gauge, taper or straight. Taper: PTFE tape, three
        turns with the thread. Straight: a new washer or O-ring, no tape. Hand-tight and an eighth; where the probe is
        grounded by its thread, no tape there. Only now, with the coolant out.`
    case 'fin-paste':
    case 'fin':
      return say`Fins there straight and whole; between two tubes, in one gap only, no deeper than the core is thick;
        ${probe.place === 'fin' ? say`dry, so a snug gap` : say`paste in the gap first`}. ${where}`
    case 'strapped':
      return say`Clean metal or hose, strap tight, a pad over it against the wind. ${where}`
    default:
      return say`Where what is to be kept cool is hottest, out of the fan’s own stream; strapped or on a stand-off.`
  }
}

function probeWords(job: Job): string {
  if (job.bay)
    return say`Where what is to be kept cool is hottest, out of the fan’s own stream; strapped or on a stand-off.`
  const probes = eachOnce(job, 'probe').filter(([, circuit]) => feels(circuit))
  return probes
    .map(([, circuit]) => (probes.length > 1 ? say`Of ${fanOf(circuit)}: ${probeSeat(circuit)}` : probeSeat(circuit)))
    .join(' ')
}

/** What a screw into a core's channel or a bolt takes where the maker says nothing. @see typical.md */
const mountTorque = (job: Job): GuessedTorque | null => {
  const { figures } = mountOf(job)
  const has = (figure: (typeof figures)[number]): boolean => figures.includes(figure)
  if (has('screw')) return { newtonMetres: 2.5, of: say`screws into a thin channel` }
  return has('ties') ? null : { newtonMetres: 5, of: 'M5 bolts' }
}

/** Fan, probe, controller and relay. */
export const fanWords: Readonly<Record<string, StepWords>> = {
  mount: {
    why: say`All of its fixings hold, or none does.`,
    cautions: ['eyes'],
    also: (job) => (job.trailer ? ['batteryGas'] : []),
    torque: mountTorque,
    tell: (job) =>
      [
        mountOf(job).fasten,
        say`All screws finger-tight first, then crosswise.`,
        ...fasteningWords(job),
        sideInWords(job),
        mountOf(job).check,
      ].join(' '),
  },
  spin: {
    why: say`A blade that rubs is heard now, not under way.`,
    tell: say`Nothing rubs, nothing touches the shaft end; a paper’s width is too near, panels flex and engines rock.`,
    cautions: [],
  },
  probe: {
    why: say`What it feels there is what the setting was worked out for.`,
    tell: probeWords,
    cautions: [],
  },
  'core-on': {
    why: say`Wires are laid and tied, and the steering proved, against the core where it stays.`,
    tell: (job) =>
      say`${
        job.newCore ? say`The new one: pins and holes as measured, rubbers in. ` : ''
      }Hoses as they were marked, short leg and long leg, clear of frame and fan; clips where they can be
        reached.`,
    cautions: [],
    torque: () => ({ newtonMetres: 3, of: say`worm-drive hose clips` }),
  },
  controller: {
    why: say`It is read and set there for years.`,
    tell: say`Flat, dry, in sight and in reach; its lead down, so that water drips off. Where it is stuck on: wipe
      with isopropyl alcohol, never with brake cleaner; press, then leave it alone.`,
    cautions: [],
  },
  relay: {
    why: say`It carries the fan’s current, so that no thin switch does.`,
    tell: (job) =>
      say`Plug downwards. ${
        job.wiring.controlFrom === 'key' && job.engine
          ? say`Coil fed so that it dies with the key`
          : say`Coil fed behind the fan’s own fuse`
      }; its ground is not the fan’s ground.`,
    cautions: [],
  },
}
