import type { DiodePlace, Run } from '../job'

/** What a node of a job's circuit is at the bench; where it belongs to one fan's way, which run that is. */
export type NodeIs =
  | { readonly is: 'battery +' | 'ground' | 'ignition' | 'key, feed' | 'lamp' | 'lamp, ground' | 'lights' }
  /** behind the machine's own fuse before its key, and behind the job's own where it leaves the switched wire */
  | { readonly is: 'loom fuse, behind' | 'tap fuse, behind' }
  | { readonly is: 'feed of others' | 'feed of others, behind'; readonly of: 'accessory block' | 'existing plug' }
  | { readonly is: 'frame' }
  | { readonly is: 'fuse' | 'fuse, behind' | 'isolator, in' | 'isolator, out'; readonly fan: number }
  | { readonly is: 'contact, in' | 'contact, out'; readonly fan: number; readonly by: Run['switchedBy'] }
  | { readonly is: 'relay 86' | 'relay 85' | 'fan +' | 'fan −'; readonly fan: number }
  /** terminals of a controller: which one of the job's, or null where none is chosen yet */
  | { readonly is: ControllerTerminal; readonly controller: string | null }
  | { readonly is: 'controller, input'; readonly controller: string; readonly of: 'override' | 'call' }
  /** the wire's side of a diode whose other lead goes into a terminal */
  | { readonly is: 'diode'; readonly of: DiodePlace }
  | { readonly is: 'switch, in' | 'switch, out'; readonly of: 'override' | 'call' | 'timer' }

type ControllerTerminal = 'controller, supply' | 'controller, ground' | 'controller, output'

/** What the nodes of a circuit are, by their names. */
export type Nodes = ReadonlyMap<string, NodeIs>
