import type { Observation } from '../../job'
import type { WatchedKind } from '../seen'

export const AT = '2026-11-25T14:02:00.000Z'

export type Counted = Observation & { readonly kind: WatchedKind }
export const observation = (own: Partial<Counted>): Counted => ({
  id: 'seen1',
  kind: 'warm-up',
  at: AT,
  by: '',
  state: 'as it came',
  place: '',
  work: 'idle',
  airC: 18,
  fromC: null,
  toC: null,
  forS: null,
  seen: null,
  how: 'by a watch',
  spread: null,
  typed: '',
  doubted: false,
  ...own,
})
export const climb = observation({ id: 'climb', kind: 'boiled', work: 'slow', forS: 900, how: 'remembered' })
export const watch = observation({ id: 'watch', kind: 'rise', work: 'slow', fromC: 84, toC: 96 })
