import { changeSetting, type Job, withReadingTimes } from '../job'
import type { Area, Cause } from './table'
import { say } from '../words'

/** A cause that no circuit shows: what it does to the machine's figures, and what is seen of it. */
export interface HeatCause {
  readonly cause: Cause
  readonly when: (job: Job) => boolean
  /** the machine with it; null where no run tells of it */
  readonly edit: ((job: Job) => Job) | null
  /** share of the core's face that is blocked by it */
  readonly blocked?: number
  /** how much warmer the air is that it draws in, K */
  readonly warmerK?: number
  /** answers that it gives to moves of heat, where they are not the usual ones */
  readonly shows: Readonly<Record<string, string>>
}

const always = (): boolean => true
const cooled = (job: Job): boolean => job.cooling !== null
const inBay = (job: Job): boolean => job.bay !== null
const engined = (job: Job): boolean => job.engine !== null

/** A reading times a factor; left alone where the job has none of it. */
const times =
  (address: string, factor: number) =>
  (job: Job): Job =>
    withReadingTimes(job, address, factor)
const all =
  (...edits: readonly ((job: Job) => Job)[]) =>
  (job: Job): Job =>
    edits.reduce((j, f) => f(j), job)
/** every probe feels less of what it is meant to feel */
const feelsLess =
  (factor: number) =>
  (job: Job): Job =>
    job.probes.reduce((j, p) => times(`probes.${p.id}.kappa`, factor)(j), job)
/** so far under that even what the probe shows of a held engine is above its off */
const UNDER_K = 20
/** set under what the engine's own thermostat holds; of a bay twenty kelvins lower */
const underThermostat = (job: Job): Job => {
  const opens = job.engine?.thermostatOpensC?.value ?? null
  return job.controllers.reduce(
    (j, c) => changeSetting(j, c.id, opens === null ? c.setC - 20 : Math.min(c.setC, opens - UNDER_K), c.bandK),
    job,
  )
}

const cause = (id: string, area: Area, weight: number, words: string, why: string, repair: Cause['repair']): Cause => ({
  id,
  area,
  weight,
  words,
  why,
  faults: [],
  repair,
})
const does = (step: string, proof: string, ...parts: string[]) => ({ step, proof, parts })
const AGAIN = say`The same work at the same air: it stays where the plan said.`

/**
 * What keeps a fan that turns from cooling, makes it late, or stops it: each with a change of the machine's
 * figures.
 */
