import type { Conditions, Switching } from '@/core/circuit'
import type { Act, Came } from '@/core/practice'
import { fixed } from '@/core/units'
import { say, spokenWord } from '@/core/words'

/** What things of a circuit are called at the bench. */
export interface Names {
  readonly node: (name: string) => string
  readonly element: (name: string) => string
}

export const switchNames: Readonly<Record<Switching, string>> = {
  key: say`key`,
  engine: say`engine`,
  override: say`override`,
  isolator: say`isolator`,
  call: say`other system’s call`,
  timer: say`after-run timer`,
  hand: say`hand switch`,
}

const fuseWords = {
  pull: say`pulled`,
  'put back': say`the same one back in`,
  new: say`a new one in`,
  bigger: say`a bigger one in`,
} as const

const switchInWords = (by: Switching, on: boolean): string =>
  on ? say`${switchNames[by]} on` : say`${switchNames[by]} off`

/** What was done, in words. */
export function actInWords(act: Act, { node, element }: Names): string {
  switch (act.do) {
    case 'switch':
      return switchInWords(act.by, act.on)
    case 'warm':
      return act.hot ? say`warmed until it is hot` : say`left to cool`
    case 'watch':
      return say`watched ${element(act.fan)}`
    case 'listen':
      return say`an ear at the relay`
    case 'display':
      return say`looked at the controller`
    case 'setting':
      return say`read its setting`
    case 'shown':
      return say`held what it shows against a thermometer`
    case 'fuse':
      return `${element(act.name)}: ${fuseWords[act.how]}`
    case 'meter':
      return say`red on ${node(act.red)}, black on ${node(act.black)}`
    case 'feel':
      return say`felt along ${element(act.name)}`
    case 'turn by hand':
      return say`turned ${element(act.fan)} by hand`
    case 'jumper':
      return say`a lead from battery + to ${node(act.to)}`
    case 'open the cap':
      return say`opened the cap`
    case 'name':
      return say`named it`
  }
}

/** What came of it, in words. */
export function cameInWords({ shown, harm }: Came): string {
  if (harm !== null) return harm
  if (shown === null) return ''
  return typeof shown === 'number' ? `${fixed(shown, 2)} V` : spokenWord(shown)
}

export const minutesInWords = (minutes: number): string => `${fixed(minutes, 1)} min`

/** How the switches stand. */
export const standsInWords = (c: Conditions, there: readonly Switching[]): string =>
  [...there.map((s) => switchInWords(s, c[s])), c.heat === 'hot' ? say`hot` : say`cold`].join(', ')
