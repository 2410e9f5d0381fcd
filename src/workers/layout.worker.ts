import './words-first'
import { expose } from 'comlink'
import type { CircuitGraph, LaidOut } from '../core/drawing'
import { layOut, makeReady } from '../layout/circuit-layout'

makeReady()
// the library leaves its own listener behind, which would answer what is not meant for it
self.onmessage = null

const layouts = {
  /** A circuit's parts laid out; null where it could not be done. */
  layOut: (graph: CircuitGraph, narrow: boolean, figures: boolean): Promise<LaidOut | null> =>
    layOut(graph, narrow, figures).catch(() => null),
}
export type Layouts = typeof layouts

expose(layouts)
