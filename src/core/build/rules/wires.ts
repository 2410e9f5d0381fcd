import { type Job, typicalMachines } from '../../job'
import { editStep, jointsInWords, routeInWords } from '../../wiring'
import { digs, fusesInWords, sizes } from '../asks'
import type { StepRule } from '../step'

/** Fuses besides the fans' own: where the job's wires leave the switched wire. */
const tapFuse = ({ wiring, engine }: Job): string =>
  wiring.tapFuseA !== null && engine !== null
    ? ` Another of ${wiring.tapFuseA} A where the control’s wire leaves the switched wire, without its fuse too.`
    : ''

/** What the meter is held between for each way back. */
function waysBack(job: Job): string {
  const ways = job.runs.map((r) => (r.frame ? 'fan’s ground to the frame' : 'way back, fan to battery’s negative lead'))
  return [...new Set(ways)].join('; ')
}

function moves(job: Job): string {
  if (digs(job)) return 'Arm, slew, doors and covers'
  return job.trailer ? 'Lids, doors and the coupling' : 'Doors, covers and wheels'
}

const steers = (job: Job): boolean => typicalMachines[job.machine.kind].steers

/** Laid, joined, sleeved, tied, and measured before any battery. */
export const wireRules: readonly StepRule[] = [
  {
    id: 'fuse-holder',
    title: 'Fuse holder, without its fuse',
    why: 'Nothing behind it can burn while it is empty.',
    tell: (job) =>
      `Within 180 mm of the post along the wire; for ${fusesInWords(job) ?? 'a fuse still to choose'}.${tapFuse(job)}`,
    minutes: 8,
    needs: ['battery-off'],
    at: 'under the covers',
    cautions: ['fuseFirst'],
  },
  {
    id: 'dry-fit',
    title: 'Dry fit: every wire laid in its place',
    why: 'Too short is found before anything is crimped.',
    tell: (job) =>
      `Cut by the list, both ends labelled; nothing crimped yet. ${sizes(job)}, away from exhaust and pinch points.`,
    minutes: 15,
    needs: ['fuse-holder', 'controller', 'relay', 'mount', 'probe', 'core-on'],
    at: 'wires still loose',
    cautions: ['exhaust'],
  },
  {
    id: 'harness',
    title: 'Change the harness',
    why: 'What it came as does not do what was asked.',
    tell: (job) => job.wiring.edits.map((e, i) => `${i + 1}. ${editStep(job, e)}`).join(' '),
    minutes: 15,
    needs: ['dry-fit'],
    at: 'wires still loose',
    cautions: [],
    when: (job) => job.wiring.edits.length > 0,
  },
  {
    id: 'joints',
    title: 'Crimp and seal the joints',
    why: 'A poor crimp is where it gets hot.',
    tell: (job) => `Sleeves and seals onto the wire first, then the terminal. Pull each one. ${jointsInWords(job)}`,
    minutes: 20,
    needs: ['dry-fit', 'harness'],
    at: 'wires still loose',
    cautions: [],
  },
  {
    id: 'sleeves',
    title: 'Sleeves on',
    why: 'Each zone has its own heat and its own edges.',
    tell: 'Over each wire for its own zone, ends taped; drops can run out at the lowest point.',
    minutes: 8,
    needs: ['joints'],
    at: 'wires still loose',
    cautions: [],
  },
  {
    id: 'route',
    title: 'Run the wires, loose',
    why: 'They are tied only once everything that moves has moved.',
    tell: (job) =>
      `In their places but not tied yet; a loop of 50 mm at each end, none under seat or tank. ${routeInWords(job)}`,
    minutes: 15,
    needs: ['sleeves', 'core-on'],
    at: 'wires still loose',
    cautions: ['exhaust'],
  },
  {
    id: 'locks',
    title: 'Steering from lock to lock',
    why: 'With everything in place that will be there.',
    tell: 'Suspension pressed down as well. No lead pulls, no lead is pinched, no blade meets a wire.',
    minutes: 3,
    needs: ['route', 'core-on', 'mount'],
    at: 'wires still loose',
    cautions: ['propped'],
    when: steers,
  },
  {
    id: 'clear',
    title: 'Everything that moves, moved',
    why: 'With everything in place that will be there.',
    tell: (job) => `${moves(job)} through their travel: no lead pulls, no blade meets a wire.`,
    minutes: 3,
    needs: ['route', 'core-on', 'mount'],
    at: 'wires still loose',
    cautions: ['propped'],
    when: (job) => !steers(job),
  },
  {
    id: 'fasten',
    title: 'Fasten the wires',
    why: 'What hangs loose ends in a fan or on an exhaust.',
    tell:
      'Ties every 150 mm, soft edge to the wire; the new tie on before an old one is cut, a tail left until the last ' +
      'look. Nothing near the blades, nothing that moves pulls a terminal.',
    minutes: 10,
    needs: ['locks', 'clear', 'route'],
    hides: ['wires still loose'],
    at: 'under the covers',
    cautions: [],
  },
  {
    id: 'continuity',
    title: 'Continuity, before the battery',
    why: 'An open way is found with the meter, not with smoke.',
    tell: (job) =>
      `Meter on ohms, fuse out, battery off: ` +
      `${waysBack(job)} under 0.5 ohm; feed, holder to fan or relay, under 0.5 ohm; each wire to its own label.`,
    minutes: 6,
    needs: ['fasten'],
    at: 'under the covers',
    asks: ['continuity'],
    cautions: [],
  },
  {
    id: 'insulation',
    title: 'Insulation, before the battery',
    why: 'A pinched wire is a short as soon as the fuse is in.',
    tell:
      'Feed behind the holder against the frame: more than 10 000 ohm with the fan unplugged. Less: a wire is ' +
      'pinched, find it now.',
    minutes: 4,
    needs: ['fasten'],
    at: 'under the covers',
    asks: ['insulation'],
    cautions: [],
  },
]
