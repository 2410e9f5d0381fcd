import type { CircuitGraph, LaidOut } from '../core/drawing'
import { layOut, makeReady } from '../layout/circuit-layout'

export interface LayoutAnswer {
  readonly key: string
  /** null where it could not be laid out */ readonly laid: LaidOut | null
}

makeReady()

/** Message in: `{ key, graph, narrow }`; the same graph laid out goes back. */
self.onmessage = (event: MessageEvent<{ key: string; graph: CircuitGraph; narrow: boolean }>) => {
  const { key, graph, narrow } = event.data
  const say = (laid: LaidOut | null): void => self.postMessage({ key, laid } satisfies LayoutAnswer)
  layOut(graph, narrow).then(say, () => say(null))
}
