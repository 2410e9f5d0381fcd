import { type ObservationKind, observationAsks, observationFigures, observationMayMiss } from './choices'
import { seenEnds } from './limits'

interface Noted {
  readonly kind: ObservationKind
  readonly place: string
  readonly airC: number | null
  readonly fromC: number | null
  readonly toC: number | null
  readonly forS: number | null
  readonly seen: number | null
}

const wanting = {
  fromC: 'say at which temperature it began',
  toC: 'say which temperature was waited for',
  forS: 'say how long it was watched',
} as const

/** What is wrong with what was seen, and which of its figures says so; null where nothing is. SI, °C. */
export function observationTrouble(o: Noted): { readonly at: keyof Noted; readonly words: string } | null {
  if (o.airC === null) return { at: 'airC', words: 'say how warm the air was' }
  for (const name of observationAsks[o.kind]) if (o[name] === null) return { at: name, words: wanting[name] }
  if (o.seen === null && !observationMayMiss.includes(o.kind)) return { at: 'seen', words: 'say what was seen' }
  if (o.kind === 'hottest' && o.seen === null && o.toC === null)
    return { at: 'toC', words: 'say what it was never above' }
  if (o.kind === 'felt' && o.place.trim() === '')
    return { at: 'place', words: 'say where: only the same place can be compared' }
  if (o.kind === 'felt' && !Number.isInteger(o.seen)) return { at: 'seen', words: 'choose what it held' }
  const [low, high] = seenEnds[observationFigures[o.kind]]
  if (o.seen !== null && (o.seen < low || o.seen > high))
    return { at: 'seen', words: `what was seen is too ${o.seen < low ? 'little' : 'much'} to be believed` }
  if (o.kind === 'rise' && o.toC! <= o.fromC!) return { at: 'toC', words: 'heating up has to end hotter than it began' }
  if (o.kind === 'fall' && o.toC! >= o.fromC!)
    return { at: 'toC', words: 'cooling down has to end colder than it began' }
  return null
}
