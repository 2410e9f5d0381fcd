import type { Conditions, Switching } from '@/core/circuit'
import type { Act, Came } from '@/core/practice'

/** What things of a circuit are called at the bench. */
export interface Names {
  readonly node: (name: string) => string
  readonly element: (name: string) => string
}

export const switchNames: Readonly<Record<Switching, string>> = {
  key: 'key',
  engine: 'engine',
  override: 'override',
  isolator: 'isolator',
  call: 'other system’s call',
  timer: 'after-run timer',
  hand: 'hand switch',
}

const fuseWords = { pull: 'pulled', 'put back': 'put back', new: 'a new one in', bigger: 'a bigger one in' } as const

/** What was done, in words. */
export function actInWords(act: Act, { node, element }: Names): string {
  switch (act.do) {
    case 'switch':
      return `${switchNames[act.by]} ${act.on ? 'on' : 'off'}`
    case 'warm':
      return act.hot ? 'warmed until it is hot' : 'left to cool'
    case 'watch':
      return `watched ${element(act.fan)}`
    case 'listen':
      return 'an ear at the relay'
    case 'display':
      return 'looked at the controller'
    case 'setting':
      return 'read its setting'
    case 'shown':
      return 'held what it shows against a thermometer'
    case 'fuse':
      return `${element(act.name)}: ${fuseWords[act.how]}`
    case 'meter':
      return `red on ${node(act.red)}, black on ${node(act.black)}`
    case 'feel':
      return `felt along ${element(act.name)}`
    case 'turn by hand':
      return `turned ${element(act.fan)} by hand`
    case 'jumper':
      return `a lead from battery + to ${node(act.to)}`
    case 'open the cap':
      return 'opened the cap'
    case 'name':
      return 'named it'
  }
}

/** What came of it, in words. */
export function cameInWords({ act, shown, harm }: Came): string {
  if (harm !== null) return harm
  if (shown === null) return ''
  return act.do === 'meter' && typeof shown === 'number' ? `${shown.toFixed(2)} V` : String(shown)
}

export const minutesInWords = (minutes: number): string => `${minutes.toFixed(1)} min`

/** How the switches stand. */
export const standsInWords = (c: Conditions, there: readonly Switching[]): string =>
  [...there.map((s) => `${switchNames[s]} ${c[s] ? 'on' : 'off'}`), c.heat === 'hot' ? 'hot' : 'cold'].join(', ')
