import { example } from '../../formats/test-support/examples'
import { motorsOf } from '../circuit'
import { rowOf, type Table, tableOf } from '../diagnose'
import type { Job } from '../job'
import { pinAsked, pinAt } from '../drawing'
import { netlistOf } from '../wiring'
import {
  type Act,
  type DrillKind,
  drillOf,
  goodPath,
  isOver,
  levels,
  machineOf,
  minutesOf,
  played,
  type Round,
  roundOf,
  WRONG_MINUTES,
} from '.'
import { made } from '../diagnose/test-support/made'

const job: Job = example('vineyard-buggy-ready')
const net = netlistOf(job)
const table: Table = made(tableOf(job))
const round = (seed: string, level: (typeof levels)[number]): Round =>
  roundOf(table, { seed, level, machine: 0 }, (cause) => rowOf(job, cause))!
const hiding = (id: string): Round => {
  const cause = table.causes.find((c) => c.id === id)!
  return { ...round('x', 'one break'), cause, there: 'always', names: [[id]] }
}
const shown = (r: Round, ...acts: Act[]) => played(net, r, acts).came.at(-1)!.shown
const hot: readonly Act[] = [
  { do: 'switch', by: 'key', on: true },
  { do: 'warm', hot: true },
]
const fan = motorsOf(net)[0]!.name

test('a seed gives everybody the same round, and others give others', () => {
  for (const level of levels) expect(round('gate', level)).toEqual(round('gate', level))
  const ids = new Set(Array.from({ length: 30 }, (_, n) => round(`s${n}`, 'anything').cause.id))
  expect(ids.size).toBeGreaterThan(8)
  expect(new Set(Array.from({ length: 40 }, (_, n) => machineOf(`s${n}`, 'anything', 4)))).toEqual(
    new Set([0, 1, 2, 3]),
  )
  expect(round('gate', 'two at once').names).toHaveLength(2)
})

test('every round can be won by its good path and ended by its name; a wrong name costs a part', () => {
  for (const level of levels)
    for (let n = 0; n < 6; n++) {
      const r = round(`won${n}`, level)
      const good = goodPath(table, r, rowOf(job, r.cause))
      expect(good.minutes).toBeLessThan(60)
      const { came } = played(
        net,
        r,
        r.names.map((names) => ({ do: 'name' as const, cause: names[0]! })),
      )
      expect(isOver(came)).toBe(true)
      expect(came.at(-1)!.solved).toBe(true)
      const wrong = table.causes.find((c) => !r.names.flat().includes(c.id))!
      expect(minutesOf(played(net, r, [{ do: 'name', cause: wrong.id }]).came)).toBe(WRONG_MINUTES)
    }
})

test('the bench is the circuit: a break leaves volts before it and none behind, a fuse that blew stays blown', () => {
  const open = hiding('open:feed1_b')
  const volts = (red: string): Act => ({ do: 'meter', red, black: 'gnd' })
  expect(shown(open, ...hot, { do: 'watch', fan })).toBe('stands')
  expect(shown(open, ...hot, volts('fuse1_out'))).toBeGreaterThan(12)
  expect(shown(open, ...hot, volts('switch1_in'))).toBe(0)
  // either lead may be held where: 12.x and −12.x
  const there = shown(open, ...hot, volts('fuse1_out')) as number
  expect(shown(open, ...hot, { do: 'meter', red: 'gnd', black: 'fuse1_out' })).toBe(-there)

  const bare = hiding('chafed:feed1_b')
  const pull: Act = { do: 'fuse', name: 'fuse1', how: 'pull' }
  expect(shown(bare, pull)).toBe('blown')
  expect(shown(bare, pull, { do: 'fuse', name: 'fuse1', how: 'new' })).toBe('blown')
  expect(
    shown(hiding('blown:fuse1'), pull, { do: 'fuse', name: 'fuse1', how: 'new' }, ...hot, { do: 'watch', fan }),
  ).toBe('runs')
  // 20 Ω in the ground: 0.6 A there is some 7 W, too hot for a finger
  expect(shown(hiding('bad:return1'), ...hot, { do: 'feel', name: 'return1' })).toMatch(/^hot/)
  expect(shown(hiding('bad:return1'), ...hot, { do: 'feel', name: 'feed1_c' })).toBe('cold')
})

