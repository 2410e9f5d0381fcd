import { GROUND, type Control, type Element, type ElementKind, type Netlist } from './netlist'
import { say } from '../words'

/** A fault is an edit of a netlist; a new one is a new entry of a table. */
interface FaultRule {
  /** what is said of the thing that has it */
  readonly words: (e: Element) => string
  readonly fits: (e: Element, net: Netlist) => boolean
  readonly edit: (e: Element, net: Netlist) => Netlist
  /** what a circuit at rest does not show */
  readonly note?: string
}
export interface Fault {
  readonly id: string
  readonly kind: string
  readonly at: string
  readonly words: string
  readonly note: string | null
}

const BAD_OHM = 20
const POOR_OHM = 2
const JOINT_OHM = 0.001
const CHAFED_OHM = 0.002

const swap = (net: Netlist, name: string, change: (e: Element) => Element | null): Netlist => ({
  ...net,
  elements: net.elements.flatMap((e) => (e.name === name ? (change(e) ?? []) : [e])),
})
const without = (e: Element, net: Netlist): Netlist => swap(net, e.name, () => null)
const asWire = (e: Element, ohm: number): Element => ({
  kind: 'wire',
  name: e.name,
  label: e.label,
  a: e.a,
  b: e.b,
  ohm,
  conductor: null,
})
const ofKind =
  (...kinds: readonly ElementKind[]) =>
  (e: Element): boolean =>
    kinds.includes(e.kind)
const control = (net: Netlist, id: string, change: Partial<Control>): Netlist => ({
  ...net,
  controls: net.controls.map((c) => (c.id === id ? { ...c, ...change } : c)),
})
const decides = (e: Element): e is Extract<Element, { kind: 'output' | 'chopper' }> =>
  e.kind === 'output' || e.kind === 'chopper'
const sensed = (e: Element, net: Netlist): boolean =>
  decides(e) && net.controls.some((c) => c.id === e.controller && c.duty.cold !== c.duty.hot)
const coilBeside = (net: Netlist) => net.elements.find((e) => e.kind === 'coil')
const back = (net: Netlist, e: Element) => net.elements.find((r) => r.kind === 'wire' && r.a === e.b)
const grounded = (e: Element): boolean => e.kind === 'wire' && e.b === GROUND

