import { feltLevels, type Job, type Observation, type ObservationKind, observationFigures, type Work } from '../job'
import type { Look } from '../margins'
import type { Contradiction, SeenResult, Weighing } from '../reading'
import { format, percent, type Quantity, type UnitSystem } from '../units'
import { workDefinitions } from '../run/days'
import {
  COMPLAINT,
  complaintSeen,
  complaintSilent,
  type Felt,
  isFelt,
  provedIn,
  type Seen,
  type Watched,
  type WatchedKind,
} from './seen'
import { say, spokenWord } from '../words'

/** What each thing that can be seen is called, how it is taken, and what may hurt in doing so. */
interface KindWords {
  readonly name: string
  /** what is to be done, step by step; {from} and {to} stand for its temperatures, {for} for its time */
  readonly steps: readonly string[]
  readonly caution: string
}

const HOT = say`Hands, hair and sleeves stay away from belt, fan and exhaust; the cap stays shut while it is hot.`
const OUTDOORS = say`Outdoors, in neutral, on its stand or with the brake locked. `

export const observationWords: Readonly<Record<ObservationKind, KindWords>> = {
  'warm-up': {
    name: say`time to warm up`,
    steps: [
      say`Begin in the morning, everything as cold as the air.`,
      say`Start it, fan off, and start the watch.`,
      say`Stop the watch when the gauge, or a contact thermometer on the hose into the core, shows {to}.`,
    ],
    caution: OUTDOORS + HOT,
  },
  rise: {
    name: say`time to heat up`,
    steps: [
      say`Warm it up, then let it come down below {from} with the fan unplugged.`,
      say`Start the watch as it passes {from}.`,
      say`Stop it at {to}. Plug the fan in again.`,
    ],
    caution: say`${OUTDOORS}${HOT} Stop it sooner where the maker's own limit comes first.`,
  },
  fall: {
    name: say`time to cool down`,
    steps: [
      say`Warm it up to {from}.`,
      say`Hold the fan on and start the watch as it passes {from}.`,
      say`Stop the watch at {to}.`,
    ],
    caution: OUTDOORS + HOT,
  },
  boiled: {
    name: say`until it boils`,
    steps: [
      say`Go to work with it warm, as the complaint has it.`,
      say`Start the watch when the work begins.`,
      say`Stop it when it boils or warns, and switch off at once. If it does not in {for}, say so.`,
    ],
    caution: say`Do not go on once it boils. ${HOT}`,
  },
  hottest: {
    name: say`hottest that it got`,
    steps: [
      say`Go to work with it warm.`,
      say`Watch the gauge for {for} of the same work.`,
      say`Note the hottest that it showed, or what it was never above.`,
    ],
    caution: say`Stop where the maker's own limit comes first. ${HOT}`,
  },
  temperature: {
    name: say`temperature after a while`,
    steps: [
      say`Work it, or let it stand, for {for} in the same way.`,
      say`Read a thermometer that has stood in the space, or a contact thermometer on the hose.`,
    ],
    caution: HOT,
  },
  outlet: {
    name: say`coolant leaving the core`,
    steps: [
      say`Let it do the same for {for}.`,
      say`Contact thermometer on the hose that leaves the core, wrapped round with cloth; wait until it stands.`,
    ],
    caution: HOT,
  },
  share: {
    name: say`how much the fan runs`,
    steps: [say`Work it for twenty minutes first.`, say`Then watch for {for}: add up the minutes that the fan is on.`],
    caution: HOT,
  },
  'after-run': {
    name: say`fan after switch-off`,
    steps: [say`Work it warm, switch off, start the watch.`, say`Stop it when the fan stops.`],
    caution: say`The fan may start by itself: nothing goes near the blades.`,
  },
  volts: {
    name: say`battery after standing alone`,
    steps: [
      say`Charger off. Leave everything on that is on when it stands alone.`,
      say`Meter across the battery after {for}.`,
    ],
    caution: say`Insulated probe tips; nothing across the posts.`,
  },
  felt: {
    name: say`air that is felt`,
    steps: [
      say`Fan on, engine off where it runs without; the machine in the open, no wind.`,
      say`Hold out one after another, always at the same place and as far away: wetted hand, sheet of paper, thin bag,
        work glove.`,
      say`Note the heaviest that the air held, drew or blew tight, and where that was.`,
    ],
    caution: say`Hold it by its edge, sleeves and hair away, an arm’s length from the blades: what is drawn in is
      torn. The fan may start by itself.`,
  },
}

