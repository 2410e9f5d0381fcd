import type { Run } from '../job'

/** What a node of a job's circuit is at the bench; where it belongs to one fan's way, which run that is. */
export type NodeIs =
  | { readonly is: 'battery +' | 'ground' | 'ignition' | 'key, feed' | 'lamp' | 'isolator' | 'lights' }
  | { readonly is: 'feed of others' | 'feed of others, behind'; readonly of: 'accessory block' | 'existing plug' }
  | { readonly is: 'frame' }
  | { readonly is: 'fuse' | 'fuse, behind'; readonly fan: number }
  | { readonly is: 'contact, in' | 'contact, out'; readonly fan: number; readonly by: Run['switchedBy'] }
  | { readonly is: 'relay 86' | 'relay 85' | 'fan +' | 'fan −'; readonly fan: number }
  /** terminals of a controller: which one of the job's, or null where none is chosen yet */
  | { readonly is: ControllerTerminal; readonly controller: string | null }
  | { readonly is: 'diode of the timer'; readonly controller: string | null }
  | { readonly is: 'switch'; readonly of: 'override' | 'call' | 'timer' }

type ControllerTerminal = 'controller, supply' | 'controller, ground' | 'controller, output'

/** What the nodes of a circuit are, by their names. */
export type Nodes = ReadonlyMap<string, NodeIs>
