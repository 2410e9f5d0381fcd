import { worded } from '../units'
import type { Job, JointKind } from '../job'
import { say } from '../words'

interface JointRule {
  readonly name: string
  /** what a splice is called on the cut list */
  readonly splice: 'sealed crimp splice' | 'soldered joint, adhesive sleeve' | 'push-on pair' | 'sealed plug, one way'
  /** keeps water out by itself */
  readonly sealed: boolean
  /** stays whole where it is shaken */
  readonly shaken: boolean
  readonly tell: string
}

/** Ways of joining wires; a new one is an entry here and in `jointKinds`. @see engineering §1.2 */
export const joints: Readonly<Record<JointKind, JointRule>> = {
  'sealed crimp': {
    name: say`crimped, sealed with adhesive`,
    splice: 'sealed crimp splice',
    sealed: true,
    shaken: true,
    tell: say`the right tool for its size, pulled by hand, shrunk until adhesive shows at both ends`,
  },
  'solder and sleeve': {
    name: say`soldered, adhesive sleeve`,
    splice: 'soldered joint, adhesive sleeve',
    sealed: true,
    shaken: false,
    tell: say`stiff where the solder ends: tied down on both sides within 30 mm, never where the wire moves`,
  },
  'push-on': {
    name: say`push-on terminals, bare`,
    splice: 'push-on pair',
    sealed: false,
    shaken: false,
    tell: say`comes apart without tools, and by itself; water gets in`,
  },
  'sealed plug': {
    name: say`sealed plug`,
    splice: 'sealed plug, one way',
    sealed: true,
    shaken: true,
    tell: say`core or fan comes out without cutting; hear it latch, pull each pin before it goes in`,
  },
}

/** How a way of joining stands where the machine lives and what it does. */
export interface JointJudged {
  readonly kind: JointKind
  readonly fits: boolean
  readonly reasons: readonly string[]
}

/**
 * Every way of joining against wet and shaking, the fitting ones first. A trailer and a machine that moves shake; only
 * what lives indoors stays dry, and nobody having said counts as wet.
 */
export function jointChoices(job: Job): JointJudged[] {
  const dry = job.surroundings.livesIn === 'indoors' || job.surroundings.shielded
  const judged = (Object.keys(joints) as JointKind[]).map((kind): JointJudged => {
    const { sealed, shaken } = joints[kind]
    const reasons = [
      ...(sealed || dry
        ? []
        : [job.surroundings.livesIn === null ? say`nobody has said that it stays dry` : say`it gets wet`]),
      ...(shaken ? [] : [say`the machine shakes it`]),
    ]
    return { kind, fits: reasons.length === 0, reasons }
  })
  return [...judged.filter((j) => j.fits), ...judged.filter((j) => !j.fits)]
}

/** What is wrong with how this job's wires are joined. */
export function jointWarnings(job: Job): string[] {
  const choices = jointChoices(job)
  const own = choices.find((j) => j.kind === job.wiring.joints)!
  if (own.fits) return []
  const better = joints[choices[0]!.kind].name
  return [say`Joints ${joints[own.kind].name}: not here, ${own.reasons.join(say` and `)}. What holds here: ${better}.`]
}

/** How splices are made, for the bench. */
export const jointsInWords = (job: Job): string => {
  const { name, tell } = joints[job.wiring.joints]
  return [say`Splices ${name}: ${worded(tell, job.units)}.`, ...jointWarnings(job)].join(' ')
}
