import { type Control, type Element, type Fault, faultsAt, GROUND, type Netlist, withFaults } from '../circuit'
import { capital, STILL } from './act'
import { SET_HIGH, SET_LOW, setFault } from './set-wrong'
import type { Cause, Repair } from './table'
import { say } from '../words'

interface Known {
  /** beside the others (estimates of how often a bench meets it) */
  readonly weight: number
  readonly why: string
  readonly repair: (e: Element) => Repair
}

const wire = (act: string, ...parts: string[]) => {
  const repair = (e: Element): Repair => ({
    step: `${e.label}: ${act}`,
    parts,
    proof: say`Pull at the wire, then measure its loss with the fan running: under 0.1 V.`,
  })
  return repair
}
const changed = (what: string, proof: string) => {
  const repair = (e: Element): Repair => ({ step: say`${e.label}: change it`, parts: [what], proof })
  return repair
}
const CRIMPS = [say`sealed crimp splice`, say`heat shrink with glue`]

/** What each kind of fault weighs, why, and how it is put right. */
const known: Readonly<Record<string, Known>> = {
  open: {
    weight: 0.6,
    why: say`wires break where they bend and at crimps; switches and windings burn through`,
    repair: wire(say`find the break, cut it out, join it anew`, ...CRIMPS),
  },
  bad: {
    weight: 0.5,
    why: say`paint, rust or a half-caught strand under a terminal`,
    repair: wire(say`take the terminal off, clean to bright metal, crimp it anew`, 'terminal', say`contact grease`),
  },
  poor: {
    weight: 0.5,
    why: say`a crimp that slides, a push-on that lost its spring`,
    repair: wire(say`crimp it anew, tighten or change its terminal`, 'terminal'),
  },
  chafed: {
    weight: 0.25,
    why: say`a wire without a sleeve on an edge, after some weeks of shaking`,
    repair: wire(
      say`cut the bare place out, join it, sleeve it, tie it away from the
      edge`,
      ...CRIMPS,
      'sleeve',
      'ties',
    ),
  },
  blown: {
    weight: 4,
    why: say`a fuse is there to go: a start too many, water, or something that is gone again`,
    repair: (e) => ({
      step: say`${e.label}: a new one of the same rating; clamp the fan’s current before it is left alone`,
      parts: [say`fuse of the same form and rating, and a spare`],
      proof: say`Three cold starts and ten minutes of running, hot; then it is warm to the hand, not hot.`,
    }),
  },
  bridged: {
    weight: 0.3,
    why: say`somebody was without a fuse and in a hurry`,
    repair: (e) => ({
      step: say`${e.label}: take the bridge out, put the right fuse in`,
      parts: [say`fuse of the planned rating`],
      proof: say`The fuse in its holder reads the planned rating.`,
    }),
  },
  swapped: {
    weight: 1.5,
    why: say`two wires of one colour at an unkeyed plug`,
    repair: (e) => ({
      step: say`${e.label}: change its two wires over at the plug`,
      parts: [],
      proof: say`A sheet of paper at the face is moved the way the arrow says.`,
    }),
  },
  jammed: {
    weight: 0.8,
    why: say`a stick, mud, a rubbing blade or a seized bearing`,
    repair: (e) => ({
      step: say`${e.label}: ${STILL} Clear it, turn it by hand; a rough bearing wants another motor`,
      parts: [say`fan, where its bearing is rough`],
      proof: say`It turns by hand without a rub, and takes its running current and no more.`,
    }),
  },
  welded: {
    weight: 0.4,
    why: say`contacts weld when they switch more than they are made for`,
    repair: changed(say`contact of a rating above the starting current`, say`It lets go: warm and cold, ten times.`),
  },
  dead: {
    weight: 0.6,
    why: say`burnt or dirty contacts, a transistor that had too much`,
    repair: changed(say`the same with enough rating`, say`It closes each time, and keeps under 0.1 V across it.`),
  },
  wrong_pin: {
    weight: 0.6,
    why: say`the resting pin stands where the working one was looked for`,
    repair: (e) => ({
      step: say`${e.label}: move the fan’s wire to the pin that closes when it clicks`,
      parts: [],
      proof: say`Cold it stands, hot it runs.`,
    }),
  },
  probe_open: {
    weight: 1.6,
    why: say`thin leads tear at the fins and at the plug`,
    repair: changed(say`probe of the same kind`, say`It shows the temperature of the air when cold.`),
  },
  probe_shorted: {
    weight: 0.6,
    why: say`its lead was pinched under a panel or a tie`,
    repair: changed(say`probe of the same kind`, say`It shows the temperature of the air when cold.`),
  },
  flat: {
    weight: 1.5,
    why: say`it stood too long, or is old`,
    repair: changed(say`battery, or a night on a charger`, say`Rested for an hour it shows what its label says.`),
  },
  ground_at_85: {
    weight: 0.3,
    why: say`the two grounds lie side by side and were taken for one`,
    repair: wire(say`give the fan a way back of its own`, say`ring terminal`),
  },
  ground_joined: {
    weight: 0.2,
    why: say`the two grounds were joined to save a wire`,
    repair: wire(say`part them: one ring each`, say`ring terminal`),
  },
  from_battery: {
    weight: 0.8,
    why: say`the battery was nearer than the switched wire`,
    repair: wire(say`take it to the switched wire`, say`sealed splice`, say`small fuse`),
  },
  diode_reversed: { weight: 0.4, why: say`its ring was taken for the other end`, repair: wire(say`turn it round`) },
  diode_shorted: { weight: 0.2, why: say`a spike that was too much for it`, repair: wire(say`change it`, 'diode') },
  diode_missing: { weight: 0.2, why: say`left out, or burnt through`, repair: wire(say`put one in`, 'diode') },
  [SET_HIGH]: {
    weight: 1.5,
    why: say`keys pressed in a pocket, another unit taken, a dial knocked`,
    repair: (e) => ({
      step: say`${e.label}: set it as planned, and note it`,
      parts: [],
      proof: say`The display or dial shows the planned setting; warmed, it starts there.`,
    }),
  },
  [SET_LOW]: {
    weight: 1.2,
    why: say`a test setting that was never put back`,
    repair: (e) => ({
      step: say`${e.label}: back to the working setting`,
      parts: [],
      proof: say`Cold it stands; warmed, it starts where it was planned.`,
    }),
  },
}

