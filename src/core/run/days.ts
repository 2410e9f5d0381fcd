import type { Day, DutyLeg, Job, MachineKind, Work } from '../job'
import { say } from '../words'

/** What a kind of work is: which readings of the job say how hard, how fast and at what engine speed. */
export interface WorkDefinition {
  readonly name: string
  readonly running: boolean
  /** addresses; a number stands where no reading is asked for it (estimate) */
  readonly share: string | number
  readonly rpm: string | null
  readonly speed: string | null
}

/** A new kind of work is a new entry. @see engineering §2.8 */
export const workDefinitions: Readonly<Record<Work, WorkDefinition>> = {
  off: { name: say`switched off`, running: false, share: 0, rpm: null, speed: null },
  idle: { name: say`idling`, running: true, share: 'engine.idleShare', rpm: 'engine.idleRpm', speed: null },
  slow: {
    name: say`slow work`,
    running: true,
    share: 'engine.slowShare',
    rpm: 'engine.slowRpm',
    speed: 'engine.slowMs',
  },
  heavy: {
    name: say`heaviest work`,
    running: true,
    share: 'engine.loadShare',
    rpm: 'engine.slowRpm',
    speed: 'engine.slowMs',
  },
  speed: { name: say`at speed`, running: true, share: 0.22, rpm: 'engine.cruiseRpm', speed: 'engine.cruiseMs' },
  towed: { name: say`towed`, running: true, share: 1, rpm: null, speed: null },
  charger: { name: say`on its charger`, running: true, share: 1, rpm: null, speed: null },
  alone: { name: say`standing alone`, running: true, share: 1, rpm: null, speed: null },
}

/** The kinds of work that make sense for a job. */
export const worksOf = (job: Job): Work[] =>
  job.trailer
    ? ['towed', 'charger', 'alone', 'off']
    : [
        ...(job.engine && job.engine.cruiseMs.value > 0
          ? (['idle', 'slow', 'heavy', 'speed', 'off'] as const)
          : (['idle', 'slow', 'heavy', 'off'] as const)),
      ]

/** A leg with nothing of its own: all as the job's readings have it. */
export const plainLeg = (
  id: string,
  name: string,
  work: Work,
  minutes: number,
  own: Partial<DutyLeg> = {},
): DutyLeg => ({
  id,
  name,
  work,
  seconds: Math.round(60 * minutes),
  speedMs: null,
  loadShare: null,
  rpm: null,
  airC: null,
  grade: null,
  heightM: null,
  ...own,
})

type Sketch = readonly [name: string, work: Work, minutes: number, own?: Partial<DutyLeg>]

const day = (name: string, sketches: readonly Sketch[]): Day => ({
  name,
  from: 'library',
  legs: sketches.map(([leg, work, minutes, own], i) => plainLeg(`leg${i + 1}`, leg, work, minutes, own)),
})

const climb = day(say`a slow climb`, [
  [say`start`, 'idle', 3],
  [say`track to the foot`, 'speed', 5],
  [say`slow climb`, 'slow', 22],
  [say`ridge track`, 'speed', 6],
  [say`idle at a gate`, 'idle', 6],
  [say`switched off`, 'off', 15],
])

const crawl = day(say`technical crawl`, [
  [say`start`, 'idle', 3],
  [say`crawl`, 'slow', 35],
  [say`idle`, 'idle', 4],
  [say`crawl again`, 'slow', 15],
  [say`switched off`, 'off', 15],
])

const pulls = day(say`short steep pulls`, [
  [say`start`, 'idle', 3],
  [say`slow`, 'slow', 10],
  [say`steep pull`, 'heavy', 2],
  [say`slow`, 'slow', 6],
  [say`steep pull`, 'heavy', 2],
  [say`slow`, 'slow', 6],
  [say`switched off`, 'off', 15],
])

const road = day(say`road`, [
  [say`start`, 'idle', 3],
  [say`road`, 'speed', 35],
  [say`idle at a gate`, 'idle', 8],
  [say`road`, 'speed', 10],
  [say`switched off`, 'off', 15],
])

const shift = day(say`a digging shift, no breeze`, [
  [say`start`, 'idle', 5],
  [say`digging`, 'slow', 45],
  [say`waiting`, 'idle', 5],
  [say`digging`, 'slow', 25],
  [say`switched off`, 'off', 20],
])

const trenching = day(say`trenching, hard`, [
  [say`start`, 'idle', 5],
  [say`hard digging`, 'heavy', 60],
  [say`switched off`, 'off', 20],
])

const town = day(say`town and traffic`, [
  [say`start`, 'idle', 4],
  [say`road`, 'speed', 10],
  [say`traffic`, 'slow', 20],
  [say`road`, 'speed', 6],
  [say`waiting`, 'idle', 10],
  [say`switched off`, 'off', 15],
])

const sun = day(say`standing in the sun`, [
  [say`towed`, 'towed', 30],
  [say`standing in the sun`, 'alone', 60],
  [say`on its charger`, 'charger', 20],
])

const market = day(say`a market day`, [
  [say`towed`, 'towed', 45],
  [say`market`, 'alone', 180],
  [say`towed home`, 'towed', 45],
  [say`on its charger`, 'charger', 60],
])

/** Days for each kind of machine; the first is the usual one. A new day is a new entry. */
const library: Readonly<Record<MachineKind, readonly Day[]>> = {
  'trail-bike': [climb, crawl, pulls, road],
  'road-bike': [town, road, climb],
  'side-by-side': [climb, crawl, pulls, road],
  'digger-air': [shift, trenching],
  'digger-liquid': [shift, trenching],
  'older-vehicle': [town, road],
  trailer: [sun, market],
}

export const daysFor = (kind: MachineKind): readonly Day[] => library[kind]
/** The day that a job is run through: its own, or the usual one for its kind of machine. */
export const dayOf = (job: Job): Day => job.duty ?? daysFor(job.machine.kind)[0]!
/** What a leg says but its name, which is in the language of the day it was chosen. */
const sameLeg = (a: DutyLeg, b: DutyLeg): boolean =>
  (Object.keys(a) as (keyof DutyLeg)[]).every((key) => key === 'name' || a[key] === b[key])

/** The library's day that a job is run through, in whatever language it was chosen; null where it has its own. */
export function libraryDayOf(job: Job): Day | null {
  const { from, legs } = dayOf(job)
  if (from !== 'library') return null
  const same = (d: Day): boolean => d.legs.length === legs.length && d.legs.every((leg, i) => sameLeg(leg, legs[i]!))
  return daysFor(job.machine.kind).find(same) ?? null
}
/** @returns s */
export const dayLength = (d: Day): number => d.legs.reduce((sum, l) => sum + l.seconds, 0)

/** minutes of its usual work, and of standing afterwards */
export const STINT = { worksMin: 20, standsMin: 10 } as const

/** A stint that anybody can repeat: its usual work, then standing with the engine on. */
export const dayOfStint = (job: Job): Day => ({
  name: say`stint`,
  from: 'hand',
  legs: [
    plainLeg('stint1', say`work`, job.trailer ? 'towed' : 'slow', STINT.worksMin),
    plainLeg('stint2', say`standing`, job.trailer ? 'alone' : 'idle', STINT.standsMin),
  ],
})
