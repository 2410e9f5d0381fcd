import type { Element, Switching } from '../circuit'
import type { ContactRating } from '../electrical'
import type { FanCircuit } from '../fan-circuit'
import type { Job } from '../job'
import { say } from '../words'
import type { ContactLoad } from './load'

/** What of a circuit is switched from outside, as a contact that a fan's current may go through. */
const switchWords: Readonly<Partial<Record<Switching, readonly [name: string, needs: string]>>> = {
  key: [say`key switch`, say`the key switch's rating`],
  override: [say`override switch`, say`the override switch's rating`],
  isolator: [say`isolator`, say`the isolator's rating`],
  call: [say`other system's contact`, say`what the other system may carry`],
}

/** An element as a contact that a fan’s current may go through; null where it is none. */
export function contactOf(job: Job, e: Element, circuits: readonly FanCircuit[]): Omit<ContactLoad, 'load'> | null {
  const circuit = e.run === undefined ? undefined : circuits[e.run]
  const suffix = circuit?.suffix ?? ''
  const tag = circuit?.tag ?? ''
  const own = (rating: ContactRating | null) => ({
    id: 'controller',
    name: say`controller's own contact`,
    suffix,
    tag,
    rating,
    borrowedA: null,
    needs: circuit?.controller ? say`a controller that can carry a fan itself, or a relay` : say`a controller`,
  })
  switch (e.kind) {
    // one that belongs to no fan's way is somebody else's feed
    case 'contact':
      return circuit
        ? { id: 'relay', name: say`relay`, suffix, tag, rating: e.rating, borrowedA: null, needs: say`a relay` }
        : {
            id: e.relay,
            name: e.label,
            suffix,
            tag,
            rating: null,
            borrowedA: job.wiring.feedRatedA,
            needs: say`what the ${e.label} is fused with`,
          }
    // the machine's own fuse, where a fan hangs on the switched wire behind it
    case 'fuse':
      return e.name === 'loom_fuse'
        ? { id: 'own fuse', name: say`machine`, suffix: '', tag: '', rating: null, borrowedA: e.ratingA, needs: '' }
        : null
    case 'output':
    case 'chopper':
      return own(e.rating)
    case 'switch': {
      // a hand switch that stands where a controller would
      if (e.by === 'hand') return own(e.rating)
      const words = switchWords[e.by]
      return words
        ? {
            id: e.by,
            name: words[0],
            suffix: e.by === 'isolator' && e.run === 0 ? '' : suffix,
            tag: e.by === 'isolator' && e.run === 0 ? '' : tag,
            rating: e.rating,
            borrowedA: null,
            needs: words[1],
          }
        : null
    }
    default:
      return null
  }
}