const rules: Readonly<Record<string, FaultRule>> = {
  open: {
    words: (e) => say`${e.label}: broken`,
    fits: ofKind('wire', 'coil', 'motor', 'switch', 'load'),
    // a fan stays where it is, and is counted: nothing goes through it any more
    edit: (e, net) =>
      e.kind === 'motor' ? swap(net, e.name, (m) => ({ ...m, b: `${m.name}_broken` })) : without(e, net),
  },
  diode_reversed: {
    words: (e) => say`${e.label}: the wrong way round`,
    fits: ofKind('diode'),
    edit: (e, net) => swap(net, e.name, (d) => ({ ...d, a: d.b, b: d.a })),
  },
  diode_shorted: {
    words: (e) => say`${e.label}: shorted`,
    fits: ofKind('diode'),
    edit: (e, net) => swap(net, e.name, (d) => asWire(d, JOINT_OHM)),
  },
  diode_missing: { words: (e) => say`${e.label}: missing or burnt through`, fits: ofKind('diode'), edit: without },
  bad: {
    words: (e) => (grounded(e) ? say`${e.label}: bad ground, 20 ohm` : say`${e.label}: bad joint, 20 ohm`),
    fits: ofKind('wire'),
    edit: (e, net) => swap(net, e.name, (w) => asWire(w, BAD_OHM)),
  },
  poor: {
    words: (e) => (grounded(e) ? say`${e.label}: poor ground, 2 ohm` : say`${e.label}: poor joint, 2 ohm`),
    fits: ofKind('wire'),
    edit: (e, net) => swap(net, e.name, (w) => asWire(w, POOR_OHM)),
  },
  chafed: {
    words: (e) => say`${e.label}: chafed through to the frame`,
    fits: (e) => e.kind === 'wire' && e.b !== GROUND,
    edit: (e, net) => ({
      ...net,
      elements: [
        ...net.elements,
        { ...asWire(e, CHAFED_OHM), name: `${e.name}_chafed`, label: say`bare wire on the frame`, a: e.b, b: GROUND },
      ],
    }),
  },
  blown: { words: (e) => say`${e.label}: blown`, fits: ofKind('fuse'), edit: without },
  bridged: {
    words: (e) => say`${e.label}: no fuse, bridged`,
    fits: ofKind('fuse'),
    edit: (e, net) => swap(net, e.name, (w) => asWire(w, JOINT_OHM)),
  },
  swapped: {
    words: (e) => say`${e.label}: wires swapped`,
    fits: ofKind('motor'),
    edit: (e, net) => swap(net, e.name, (m) => ({ ...m, a: m.b, b: m.a })),
  },
  jammed: {
    words: (e) => say`${e.label}: held fast`,
    fits: ofKind('motor'),
    edit: (e, net) => swap(net, e.name, (m) => (m.kind === 'motor' ? { ...m, jammed: true } : m)),
  },
  welded: {
    words: (e) => say`${e.label}: stuck closed`,
    fits: ofKind('contact', 'switch', 'output'),
    edit: (e, net) => swap(net, e.name, (w) => asWire(w, 'ohm' in w ? w.ohm : JOINT_OHM)),
  },
  dead: { words: (e) => say`${e.label}: never closes`, fits: ofKind('contact', 'output', 'chopper'), edit: without },
  wrong_pin: {
    words: (e) => say`${e.label}: on 87a instead of 87`,
    fits: ofKind('contact'),
    edit: (e, net) =>
      swap(net, e.name, (w) => (w.kind === 'contact' ? { ...w, atRest: w.atRest === 'open' ? 'closed' : 'open' } : w)),
  },
  probe_open: {
    words: (e) => say`${e.label}: probe lead open`,
    fits: sensed,
    edit: (e, net) => (decides(e) ? control(net, e.controller, { stuck: probeSays(net, e.controller, 'open') }) : net),
  },
  probe_shorted: {
    words: (e) => say`${e.label}: probe lead shorted`,
    fits: sensed,
    edit: (e, net) =>
      decides(e) ? control(net, e.controller, { stuck: probeSays(net, e.controller, 'shorted') }) : net,
  },
  flat: {
    words: (e) => say`${e.label}: flat`,
    fits: ofKind('source'),
    edit: (e, net) =>
      swap(net, e.name, (b) =>
        b.kind === 'source' ? { ...b, restV: b.restV * 0.82, runningV: b.runningV * 0.9, ohm: b.ohm * 4 } : b,
      ),
  },
  ground_at_85: {
    note: say`Once the thermostat opens again the coasting fan holds the relay in for some seconds, until its own
      voltage is under what lets the relay go.`,
    words: (e) => say`${e.label}: its ground moved to the coil's ground pin`,
    fits: (e, net) => e.kind === 'motor' && coilBeside(net) !== undefined && back(net, e) !== undefined,
    edit: (e, net) => {
      const moved = {
        ...asWire(e, JOINT_OHM),
        name: `${e.name}_at_85`,
        label: say`ground moved to 85`,
        a: e.b,
        b: coilBeside(net)!.b,
      }
      return { ...net, elements: [...net.elements.filter((x) => x !== back(net, e)), moved] }
    },
  },
  ground_joined: {
    words: (e) => say`${e.label}: its ground joined to the coil's ground pin`,
    fits: (e, net) => e.kind === 'motor' && coilBeside(net) !== undefined,
    edit: (e, net) => ({
      ...net,
      elements: [
        ...net.elements,
        {
          ...asWire(e, JOINT_OHM),
          name: `${e.name}_joined_85`,
          label: say`grounds joined`,
          a: coilBeside(net)!.b,
          b: e.b,
        },
      ],
    }),
  },
  from_battery: {
    words: (e) => say`${e.label}: taken from the battery, not the key`,
    fits: (e, net) =>
      e.kind === 'wire' && e.name === 'control_feed' && net.elements.some((s) => s.kind === 'source' && s.a !== e.a),
    edit: (e, net) => swap(net, e.name, (w) => ({ ...w, a: net.elements.find((s) => s.kind === 'source')!.a })),
  },
}

/** which way a controller fails, as its description says: kept beside its duty */
const probeSays = (net: Netlist, id: string, how: 'open' | 'shorted'): 'on' | 'off' =>
  net.controls.find((c) => c.id === id)?.[how === 'open' ? 'whenOpen' : 'whenShorted'] ?? 'off'

/** Every fault that a thing of the circuit can have. @see engineering §5 */
export function faultsAt(net: Netlist, name: string): Fault[] {
  const e = net.elements.find((x) => x.name === name)
  return e
    ? Object.entries(rules)
        .filter(([, r]) => r.fits(e, net))
        .map(([kind, r]) => ({ id: `${kind}:${name}`, kind, at: name, words: r.words(e), note: r.note ?? null }))
    : []
}

export const faultsOf = (net: Netlist): Fault[] => net.elements.flatMap((e) => faultsAt(net, e.name))

/**
 * The netlist with faults in it, one after another; one that no longer fits what is left is passed over.
 * @param ids as of {@link faultsAt}: "open:feed_2"
 */
export function withFaults(net: Netlist, ids: readonly string[]): Netlist {
  return ids.reduce((now, id) => {
    const [kind = '', name = ''] = id.split(':')
    const e = now.elements.find((x) => x.name === name)
    const rule = rules[kind]
    return e && rule?.fits(e, now) ? rule.edit(e, now) : now
  }, net)
}