const figureQuantity: Readonly<Record<(typeof observationFigures)[ObservationKind], Quantity>> = {
  afterS: 'minutes',
  toC: 'temperature',
  share: 'share',
  volts: 'voltage',
  level: 'count',
}

/** What its figure measures. */
export const quantityOfSeen = (kind: ObservationKind): Quantity => figureQuantity[observationFigures[kind]]

/** What the figure of anything that was seen measures. */
export const quantityIn = (seen: Seen | Felt): Quantity =>
  seen.kind === 'proved' ? seen.figure.quantity : quantityOfSeen(seen.kind)

const DIGITS: Readonly<Partial<Record<Quantity, number>>> = { voltage: 3, current: 3 }

/** A figure of what was seen, or of a prediction; null: it does not come to it. */
export const seenFigure = (quantity: Quantity, value: number | null, units: UnitSystem): string =>
  value === null ? say`never` : format(value, quantity, units, DIGITS[quantity] ?? 2)

/** "between 8 and 14 min"; null ends: it may never come to it */
export function bandInWords(
  quantity: Quantity,
  [low, , high]: NonNullable<SeenResult['predicted']>,
  units: UnitSystem,
): string {
  if (low === null) return say`never`
  if (high === null) return say`${seenFigure(quantity, low, units)} or more, or never`
  const [from, to] = [seenFigure(quantity, low, units), seenFigure(quantity, high, units)]
  return from === to ? from : say`${from} to ${to}`
}

/** Steps of taking it, with its temperatures and its time put in. */
export function stepsInWords(
  { kind, fromC, toC, forS }: Pick<Observation, 'kind' | 'fromC' | 'toC' | 'forS'>,
  units: UnitSystem,
): string[] {
  const put: Readonly<Record<string, string>> = {
    '{from}': fromC === null ? say`where it begins` : format(fromC, 'temperature', units),
    '{to}': toC === null ? say`what is waited for` : format(toC, 'temperature', units),
    '{for}': forS === null ? say`half an hour` : format(forS, 'minutes', units),
  }
  return observationWords[kind].steps.map((s) => s.replace(/\{\w+\}/g, (name) => put[name] ?? name))
}

const workWords = (work: Work): string => workDefinitions[work].name

function boiledInWords(seen: Watched, figure: string, watched: string): string {
  if (seen.sometime) return say`got too hot`
  if (seen.seen === null) return say`did not boil in ${watched}`
  return say`${seen.underK ? say`ran hot` : say`got too hot`} after ${figure}`
}

const feltInWords = ({ seen, place, state }: Felt): string =>
  say`air at ${place}: ${spokenWord(feltLevels[seen ?? 0] ?? feltLevels[0])}, ${spokenWord(state)}`

/** One sentence of what was seen: "boiled after 12 min of slow work at 18 °C, as it came". */
export function seenInWords(seen: Seen | Felt, units: UnitSystem): string {
  if (isFelt(seen)) return feltInWords(seen)
  if (seen.kind === 'proved')
    return say`${seen.figure.name}: ${seenFigure(seen.figure.quantity, seen.seen, units)}, measured as a proof`
  const t = (c: number | null): string => (c === null ? '' : format(c, 'temperature', units))
  const figure = seenFigure(quantityOfSeen(seen.kind), seen.seen, units)
  const watched = seen.forS === null ? '' : format(seen.forS, 'minutes', units)
  const how: Readonly<Record<WatchedKind, string>> = {
    'warm-up': say`warmed up to ${t(seen.toC)} in ${figure}`,
    rise: say`from ${t(seen.fromC)} to ${t(seen.toC)} in ${figure}`,
    fall: say`fan held on, from ${t(seen.fromC)} down to ${t(seen.toC)} in ${figure}`,
    boiled: boiledInWords(seen, figure, watched),
    hottest:
      seen.seen === null ? say`never above ${t(seen.toC)} in ${watched}` : say`no hotter than ${figure} in ${watched}`,
    temperature: say`${figure} after ${watched}`,
    outlet: say`coolant left the core at ${figure} after ${watched}`,
    share: say`fan on for ${figure} of ${watched}`,
    'after-run': say`fan stopped ${figure} after switch-off`,
    volts: say`battery at ${figure} after ${watched}`,
  }
  const work = seen.afterOff ? say`after switch-off` : workWords(seen.work)
  return say`${how[seen.kind]}, ${work}, air ${t(seen.airC)}, ${spokenWord(seen.state)}`
}

