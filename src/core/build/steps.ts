import { airSideOf } from '../cooling'
import { blowing } from '../electrical'
import { mountOf } from '../job'
import { circuitsOf, eachOnce, type FanCircuit, firstCircuit, isSettable, isThermostat } from '../fan-circuit'
import { controlKindOf } from '../control'
import { type Job, jobKinds, typicalMachines, wiresInUse } from '../job'
import { editStep, jointsInWords, liveBeforeFuse, routeInWords } from '../wiring'
import { format } from '../units'
import type { Caution } from '../job'
import { fasteningWords } from './fastening'
import { holdsOf, holdWords } from './mechanical-fan'

/** One step at the bench. `waitMinutes` needs no hands. */
export interface Step {
  readonly id: string
  readonly title: string
  readonly tell: string
  readonly minutes: number
  readonly waitMinutes?: number
  readonly cautions: readonly Caution[]
}

interface StepRule extends Omit<Step, 'tell'> {
  readonly tell: string | ((job: Job) => string)
  readonly when?: (job: Job) => boolean
  readonly also?: (job: Job) => readonly Caution[]
}

const mountsFan = (job: Job): boolean => jobKinds[job.kind].mountsFan
const coreOff = (job: Job): boolean =>
  job.newCore !== null || (job.cooling !== null && mountsFan(job) && mountOf(job).coreComesOff)
const engined = (job: Job): boolean => job.engine !== null
const digs = (job: Job): boolean => /^digger/.test(job.machine.kind)
const byRelay = (job: Job): boolean => job.runs.some((r) => r.switchedBy === 'relay')
const sizes = (job: Job): string =>
  [...new Set(wiresInUse(job).map((c) => c.size ?? 'a size still to choose'))].join(' and ')

/** "fan 1", "fan 2"; the first circuit that has a thing shared by several names it. */
const fanOf = ({ suffix }: FanCircuit): string => suffix.replace(', ', '') || 'the fan'

/** "15 A", "7.5 A for fan 1 and 3 A for fan 2"; null where none is chosen. */
function fusesInWords(job: Job): string | null {
  const fuses = eachOnce(job, 'fuse')
  const several = fuses.length > 1
  return fuses.map(([f, c]) => `${f.ratingA} A${several ? ` for ${fanOf(c)}` : ''}`).join(' and ') || null
}

/** Fuses besides the fans' own: where the job's wires leave the switched wire. */
const tapFuse = ({ wiring, engine }: Job): string =>
  wiring.tapFuseA !== null && engine !== null
    ? ` Another of ${wiring.tapFuseA} A where the control’s wire leaves the switched wire, without its fuse too.`
    : ''

/** What is live once the battery is on and the fuses are still out: whatever the circuit feeds past them. */
function liveWithoutFuse(job: Job): string {
  const live = liveBeforeFuse(job)
  return live.length
    ? `Live already, whatever the fuse: ${live.join('; ')}. Nothing else behind the holder is: the meter says so.`
    : 'Behind the holder nothing is live: the meter says so.'
}

const feels = ({ controller }: FanCircuit): boolean =>
  controller === null || (isThermostat(controller.part) && controller.part.fixed === undefined)

/** What the meter is held between for each way back. */
function waysBack(job: Job): string {
  const ways = job.runs.map((r) => (r.frame ? 'fan’s ground to the frame' : 'way back, fan to battery’s negative lead'))
  return [...new Set(ways)].join('; ')
}