/** A fault in a wire of the machine's own, or in a battery that starts it every day, is met more rarely. */
const RARE = 0.4

const weightOf = (fault: Fault, e: Element): number => {
  const { weight } = known[fault.kind]!
  const loom = e.kind === 'wire' && e.loom === true
  // grounds are where paint and rust are
  const ground = e.kind === 'wire' && e.b === GROUND && (fault.kind === 'bad' || fault.kind === 'poor')
  return weight * (loom ? RARE : 1) * (ground ? 3 : 1)
}

/** Ids of controllers that decide by heat. */
const decides = ({ duty }: Control): boolean => duty.cold !== duty.hot

function setWrong(net: Netlist): Cause[] {
  return net.controls.filter(decides).flatMap((c) => {
    const e = net.elements.find((x) => (x.kind === 'output' || x.kind === 'chopper') && x.controller === c.id)
    return e
      ? ([SET_HIGH, SET_LOW] as const).map((kind) => ({
          id: `${kind}:${e.name}`,
          words:
            kind === SET_HIGH
              ? say`${c.label}: set so high that it never calls`
              : say`${c.label}: set so low that it always calls`,
          area: 'circuit' as const,
          weight: known[kind]!.weight,
          why: known[kind]!.why,
          faults: [`${kind}:${e.name}`],
          repair: known[kind]!.repair({ ...e, label: c.label }),
        }))
      : []
  })
}

const nothing: Cause = {
  id: 'nothing',
  words: say`Nothing of the circuit: it does what it is wired to do`,
  area: 'circuit',
  weight: 3,
  why: say`half of what is called a fault is how it was wired, or set`,
  faults: [],
  repair: {
    step: say`Tell the owner what it does and why; or change what was asked of it, in Wire`,
    parts: [],
    proof: say`Every row of the state table, tried.`,
  },
}

/**
 * Every single thing that may be wrong with a circuit, one fault of it each, and that nothing is.
 * @see engineering §5, §6
 */
export function circuitCauses(net: Netlist): Cause[] {
  const faults = net.elements.flatMap((e) =>
    faultsAt(net, e.name).map((fault): Cause => {
      const rule = known[fault.kind]!
      return {
        id: fault.id,
        words: capital(fault.words),
        area: 'circuit',
        weight: weightOf(fault, e),
        why: rule.why,
        faults: [fault.id],
        repair: rule.repair(e),
      }
    }),
  )
  return [nothing, ...faults, ...setWrong(net)]
}

/** A netlist with a cause's faults in it. */
export const withCause = (net: Netlist, { faults }: Pick<Cause, 'faults'>): Netlist =>
  faults.reduce((now, id) => setFault(now, id) ?? withFaults(now, [id]), net)

/** Two causes at once, where they are of different things. @see engineering §6 */
export function both(a: Cause, b: Cause): Cause | null {
  const at = (c: Cause): string[] => c.faults.map((f) => f.split(':')[1]!)
  if (!a.faults.length || !b.faults.length || at(a).some((x) => at(b).includes(x))) return null
  return {
    id: `${a.id}+${b.id}`,
    words: say`${a.words}; and ${b.words}`,
    area: 'circuit',
    // two are met together so much more rarely than one (estimate)
    weight: 0.02 * a.weight * b.weight,
    why: `${a.why}; ${b.why}`,
    faults: [...a.faults, ...b.faults],
    repair: {
      step: `${a.repair.step}; ${b.repair.step}`,
      parts: [...a.repair.parts, ...b.repair.parts],
      proof: `${a.repair.proof} ${b.repair.proof}`,
    },
  }
}