/** Everything that was seen of a job, as it stands in its strip: what, and what came of it where it was weighed. */
export interface SeenLine {
  readonly id: string
  readonly seen: Seen | Felt
  readonly doubted: boolean
  readonly result: SeenResult | null
}

export function seenLines(job: Job, results: readonly SeenResult[]): SeenLine[] {
  const complaint = complaintSeen(job)
  const of = (id: string): SeenResult | null => results.find((r) => r.id === id) ?? null
  return [
    ...(complaint ? [{ id: COMPLAINT, seen: complaint, doubted: job.complaint.doubted, result: of(COMPLAINT) }] : []),
    ...job.observations.map((o) => ({ id: o.id, seen: o, doubted: o.doubted, result: of(o.id) })),
    ...provedIn(job).map((p) => ({ id: p.id, seen: p, doubted: false, result: of(p.id) })),
  ]
}

/** Why a complaint that somebody has put figures to tells nothing; null where it tells, or nobody has. */
export function silentInWords(job: Job): string | null {
  const { after, aboveC, doubted } = job.complaint
  const why = (after === null && aboveC === null) || doubted ? null : complaintSilent(job)
  return why && say`The complaint tells nothing of the heat: ${why}.`
}

/** What was seen tells of the heat: "at slow work 2.6 to 3.4 kW go into the coolant; typical was 1.9 to 4.2". */
export function heatInWords(job: Job, heat: Weighing['heat']): string[] {
  const kw = (w: number): string => format(w, 'cooling', job.units, 2)
  return heat.map(
    ({ work, before, after }) =>
      say`At ${workWords(work as Work)} ${kw(after[0])} to ${kw(after[1])} go into the
        ${job.cooling ? say`coolant` : say`bay`}; by its readings alone it was ${kw(before[0])} to ${kw(before[1])}.`,
  )
}

/** That what was seen and what was read cannot be of one machine, and what would mend it. */
export function contradictionInWords(job: Job, found: Contradiction, labelOf: (address: string) => string): string[] {
  const lines = seenLines(job, [])
  const left = lines.find((l) => l.id === found.leaveOut)
  return [
    say`What was seen and what was read cannot belong to one machine. Nothing is told from it until one of them is
      doubted or corrected.`,
    ...(found.move.length
      ? [say`Readings that would have to move furthest: ${found.move.map((m) => labelOf(m.address)).join(', ')}.`]
      : []),
    ...(left ? [say`Left out, the rest agrees: ${seenInWords(left.seen, job.units)}.`] : []),
  ]
}

const MOST_OF_IT = 0.3

/** Something to look at next in one sentence: "time to warm up: 6 min; settles Air in 80 of 100 cases". */
export function lookInWords(look: Look, labelOf: (address: string) => string, marginName: string): string {
  const what =
    look.kind === 'reading'
      ? say`measure ${labelOf(look.address!)}`
      : `${observationWords[look.kind].name}, ${workWords(look.work!)}`
  // a few draws in a bin may look settled by chance: that is said only where most of the doubt goes
  const settles =
    look.share >= MOST_OF_IT && look.settles >= 50
      ? say`settles ${marginName} in ${look.settles} of 100 cases`
      : say`takes ${percent(look.share, 2)} of the doubt about ${marginName}`
  return `${what}: ${look.minutes} min; ${settles}`
}
