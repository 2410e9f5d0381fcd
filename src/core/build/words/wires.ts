import type { Job } from '../../job'
import { editStep, jointsInWords, routeInWords } from '../../wiring'
import { digs, fusesInWords, sizes } from '../asks'
import type { StepWords } from '../step'

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

/** Laid, joined, sleeved, tied, and measured before any battery. */
export const wireWords: Readonly<Record<string, StepWords>> = {
  'fuse-holder': {
    why: 'Nothing behind it can burn while it is empty.',
    tell: (job) =>
      `Within 180 mm of the post along the wire; for ${fusesInWords(job) ?? 'a fuse still to choose'}.${tapFuse(job)}`,
    cautions: ['fuseFirst'],
  },
  'dry-fit': {
    why: 'Too short is found before anything is crimped.',
    tell: (job) =>
      `Cut by the list, both ends labelled; nothing crimped yet. ${sizes(job)}, away from exhaust and pinch points.`,
    cautions: ['exhaust'],
  },
  harness: {
    why: 'What it came as does not do what was asked.',
    tell: (job) => job.wiring.edits.map((e, i) => `${i + 1}. ${editStep(job, e)}`).join(' '),
    cautions: [],
  },
  joints: {
    why: 'A poor crimp is where it gets hot.',
    tell: (job) => `Sleeves and seals onto the wire first, then the terminal. Pull each one. ${jointsInWords(job)}`,
    cautions: [],
  },
  sleeves: {
    why: 'Each zone has its own heat and its own edges.',
    tell: 'Over each wire for its own zone, ends taped; drops can run out at the lowest point.',
    cautions: [],
  },
  route: {
    why: 'They are tied only once everything that moves has moved.',
    tell: (job) =>
      `In their places but not tied yet; a loop of 50 mm at each end, none under seat or tank. ${routeInWords(job)}`,
    cautions: ['exhaust'],
  },
  locks: {
    why: 'With everything in place that will be there.',
    tell: 'Suspension pressed down as well. No lead pulls, no lead is pinched, no blade meets a wire.',
    cautions: ['propped'],
  },
  clear: {
    why: 'With everything in place that will be there.',
    tell: (job) => `${moves(job)} through their travel: no lead pulls, no blade meets a wire.`,
    cautions: ['propped'],
  },
  fasten: {
    why: 'What hangs loose ends in a fan or on an exhaust.',
    tell:
      'Ties every 150 mm, soft edge to the wire; the new tie on before an old one is cut, a tail left until the last ' +
      'look. Nothing near the blades, nothing that moves pulls a terminal.',
    cautions: [],
  },
  continuity: {
    why: 'An open way is found with the meter, not with smoke.',
    tell: (job) =>
      `Meter on ohms, fuse out, battery off: ` +
      `${waysBack(job)} under 0.5 ohm; feed, holder to fan or relay, under 0.5 ohm; each wire to its own label.`,
    cautions: [],
  },
  insulation: {
    why: 'A pinched wire is a short as soon as the fuse is in.',
    tell:
      'Feed behind the holder against the frame: more than 10 000 ohm with the fan unplugged. Less: a wire is ' +
      'pinched, find it now.',
    cautions: [],
  },
}