/** In working order: what closes a place comes after what is done in it, and the battery comes last. */
const rules: readonly StepRule[] = [
  {
    id: 'have-all',
    title: 'Lay out every part, tool and fuse',
    tell: 'Nothing comes apart before it is all here: the right fuse too.',
    minutes: 10,
    cautions: ['maker'],
  },
  {
    id: 'baseline',
    title: 'Baseline run, before anything comes apart',
    tell: 'How hot, how soon, on what work, in what weather. It cannot be had afterwards.',
    minutes: 20,
    cautions: [],
    also: (job) => (engined(job) ? (job.cooling ? ['fumes', 'hotCoolant'] : ['fumes']) : []),
  },
  {
    id: 'cool',
    title: 'Let it cool',
    tell: (job) =>
      job.cooling
        ? 'Below 50 °C at the core; touch the frame beside it, not the cap.'
        : 'Until the bay can be touched all over.',
    minutes: 0,
    waitMinutes: 60,
    cautions: ['exhaust'],
    when: engined,
    also: (job) => (job.cooling ? ['hotCoolant'] : []),
  },
  {
    id: 'bucket',
    title: 'Bucket down, pressure off',
    tell: 'Arm and blade on the ground, levers worked with the engine off.',
    minutes: 3,
    cautions: ['hydraulics', 'propped'],
    when: digs,
  },
  {
    id: 'unplug',
    title: 'Tow plug out, charger off',
    tell: 'Chocked, legs down; nothing feeds it while you work.',
    minutes: 3,
    cautions: ['propped', 'towLights'],
    when: (job) => job.trailer !== null,
  },
  {
    id: 'battery-off',
    title: 'Battery off',
    tell: 'Negative first. Tape the lead away from the post.',
    minutes: 5,
    cautions: ['battery', 'propped'],
  },
  {
    id: 'strip',
    title: 'Strip what is in the way',
    tell: 'Write down and bag every hose, clamp, plug and washer that comes off.',
    minutes: 20,
    cautions: [],
    also: (job) => (engined(job) ? ['fuel'] : []),
  },
  {
    id: 'mechanical-fan-off',
    title: 'Take the mechanical fan off',
    tell: (job) => {
      const held = holdsOf(job).filter((h) => h.holds)
      const made = held.map((h) => `${h.id}: ${h.madeGood.trim() || holdWords[h.id].good}`).join(' ')
      const more = held.length ? `It held more: ${made}` : 'It held nothing else.'
      return `Belt slack first; each bolt bagged with its length. ${more}`
    },
    minutes: 25,
    cautions: ['maker', 'propped'],
    when: (job) => job.mechanicalFan !== null,
  },
  {
    id: 'drain',
    title: 'Drain the coolant',
    tell: 'Measure what comes out: it is compared with what goes back in.',
    minutes: 15,
    cautions: ['hotCoolant', 'poison'],
    when: coreOff,
  },
  {
    id: 'core-off',
    title: 'Take the core off',
    tell: 'Plug the openings; keep the fins off the bench.',
    minutes: 15,
    cautions: ['poison'],
    when: coreOff,
  },
  {
    id: 'mount',
    title: 'Mount the fan',
    minutes: 25,
    cautions: ['eyes'],
    when: mountsFan,
    tell: (job) => [mountOf(job).fasten, ...fasteningWords(job), sideInWords(job), mountOf(job).check].join(' '),
  },
  {
    id: 'spin',
    title: 'Spin it by hand',
    tell: 'Nothing rubs, nothing touches the shaft end.',
    minutes: 2,
    cautions: [],
    when: mountsFan,
  },
  {
    id: 'probe',
    title: 'Place the probe',
    tell: (job) =>
      job.bay
        ? 'Where what is to be kept cool is hottest, out of the fan’s own stream; strapped or on a stand-off.'
        : eachOnce(job, 'probe')
            .filter(([, circuit]) => feels(circuit))
            .map(([probe, circuit], _, all) => {
              const where = probe.atOutlet ? 'Near the outlet.' : 'Near the inlet.'
              const how =
                probe.place === 'threaded'
                  ? 'PTFE tape or the maker’s washer, hand-tight and an eighth.'
                  : `With paste where it sits in fins. ${where}`
              return all.length > 1 ? `Of ${fanOf(circuit)}: ${how}` : how
            })
            .join(' '),
    minutes: 8,
    cautions: [],
    when: (job) => circuitsOf(job).some(feels),
  },
  {
    id: 'controller',
    title: 'Fix the controller',
    tell: 'Flat, dry, in sight and in reach; its lead down, so that water drips off.',
    minutes: 10,
    cautions: [],
    when: (job) =>
      circuitsOf(job).some((c) => c.controller === null || controlKindOf(c.controller.part).decidedBy !== 'nothing'),
  },
  {
    id: 'relay',
    title: 'Fit the relay',
    tell: (job) =>
      `Plug downwards. ` +
      (job.wiring.controlFrom === 'key' && job.engine
        ? 'Coil fed so that it dies with the key'
        : 'Coil fed behind the fan’s own fuse') +
      '; its ground is not the fan’s ground.',
    minutes: 10,
    cautions: [],
    when: byRelay,
  },
  {
    id: 'fuse-holder',
    title: 'Fuse holder, without its fuse',
    tell: (job) =>
      `Within 180 mm of the post along the wire; for ${fusesInWords(job) ?? 'a fuse still to choose'}.${tapFuse(job)}`,
    minutes: 8,
    cautions: ['fuseFirst'],
  },
  {
    id: 'dry-fit',
    title: 'Dry fit: every wire laid in its place',
    tell: (job) =>
      `Cut by the list, both ends labelled; nothing crimped yet. ${sizes(job)}, away from exhaust and pinch points.`,
    minutes: 15,
    cautions: ['exhaust'],
  },
  {
    id: 'harness',
    title: 'Change the harness',
    tell: (job) => job.wiring.edits.map((e, i) => `${i + 1}. ${editStep(job, e)}`).join(' '),
    minutes: 15,
    cautions: [],
    when: (job) => job.wiring.edits.length > 0,
  },
  {
    id: 'joints',
    title: 'Crimp and seal the joints',
    tell: (job) => `Sleeves and seals onto the wire first, then the terminal. Pull each one. ${jointsInWords(job)}`,
    minutes: 20,
    cautions: [],
  },
  {
    id: 'sleeves',
    title: 'Sleeves on',
    tell: 'Over each wire for its own zone, ends taped; drops can run out at the lowest point.',
    minutes: 8,
    cautions: [],
  },
  {
    id: 'route',
    title: 'Run the wires, loose',
    tell: (job) =>
      `In their places but not tied yet; a loop of 50 mm at each end, none under seat or tank. ${routeInWords(job)}`,
    minutes: 15,
    cautions: ['exhaust'],
  },
  {
    id: 'locks',
    title: 'Steering from lock to lock',
    tell: 'No lead pulls, no lead is pinched, no blade meets a wire.',
    minutes: 3,
    cautions: ['propped'],
    when: (job) => typicalMachines[job.machine.kind].steers,
  },
  {
    id: 'clear',
    title: 'Everything that moves, moved',
    tell: 'Covers, doors, arm and slew through their travel: no lead pulls, no blade meets a wire.',
    minutes: 3,
    cautions: ['propped'],
    when: (job) => !typicalMachines[job.machine.kind].steers,
  },
  {
    id: 'fasten',
    title: 'Fasten the wires',
    tell: 'Ties every 150 mm, soft edge to the wire; nothing near the blades, nothing that moves pulls a terminal.',
    minutes: 10,
    cautions: [],
  },
  {
    id: 'continuity',
    title: 'Continuity, before the battery',
    tell: (job) =>
      `Meter on ohms, fuse out, battery off: ` +
      `${waysBack(job)} under 0.5 ohm; feed, holder to fan or relay, under 0.5 ohm; each wire to its own label.`,
    minutes: 6,
    cautions: [],
  },
  {
    id: 'insulation',
    title: 'Insulation, before the battery',
    tell:
      'Feed behind the holder against the frame: more than 10 000 ohm with the fan unplugged. Less: a wire is ' +
      'pinched, find it now.',
    minutes: 4,
    cautions: [],
  },
  {
    id: 'core-on',
    title: 'Core back on',
    tell: (job) =>
      `${job.newCore ? 'The new one: pins and holes as measured. ' : ''}Hoses and clips: 3 N·m where the maker ` +
      `says nothing (a guess).`,
    minutes: 20,
    cautions: [],
    when: coreOff,
  },
  {
    id: 'refill',
    title: 'Refill and purge',
    tell: (job) =>
      `It holds ${format(job.cooling!.volumeM3.value, 'volume', job.units)}. What went in against what came out: ` +
      `a difference is air or a leak.`,
    minutes: 15,
    cautions: ['poison', 'hotCoolant'],
    when: coreOff,
  },
  {
    id: 'test-setting',
    title: 'Controller to its test setting',
    tell: 'As low as it goes, so that it can be proved cold.',
    minutes: 3,
    cautions: ['surprise'],
    when: (job) => circuitsOf(job).some((c) => c.controller === null || isSettable(c.controller.part)),
  },
  {
    id: 'battery-on',
    title: 'Battery on, fuse still out',
    tell: (job) => `Positive, then negative. ${liveWithoutFuse(job)}`,
    minutes: 5,
    cautions: ['battery', 'surprise'],
  },
  {
    id: 'fuse-in',
    title: 'Fuse in, last of all',
    tell: (job) =>
      job.runs.every((r) => r.fan === null || r.fuse !== null) && job.fuses.length
        ? `${fusesInWords(job)}, no larger "for now". Hands away from the ${job.fans.length > 1 ? 'fans' : 'fan'}.`
        : 'Not chosen yet: do not go on without it.',
    minutes: 1,
    cautions: ['fuseFirst', 'surprise'],
  },
]

