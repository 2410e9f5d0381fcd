import { cautions, type Job } from '../job'
import { asWords, STILL } from './act'
import type { Move } from './table'
import { say } from '../words'

/** What a move about heat, noise or coolant is asked of, and which answer is the usual one. */
export interface HeatMove {
  readonly move: Move
  /** what is seen where nothing of it is wrong; null: every cause says its own */
  readonly usual: string | null
  readonly when: (job: Job) => boolean
}

const always = (): boolean => true
const cooled = (job: Job): boolean => job.cooling !== null
const inBay = (job: Job): boolean => job.bay !== null
const look = { tier: 'look', figure: null, risk: 0, caution: '' } as const
const RUNNING = `${cautions.surprise} ${cautions.fumes}`

/** What is complained of where the fan turns and it is not well all the same. */
export const coolingAnswers = [
  { id: 'well', words: say`it cools as it should` },
  { id: 'too hot', words: say`too hot all the same` },
  { id: 'late', words: say`the fan starts too late` },
  { id: 'never stops', words: say`the fan never stops once warm` },
  { id: 'stops by itself', words: say`the fan stops when it is hottest, and comes back by itself` },
] as const

export const noiseAnswers = [
  { id: 'none', words: say`none` },
  { id: 'rubs', words: say`it rubs or ticks, faster as it turns faster` },
  { id: 'rattles', words: say`it rattles, with the engine too` },
  { id: 'grinds', words: say`it grinds or whines` },
] as const

export const levelAnswers = [
  { id: 'stays', words: say`it stays` },
  { id: 'falls', words: say`it falls from day to day` },
  { id: 'fell once', words: say`it fell once after the refill` },
] as const

/** Questions of heat, noise and coolant: a new one is a new entry. */
export const heatMoves: readonly HeatMove[] = [
  {
    usual: 'well',
    when: always,
    move: {
      ...look,
      id: 'cooling',
      title: say`Twenty minutes of its usual work`,
      how: say`Fan and gauge together: when it starts, whether it stops, how hot it gets.`,
      caution: RUNNING,
      minutes: 22,
      tier: 'heat',
      answers: coolingAnswers,
    },
  },
  {
    usual: 'none',
    when: always,
    move: {
      ...look,
      id: 'noise',
      title: say`Listen to it running`,
      how: say`Fan on, engine off if it can be; then with the engine.`,
      caution: cautions.surprise,
      minutes: 1,
      answers: noiseAnswers,
    },
  },
  {
    usual: 'stays',
    when: cooled,
    move: {
      ...look,
      id: 'falls',
      title: say`The level over three cold mornings`,
      how: say`A mark with tape; always cold.`,
      caution: cautions.hotCoolant,
      minutes: 30,
      answers: levelAnswers,
    },
  },
  {
    usual: 'held over the whole face',
    when: always,
    move: {
      ...look,
      id: 'paper',
      title: say`A sheet of paper at the face that draws`,
      how: say`Fan running, engine stopped. A sheet of paper flat against the face that should draw, moved over all of
        it.`,
      caution: cautions.surprise,
      minutes: 2,
      answers: asWords('held over the whole face', 'held in the middle only', 'held in patches', 'blown off'),
    },
  },
  {
    usual: 'as outside',
    when: always,
    move: {
      ...look,
      id: 'inlet',
      title: say`A thermometer where it draws in`,
      how: say`Fan running and hot: in the air before the face that draws, and outside in the shade.`,
      caution: RUNNING,
      minutes: 4,
      tier: 'heat',
      answers: asWords('as outside', 'much warmer than outside'),
    },
  },
  {
    usual: 'light all over',
    when: cooled,
    move: {
      ...look,
      id: 'light',
      title: say`A lamp behind the core`,
      how: say`Shine through the fins from behind, in the shade.`,
      minutes: 2,
      answers: asWords('light all over', 'dark patches'),
    },
  },
  {
    usual: 'free',
    when: inBay,
    move: {
      ...look,
      id: 'vents',
      title: say`Every vent, from both sides`,
      how: say`Look and reach in: leaves, a rag, a cover, a louvre bent shut.`,
      minutes: 2,
      answers: asWords('free', 'partly shut'),
    },
  },
  {
    usual: 'at its mark',
    when: cooled,
    move: {
      ...look,
      id: 'level',
      title: say`Coolant level, cold`,
      how: say`Cold only: at the filler, not at the bottle alone.`,
      caution: cautions.hotCoolant,
      minutes: 1.5,
      answers: asWords('at its mark', 'low'),
    },
  },
  {
    usual: 'even',
    when: cooled,
    move: {
      ...look,
      id: 'stripes',
      title: say`A hand or a thermometer over the warm core`,
      how: say`Engine just stopped. ${STILL} Over the face from inlet to outlet.`,
      caution: `${cautions.exhaust} ${cautions.surprise}`,
      minutes: 4,
      tier: 'heat',
      answers: asWords('even', 'cold stripes', 'cold all over'),
    },
  },
  {
    usual: 'firm, where it was planned',
    when: always,
    move: {
      ...look,
      id: 'seat',
      title: say`The probe in its place`,
      how: say`Cold. Two fingers at its lead: does it move, does it touch on both sides, is it where the sheet says?`,
      minutes: 1,
      answers: asWords('firm, where it was planned', 'loose', 'elsewhere, on the cold side'),
    },
  },
  {
    usual: 'stays on',
    when: always,
    move: {
      ...look,
      id: 'case',
      title: say`The controller as the fan stops, hot`,
      how: say`At the moment it stops: its display or lamp, and a hand near its case.`,
      caution: RUNNING,
      minutes: 25,
      tier: 'heat',
      answers: asWords('stays on', 'dark or a fault, and its case is hot'),
    },
  },
  {
    usual: 'turns free and quiet',
    when: always,
    move: {
      ...look,
      id: 'spin',
      title: say`Spin it by hand and listen, its fuse out`,
      how: say`${STILL} Once round slowly, then a flick.`,
      caution: say`Never by hand with its fuse in.`,
      minutes: 1,
      answers: asWords('turns free and quiet', 'touches at one place', 'rough all round'),
    },
  },
  {
    usual: 'all firm',
    when: always,
    move: {
      ...look,
      id: 'shake',
      title: say`Shake shroud, mount and leads`,
      how: say`Engine off. By hand, each of them.`,
      minutes: 1,
      answers: asWords('all firm', 'shroud or mount moves', 'a lead or tie reaches the blades'),
    },
  },
  {
    usual: 'dry',
    when: cooled,
    move: {
      ...look,
      id: 'drips',
      title: say`Paper under it for a night`,
      how: say`Clean, dry, then newspaper below; look where the drop hangs.`,
      minutes: 4,
      answers: asWords('dry', 'at a hose', 'at the probe or switch', 'at the drain', 'at the core’s seam'),
    },
  },
  {
    usual: 'no',
    when: cooled,
    move: {
      ...look,
      id: 'bubbles',
      title: say`Bubbles at the filler from a cold start`,
      how: say`Cold, cap off, started and held at a fast idle for two minutes; never opened warm.`,
      caution: `${cautions.hotCoolant} ${cautions.fumes}`,
      minutes: 4,
      answers: asWords('no', 'yes, without end', 'some, then none'),
    },
  },
]
