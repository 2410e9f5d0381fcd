import type { ContactRating, FanRating, FuseForm } from '../electrical'

/** Battery's negative post: every voltage is read against it. */
export const GROUND = 'gnd'

export const heats = ['cold', 'rising', 'falling', 'hot'] as const
/** What the probe sees: below the band, inside it on the way up, inside it on the way down, above it. */
export type Heat = (typeof heats)[number]

/** What people and other systems do to a circuit from outside. */
export const switchings = ['key', 'engine', 'override', 'isolator', 'call', 'timer', 'hand'] as const
export type Switching = (typeof switchings)[number]
export type Conditions = Readonly<Record<Switching, boolean>> & { readonly heat: Heat }

/** Everything switched off, and cold. */
export const allOff: Conditions = {
  key: false,
  engine: false,
  override: false,
  isolator: false,
  call: false,
  timer: false,
  hand: false,
  heat: 'cold',
}

/** The engine runs, everything is hot, and nobody calls by hand: the state in which most flows. */
export const runningHot: Conditions = { ...allOff, key: true, engine: true, isolator: true, heat: 'hot' }

interface Common {
  /** unique, [a-z][a-z0-9_]*: the same name stands in the SPICE netlist */
  readonly name: string
  readonly label: string
  /** current counts positive from `a`, the side of the source, to `b`, the side of the load */
  readonly a: string
  readonly b: string
  /** which fan's way it stands in, 0 the first; none for what all share */
  readonly run?: number
}

/** Where a conductor that fuse and contact cut is a wire of its own. */
export type Piece =
  'to fuse' | 'to isolator' | 'to contact' | 'to fan' | 'fuse to fan' | 'fan to contact' | 'contact to ground'

/** Two ends of a circuit's element and what is between them. Ohm, volts, amps. */
export type Element = Common &
  (
    | { readonly kind: 'source'; readonly restV: number; readonly runningV: number; readonly ohm: number }
    | {
        readonly kind: 'wire'
        readonly ohm: number
        readonly conductor: string | null
        /**
         * what its conductor may carry for good, A; none for the loom's own wires and plain joints @see engineering
         * §1.1
         */
        readonly allowedA?: number
        /** which part of its conductor; the whole where none is said */ readonly piece?: Piece
        /** the machine had it before */ readonly loom?: true
      }
    | { readonly kind: 'fuse'; readonly ohm: number; readonly ratingA: number; readonly form: FuseForm }
    | { readonly kind: 'switch'; readonly by: Switching; readonly ohm: number; readonly rating: ContactRating | null }
    | {
        readonly kind: 'coil'
        readonly relay: string
        readonly ohm: number
        readonly pullInV: number
        readonly letGoV: number
      }
    | {
        readonly kind: 'contact'
        readonly relay: string
        readonly atRest: 'open' | 'closed'
        readonly ohm: number
        readonly rating: ContactRating | null
      }
    /** a controller's own contact or transistor */
    | {
        readonly kind: 'output'
        readonly controller: string
        readonly ohm: number
        readonly rating: ContactRating | null
      }
    /** a pulse-width output: `b` is held at the duty's share of `a` over `return` */
    | {
        readonly kind: 'chopper'
        readonly controller: string
        readonly return: string
        readonly ohm: number
        readonly rating: ContactRating | null
      }
    | {
        readonly kind: 'motor'
        readonly rating: FanRating
        readonly fan: string
        readonly jammed: boolean
        /** its wires are swapped on purpose: backwards is what is wanted of it */ readonly reversed?: boolean
      }
    | { readonly kind: 'load'; readonly ohm: number; readonly what: 'lamp' | 'other' }
    /** what a controller draws for itself */
    | { readonly kind: 'load'; readonly ohm: number; readonly what: 'standby'; readonly controller: string }
    /**
     * current goes from `a` to `b` only; `joins` says which way it keeps out of another, none where it only quenches a
     * coil
     */
    | { readonly kind: 'diode'; readonly joins?: 'control' | 'override' | 'call' }
  )
export type ElementKind = Element['kind']
export type Motor = Extract<Element, { kind: 'motor' }>

/** What decides over an output: a thermostat as §3.1 keeps it. */
export interface Control {
  readonly id: string
  readonly label: string
  /** where it takes its own supply; null for a switch that needs none */
  readonly supply: readonly [plus: string, minus: string] | null
  readonly leastV: number
  /** share of full speed that is called for; 0 and 1 for on and off @see engineering §3.1 */
  readonly duty: Readonly<Record<Heat, number>>
  /** terminals of its own that call it while they are live, whatever the heat */
  readonly inputs?: readonly string[]
  /** a probe that is open or shorted decides instead of the heat */
  readonly stuck: 'on' | 'off' | null
  /** what it does with its probe's lead open or shorted */
  readonly whenOpen: 'on' | 'off'
  readonly whenShorted: 'on' | 'off'
}

/** A circuit as data: what is joined to what. A fault is another netlist made of this one. */
export interface Netlist {
  readonly elements: readonly Element[]
  readonly controls: readonly Control[]
}

/** Which way each element of a kind lets current through, with the states of relays and controllers known. */
export interface States {
  /** relays whose coil has pulled in */
  readonly pulled: ReadonlySet<string>
  /** controllers whose electronics have their supply; one that needs none always counts */
  readonly powered: ReadonlySet<string>
  /** controllers that one of their own inputs calls */
  readonly asked: ReadonlySet<string>
  /** duty of each controller, 0…1 */
  readonly duty: ReadonlyMap<string, number>
  /** diodes that conduct */
  readonly conducting: ReadonlySet<string>
  /** pulse-width outputs that something else holds higher than they would: they give nothing */
  readonly blocked: ReadonlySet<string>
  /** fuses and breakers that have opened */
  readonly opened: ReadonlySet<string>
}

/** what a conducting diode keeps, V, and its slope, ohm (estimates) */
export const DIODE_V = 0.7
export const DIODE_OHM = 0.05

/** Whether an element lets current through in a state; motors, loads and wires always do. */
export function conducts(e: Element, s: States, c: Conditions): boolean {
  switch (e.kind) {
    case 'fuse':
      return !s.opened.has(e.name)
    case 'switch':
      return c[e.by]
    case 'contact':
      return s.pulled.has(e.relay) === (e.atRest === 'open')
    case 'output':
      return (s.duty.get(e.controller) ?? 0) > 0
    case 'chopper':
      return (s.duty.get(e.controller) ?? 0) > 0 && !s.blocked.has(e.name)
    case 'diode':
      return s.conducting.has(e.name)
    default:
      return true
  }
}

/** Every node of a netlist but the ground, in the order in which they are named. */
export function nodesOf(net: Netlist): string[] {
  const nodes = new Set<string>()
  for (const e of net.elements) {
    nodes.add(e.a)
    nodes.add(e.b)
    if (e.kind === 'chopper') nodes.add(e.return)
  }
  for (const c of net.controls) c.supply?.forEach((n) => nodes.add(n))
  nodes.delete(GROUND)
  return [...nodes]
}
