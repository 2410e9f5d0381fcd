import type { CircuitGraph, LaidOut } from '../core/drawing'
import { layOut } from '../layout/circuit-layout'

export interface LayoutAnswer { readonly key: string; readonly laid: LaidOut }

/** Message in: `{ key, graph, narrow }`; the same graph laid out goes back. */
self.onmessage = (event: MessageEvent<{ key: string; graph: CircuitGraph; narrow: boolean }>) => {
  const { key, graph, narrow } = event.data
  void layOut(graph, narrow).then((laid) => self.postMessage({ key, laid } satisfies LayoutAnswer))
}
