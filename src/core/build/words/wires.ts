import type { Job } from '../../job'
import { editStep, jointsInWords, routeInWords } from '../../wiring'
import { digs, fusesInWords, sizes } from '../asks'
import type { StepWords } from '../step'
import { say } from '../../words'

/** Fuses besides the fans' own: where the job's wires leave the switched wire. */
const tapFuse = ({ wiring, engine }: Job): string =>
  wiring.tapFuseA !== null && engine !== null
    ? say` Another of ${wiring.tapFuseA} A where the control’s wire leaves the switched wire, without its fuse too.`
    : ''

/** What the meter is held between for each way back. */
function waysBack(job: Job): string {
  const ways = job.runs.map((r) =>
    r.frame ? say`fan’s ground to the frame` : say`way back, fan to battery’s negative lead`,
  )
  return [...new Set(ways)].join('; ')
}

function moves(job: Job): string {
  if (digs(job)) return say`Arm, slew, doors and covers`
  return job.trailer ? say`Lids, doors and the coupling` : say`Doors, covers and wheels`
}

/** Laid, joined, sleeved, tied, and measured before any battery. */
export const wireWords: Readonly<Record<string, StepWords>> = {
  'fuse-holder': {
    why: say`Nothing behind it can burn while it is empty.`,
    tell: (job) =>
      say`Within 180 mm of the post along the wire; for ${
        fusesInWords(job) ?? say`a fuse still to choose`
      }.${tapFuse(job)}`,
    cautions: ['fuseFirst'],
  },
  'dry-fit': {
    why: say`Too short is found before anything is crimped.`,
    tell: (job) =>
      say`Cut by the list, both ends labelled; nothing crimped yet. ${sizes(job)}, away from exhaust and pinch points.`,
    cautions: ['exhaust'],
  },
  harness: {
    why: say`What it came as does not do what was asked.`,
    tell: (job) => job.wiring.edits.map((e, i) => `${i + 1}. ${editStep(job, e)}`).join(' '),
    cautions: [],
  },
  joints: {
    why: say`A poor crimp is where it gets hot.`,
    tell: (job) => say`Sleeves and seals onto the wire first, then the terminal. Pull each one. ${jointsInWords(job)}`,
    cautions: [],
  },
  sleeves: {
    why: say`Each zone has its own heat and its own edges.`,
    tell: say`Over each wire for its own zone, ends taped; drops can run out at the lowest point.`,
    cautions: [],
  },
  route: {
    why: say`They are tied only once everything that moves has moved.`,
    tell: (job) =>
      say`In their places but not tied yet; a loop of 50 mm at each end, none under seat or tank. ${routeInWords(job)}`,
    cautions: ['exhaust'],
  },
  locks: {
    why: say`With everything in place that will be there.`,
    tell: say`Suspension pressed down as well. No lead pulls, no lead is pinched, no blade meets a wire.`,
    cautions: ['propped'],
  },
  clear: {
    why: say`With everything in place that will be there.`,
    tell: (job) => say`${moves(job)} through their travel: no lead pulls, no blade meets a wire.`,
    cautions: ['propped'],
  },
  fasten: {
    why: say`What hangs loose ends in a fan or on an exhaust.`,
    tell: say`Ties every 150 mm, soft edge to the wire; the new tie on before an old one is cut, a tail left until the
      last look. Nothing near the blades, nothing that moves pulls a terminal.`,
    cautions: [],
  },
  continuity: {
    why: say`An open way is found with the meter, not with smoke.`,
    tell: (job) =>
      say`Meter on ohms, fuse out, battery off: ${waysBack(job)} under 0.5 ohm; feed, holder to fan or relay, under
        0.5 ohm; each wire to its own label.`,
    cautions: [],
  },
  insulation: {
    why: say`A pinched wire is a short as soon as the fuse is in.`,
    tell: say`Feed behind the holder against the frame: more than 10 000 ohm with the fan unplugged. Less: a wire is
      pinched, find it now.`,
    cautions: [],
  },
}