export const heatCauses: readonly HeatCause[] = [
  {
    cause: cause(
      'air_turned',
      'heat',
      1.6,
      say`The air goes the wrong way: blade or fan the wrong way round`,
      say`a blade turned over blows the same way as before, only worse; swapped wires turn the air`,
      does(
        say`Swap the two wires, or turn the fan over; never the blade alone`,
        say`Paper is held at the face that draws.`,
      ),
    ),
    when: always,
    // against its travel and with the blade's back: little more than half (estimate)
    edit: all(times('cooling.transferFactor', 0.55), times('bay.ventOutM2', 0.45)),
    shows: { cooling: 'too hot', paper: 'blown off' },
  },
  {
    cause: cause(
      'edge_gap',
      'heat',
      1.5,
      say`Air goes round the edge: no shroud, or a gap at the core`,
      say`air takes the gap, not the fins; a finger’s breadth all round is a third of the face`,
      does(
        say`Close the gap: foam strip, shroud, or the fan right at the fins`,
        say`Paper is held at the edges too.`,
        say`foam strip`,
      ),
    ),
    when: cooled,
    edit: times('cooling.transferFactor', 0.75),
    shows: { cooling: 'too hot', paper: 'held in the middle only' },
  },
  {
    cause: cause(
      'recirculates',
      'heat',
      1.2,
      say`It draws in its own hot air, or that of the exhaust`,
      say`what it blows out finds the way back where nothing parts the two sides`,
      does(
        say`Part the sides with sheet or foam, or lead the hot air away`,
        say`Air at the inlet is as cool as outside.`,
      ),
    ),
    when: always,
    edit: (job) => job,
    warmerK: 15,
    shows: { cooling: 'too hot', inlet: 'much warmer than outside' },
  },
  {
    cause: cause(
      'core_blocked',
      'heat',
      2,
      say`The core is blocked: mud, fluff, bent fins`,
      say`what the fan draws stays in the fins`,
      does(
        say`Rinse it from the back with a soft jet, comb the fins`,
        say`Light through all of the core.`,
        say`fin comb`,
      ),
    ),
    when: cooled,
    edit: (job) => job,
    blocked: 0.5,
    shows: { cooling: 'too hot', paper: 'held in patches', light: 'dark patches' },
  },
  {
    cause: cause(
      'air_inside',
      'heat',
      1.5,
      say`Air is left in the coolant`,
      say`it was opened, and the highest place was never bled`,
      does(
        say`Nose up, heater open, run and fill until the level stays; squeeze the hoses`,
        say`Level stays over three colds.`,
        'coolant',
      ),
    ),
    when: cooled,
    edit: times('cooling.transferFactor', 0.45),
    shows: {
      cooling: 'too hot',
      stripes: 'cold stripes',
      falls: 'fell once',
      level: 'low',
      bubbles: 'some, then none',
    },
  },
  {
    cause: cause(
      'level_low',
      'heat',
      1.2,
      say`Coolant is low and goes on falling`,
      say`a clip or a thread that was opened`,
      does(
        say`Find where it goes, close it, fill, bleed`,
        say`Level stays over three cold mornings; paper below stays dry.`,
        'coolant',
        say`worm-drive clip`,
      ),
    ),
    when: cooled,
    edit: all(times('cooling.volumeM3', 0.7), times('cooling.transferFactor', 0.7)),
    shows: { cooling: 'too hot', level: 'low', falls: 'falls', drips: 'at a hose' },
  },
  {
    cause: cause(
      'probe_loose',
      'heat',
      1.6,
      say`The probe is loose, or without paste`,
      say`fins spring back, ties slip, the wind of the fan cools it`,
      does(
        say`Seat it in one straight gap with paste, tie its lead`,
        say`Warmed slowly, probe and thermometer go together.`,
        say`heat paste`,
        'tie',
      ),
    ),
    when: always,
    edit: feelsLess(0.88),
    shows: { cooling: 'late', seat: 'loose' },
  },
  {
    cause: cause(
      'probe_cold_side',
      'heat',
      1.2,
      say`The probe sits on the cold side, or far from the inlet`,
      say`the short way for its lead was the wrong end of the core`,
      does(
        say`Move it to the inlet’s side, or set it lower by what it lags`,
        say`It starts at the planned temperature of the engine.`,
      ),
    ),
    when: always,
    edit: feelsLess(0.8),
    shows: { cooling: 'late', seat: 'elsewhere, on the cold side' },
  },
  {
    cause: cause(
      'under_thermostat',
      'heat',
      1.2,
      say`It is set under what the engine’s thermostat holds`,
      say`so the core never gets cool enough for it to stop`,
      does(say`Set it above what the thermostat holds, by the plan`, say`Warm and idling, it stops again.`),
    ),
    when: always,
    edit: underThermostat,
    shows: { cooling: 'never stops' },
  },
  {
    cause: cause(
      'controller_hot',
      'heat',
      1,
      say`The controller shuts itself down hot`,
      say`it sits over the exhaust or in still air, and guards itself just when it is needed`,
      does(say`Move it into cool air, off the hot panel`, say`A hot stand of twenty minutes: it stays on.`),
    ),
    when: (job) => job.controllers.length > 0,
    edit: null,
    shows: { cooling: 'stops by itself', case: 'dark or a fault, and its case is hot' },
  },
  {
    cause: cause(
      'duty_heavier',
      'heat',
      1,
      say`The work is heavier than what it was planned for`,
      say`steeper, slower, loaded, or a gear too high`,
      does(say`Plan it again with the real work: a bigger fan, a thicker core, or rests`, AGAIN),
    ),
    when: engined,
    edit: all(times('engine.idleShare', 1.5), times('engine.slowShare', 1.5), times('engine.heatShare', 1.1)),
    shows: { cooling: 'too hot' },
  },
  {
    cause: cause(
      'vents_shut',
      'heat',
      1.5,
      say`A vent is shut`,
      say`leaves, a cover, a rag left in`,
      does(say`Clear it`, say`Paper is held at the inlet.`),
    ),
    when: inBay,
    edit: all(times('bay.ventInM2', 0.4), times('bay.ventOutM2', 0.6)),
    shows: { cooling: 'too hot', vents: 'partly shut', paper: 'held in patches' },
  },
]
