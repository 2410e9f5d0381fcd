import type { Station } from '../fields'
import type { UnplannedKind } from '../job'
import { say } from '../words'

/** What each thing that turns out otherwise changes: where it is chosen anew, and which steps are done again. */
export const unplannedMeans: Readonly<
  Record<UnplannedKind, { readonly station: Station; readonly tell: string; readonly again: readonly string[] }>
> = {
  'a hole does not line up': {
    station: 'place',
    tell: say`Move the fan, or hold it another way: drawing, ties, screws and Fit follow.`,
    again: ['gaps', 'screws', 'drill', 'mount', 'spin'],
  },
  'a lead is too short': {
    station: 'place',
    tell: say`Say how long it is, or move what it leads to: leads, cut list and Supply follow.`,
    again: ['dry-fit', 'route'],
  },
  'the fan touches something': {
    station: 'place',
    tell: say`Measure how near it is, and move the fan: Fit and the drawing follow.`,
    again: ['mount', 'spin', 'locks', 'clear'],
  },
  'a part is another one': {
    station: 'place',
    tell: say`Choose what it is, or put down what stands on it: every margin follows.`,
    again: ['have-all'],
  },
  'a joint has to be elsewhere': {
    station: 'wire',
    tell: say`Change its way in Wire: cut list, joints and labels follow.`,
    again: ['dry-fit', 'joints', 'sleeves', 'route'],
  },
  'something is broken': {
    station: 'build',
    tell: say`Get another, or note below under "For now" what holds meanwhile.`,
    again: ['have-all'],
  },
  'something else': { station: 'build', tell: say`It stands in the record.`, again: [] },
}
