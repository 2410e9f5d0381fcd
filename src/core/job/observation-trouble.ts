import { type ObservationKind, observationAsks, observationFigures, observationMayMiss } from './choices'
import { seenEnds } from './limits'
import { say } from '../words'

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
  fromC: say`say at which temperature it began`,
  toC: say`say which temperature was waited for`,
  forS: say`say how long it was watched`,
} as const

/** What is wrong with what was seen, and which of its figures says so; null where nothing is. SI, °C. */
export function observationTrouble(o: Noted): { readonly at: keyof Noted; readonly words: string } | null {
  if (o.airC === null) return { at: 'airC', words: say`say how warm the air was` }
  for (const name of observationAsks[o.kind]) if (o[name] === null) return { at: name, words: wanting[name] }
  if (o.seen === null && !observationMayMiss.includes(o.kind)) return { at: 'seen', words: say`say what was seen` }
  if (o.kind === 'hottest' && o.seen === null && o.toC === null)
    return { at: 'toC', words: say`say what it was never above` }
  if (o.kind === 'felt' && o.place.trim() === '')
    return { at: 'place', words: say`say where: only the same place can be compared` }
  if (o.kind === 'felt' && !Number.isInteger(o.seen)) return { at: 'seen', words: say`choose what it held` }
  const [low, high] = seenEnds[observationFigures[o.kind]]
  if (o.seen !== null && (o.seen < low || o.seen > high))
    return { at: 'seen', words: say`what was seen is too ${o.seen < low ? say`little` : say`much`} to be believed` }
  if (o.kind === 'rise' && o.toC! <= o.fromC!)
    return { at: 'toC', words: say`heating up has to end hotter than it began` }
  if (o.kind === 'fall' && o.toC! >= o.fromC!)
    return { at: 'toC', words: say`cooling down has to end colder than it began` }
  return null
}
