import { feltLevels, LONGEST_DAY } from './choices'
import { say } from '../words'

/** How much of each thing a job holds, and what it is called where there is more. */
const lists = {
  checks: [20, say`answers`],
  alterations: [30, say`alterations`],
  panels: [8, say`panels`],
  chargingPoints: [8, say`clamp readings`],
  batteries: [4, say`batteries`],
  fans: [4, say`fans`],
  controllers: [4, say`controllers`],
  probes: [4, say`probes`],
  relays: [4, say`relays`],
  switches: [8, say`switches`],
  fuses: [4, say`fuses`],
  conductors: [48, say`conductors`],
  runs: [4, say`fan feeds`],
  conductorsOfRun: [8, say`conductors in one fan’s way`],
  obstacles: [12, say`things near the core`],
  legsOfLead: [8, say`legs of one lead`],
  legsOfDay: [600, say`legs of a day`],
  unknowns: [8, say`plugs and relays to find out`],
  marks: [8, say`wires or pins of one plug`],
  meterReadings: [120, say`meter readings of one plug`],
  edits: [40, say`changes to the harness`],
  steps: [200, say`ticked steps`],
  passed: [60, say`locks gone past`],
  waits: [20, say`running waits`],
  torques: [40, say`torques`],
  ownSteps: [20, say`steps of your own`],
  unplanned: [60, say`things not as planned`],
  needs: [120, say`things needed`],
  timesLeft: [40, say`times left`],
  ledger: [80, say`things taken off`],
  debts: [30, say`fixes for now`],
  photos: [60, say`pictures`],
  dialPoints: [20, say`points of a dial`],
  notes: [60, say`notes`],
  hours: [200, say`times at work`],
  bought: [80, say`things bought`],
  settings: [40, say`settings as left`],
  looseJoints: [20, say`joints without a catch`],
  traces: [4, say`traces`],
  searches: [20, say`searches for a fault`],
  foundInSearch: [80, say`things found in one search`],
  tracePoints: [300, say`points of a trace`],
  earlierProofs: [10, say`earlier findings of one proof`],
  proofs: [60, say`proofs`],
  care: [60, say`things to look after`],
  acceptances: [100, say`acceptances`],
  observations: [100, say`things seen`],
  claims: [6, say`claims`],
  claimRuns: [40, say`runs of one claim`],
} as const satisfies Readonly<Record<string, readonly [most: number, name: string]>>
export type Listed = keyof typeof lists

/** How many of a thing a job holds. Reader, screen and schema ask here, so that no screen makes what a save refuses. */
export const mostOf = (listed: Listed): number => lists[listed][0]

/** What is said where there would be more. */
export const tooMany = (listed: Listed): string => say`no more than ${lists[listed][0]} ${lists[listed][1]}`

/** Both, as a schema's `max` takes them. */
export const upTo = (listed: Listed): readonly [number, string] => [mostOf(listed), tooMany(listed)]

/** Figures of a leg of a day: lowest and highest, SI, °C. */
export const legEnds = {
  speedMs: [0, 80],
  loadShare: [0, 1.5],
  rpm: [0, 20_000],
  airC: [-60, 70],
  grade: [-1, 1],
  heightM: [-430, 6000],
} as const satisfies Readonly<Record<string, readonly [number, number]>>

/** Figures of what was seen: lowest and highest, SI, °C. */
export const seenEnds = {
  airC: [-40, 60],
  fromC: [-40, 200],
  toC: [-40, 300],
  forS: [1, LONGEST_DAY],
  afterS: [1, LONGEST_DAY],
  share: [0, 1],
  volts: [0, 40],
  level: [0, feltLevels.length - 1],
} as const satisfies Readonly<Record<string, readonly [number, number]>>

/** Figures that are chosen or noted, not read: lowest and highest, SI, °C. */
export const choiceEnds = {
  setC: [-60, 300],
  bandK: [0, 100],
  spanK: [0.5, 100],
  boilKeepK: [0, 60],
  proof: [-1000, 1e6],
  torqueNm: [0.05, 500],
  dialPosition: [0, 12],
  ownMinutes: [0, 1440],
  coolantM3: [0, 0.2],
  count: [0, 9999],
  price: [0, 1e7],
  foundFigure: [-1000, 1e6],
  traceS: [0, 86_400],
  traceA: [-500, 500],
  traceV: [-60, 60],
  complaintAfterS: [0, 86_400],
  complaintAboveC: [-40, 60],
  complaintTimes: [1, 999],
  claimFigure: [1e-6, 1e9],
  claimShare: [0, 1],
  baselineHotC: [-40, 300],
  baselineAirC: [-40, 60],
  baselineTouchS: [0, 3600],
} as const satisfies Readonly<Record<string, readonly [number, number]>>