test('what comes and goes is there only while the engine shakes it, or only while it is hot', () => {
  const shaken: Round = { ...hiding('open:feed1_b'), there: 'shaken' }
  expect(shown(shaken, ...hot, { do: 'watch', fan })).toBe('runs')
  expect(shown(shaken, ...hot, { do: 'switch', by: 'engine', on: true }, { do: 'watch', fan })).toBe('stands')
  const warm: Round = { ...hiding('open:feed1_b'), there: 'hot' }
  const volts: Act = { do: 'meter', red: 'switch1_in', black: 'gnd' }
  expect(shown(warm, { do: 'switch', by: 'key', on: true }, volts)).toBeGreaterThan(12)
  expect(shown(warm, ...hot, volts)).toBe(0)
})

test('what hurts ends the round and says why; the same done safely does not', () => {
  const r = hiding('open:feed1_b')
  const harm = (...acts: Act[]) => played(net, r, acts).came.at(-1)!.harm
  expect(harm({ do: 'turn by hand', fan })).toMatch(/Its fuse out first/)
  expect(harm({ do: 'fuse', name: 'fuse1', how: 'pull' }, { do: 'turn by hand', fan })).toBeNull()
  expect(harm({ do: 'fuse', name: 'fuse1', how: 'bigger' })).toMatch(/the wire becomes the fuse/)
  expect(harm({ do: 'jumper', to: 'gnd' })).toMatch(/short/)
  expect(harm(...hot, { do: 'open the cap' })).toMatch(/steam/)
  expect(harm({ do: 'open the cap' })).toBeNull()
  // nothing is done after it
  expect(
    played(net, r, [
      { do: 'jumper', to: 'gnd' },
      { do: 'watch', fan },
    ]).came,
  ).toHaveLength(1)
})

describe('drills', () => {
  const bike = example('fell-bike-signed')
  const many = (kind: DrillKind) => Array.from({ length: 60 }, (_, n) => drillOf(kind, 7 * n + 1, bike)!)
  test('each has its right answer among those that are offered, once', () => {
    for (const kind of ['pins', 'settings', 'direction', 'sizes'] as const)
      for (const d of many(kind)) expect(d.answers!.filter((a) => a === d.right)).toHaveLength(1)
  })
  test('a relay seen from its wires, not from its pins: 86 stands on the other side; a half turn brings it back', () => {
    const x = (seen: 'pin side' | 'wire side', quarters: number) => pinAt('86', { seen, quarters }).x
    expect(x('wire side', 0)).toBe(-x('pin side', 0))
    expect(x('wire side', 2)).toBe(x('pin side', 0))
    // what is said for those who cannot see it is where it is drawn
    expect(pinAsked({ seen: 'pin side', quarters: 0 }, '30').says).toMatch(/bottom/)
    expect(pinAsked({ seen: 'pin side', quarters: 2 }, '30').says).toMatch(/top/)
  })
  test('by hand: a 10 A fuse is 0.12 / 10^1.2 = 7.57 mΩ, so 37.9 mV are 5 A; other ratings by the same', () => {
    expect(37.9e-3 / (0.12 / 10 ** 1.2)).toBeCloseTo(5, 1)
    for (const d of many('millivolts')) {
      const [, rating, mv] = /fuse of ([\d.]+) A shows ([\d.]+) mV/.exec(d.ask)!
      expect(d.figure!.value).toBeCloseTo(Number(mv) / 1000 / (0.12 * Number(rating) ** -1.2), 6)
    }
  })
  test('swapped and turned over together is reversed and at its best; a brushless one swapped is nothing', () => {
    for (const d of many('direction')) {
      const swapped = /wires swapped/.test(d.ask)
      const turned = /turned over/.test(d.ask)
      const way = `${swapped ? 'reversed' : 'as marked'}, ${swapped === turned ? 'at its best' : 'weakly'}`
      expect(d.right).toBe(/brushless/.test(d.ask) && swapped ? 'not at all' : way)
    }
  })
  test('traces differ as they are said to: late, without end, rising past it', () => {
    const seen = new Map(many('trace').map((d) => [d.right, d.picture!]))
    expect(seen.size).toBe(5)
    // the fan's bars: everywhere once it is on, less than half, none
    const bars = (right: RegExp) =>
      [...seen].find(([r]) => right.test(r))![1].shapes.filter((s) => s.kind === 'rect').length - 1
    expect(bars(/never runs/)).toBe(0)
    expect(bars(/cold side/)).toBeLessThan(bars(/nothing is wrong/))
    expect(bars(/thermostat holds/)).toBeGreaterThan(bars(/nothing is wrong/))
    // a bay has no coolant to draw
    expect(drillOf('trace', 1, example('churchyard-digger-bay'))).toBeNull()
  })
})