const drawsOut = (side: Job['place']['side']): string =>
  side === 'puller' ? 'draws the hot air out' : 'pushes cool air in'

/** Where the fan sits and which way it blows: with its wires swapped, the other way than its side has it. */
export function sideInWords(job: Job): string {
  const { side } = job.place
  const fan = firstCircuit(job).fan
  const way = fan && blowing(fan.wiresSwapped, fan.bladeTurned, fan.part.motor)
  const reversed = way?.air === 'reversed'
  if (job.bay)
    return reversed
      ? `Put on as one that ${drawsOut(side)}; its wires are swapped, so it ` +
          `${drawsOut(airSideOf(side, { against: true }))}.`
      : `It ${drawsOut(side)}.`
  const put = side === 'puller' ? 'Behind the core, pulling' : 'In front of the core, pushing'
  return reversed ? `${put}, but with its wires swapped it blows against the travel.` : `${put}.`
}

/** What the way of fastening adds: before the fan goes on, and once it was spun by hand. */
function withMount(job: Job, rule: StepRule): StepRule[] {
  const { before, after } = mountOf(job)
  return rule.id === 'mount' ? [...before, rule] : rule.id === 'spin' ? [rule, ...after] : [rule]
}

/** The steps that this job's choices ask for, in order. */
export const stepsOf = (job: Job): Step[] =>
  rules
    .filter((r) => r.when?.(job) ?? true)
    .flatMap((r) => withMount(job, r))
    .map(({ id, title, tell, minutes, waitMinutes, cautions, also }) => ({
      id,
      title,
      minutes,
      cautions: [...cautions, ...(also?.(job) ?? [])],
      tell: typeof tell === 'string' ? tell : tell(job),
      ...(waitMinutes === undefined ? {} : { waitMinutes }),
    }))

/** Hands-on minutes of all steps. */
export const handsOnMinutes = (steps: readonly Step[]): number => steps.reduce((sum, s) => sum + s.minutes, 0)
