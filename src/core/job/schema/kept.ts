import { z } from 'zod'
import { idSchema } from '../../parts'
import { settingPurposes, spendings } from '../choices'
import { choiceEnds, mostOf, upTo } from '../limits'
import { between, daySchema, line, momentSchema, name } from './common'

const column = (ends: readonly [number, number]) => z.array(between(ends).nullable()).max(mostOf('tracePoints'))

/** What is kept of a job besides its plan: hours, what was bought, settings as they were left, traces, loose joints. */
export const keptShape = {
  /** when somebody worked at it; the last is open while somebody does */
  hours: z
    .array(z.strictObject({ id: idSchema, from: momentSchema, to: momentSchema.nullable(), by: line(80) }))
    .max(...upTo('hours')),
  /** what an hour costs, in whatever the workshop reckons in */
  money: z.strictObject({
    currency: line(8),
    perHour: between(choiceEnds.price).nullable(),
    /** what may be spent on each; null: nobody said */
    budget: z.strictObject({
      fan: between(choiceEnds.price).nullable(),
      wiring: between(choiceEnds.price).nullable(),
      coolant: between(choiceEnds.price).nullable(),
      consumables: between(choiceEnds.price).nullable(),
    }),
  }),
  /** what the machine is called by its maker, and which of them it is: as they stand on it */
  identity: z.strictObject({ model: line(60), serial: line(60) }),
  /** notes of one's own: of the machine, or of a station */
  notes: z
    .array(z.strictObject({ id: idSchema, of: line(60), words: name(1000), by: line(80), at: momentSchema }))
    .max(...upTo('notes')),
  /** what went into the machine: number and maker as they stand on it, what it cost, how long it is under warranty */
  bought: z
    .array(
      z.strictObject({
        id: idSchema,
        what: name(120),
        /** which part of the budget it is of */
        of: z.enum(spendings),
        number: line(60),
        from: line(80),
        count: between(choiceEnds.count),
        /** of one; null: nobody noted it */
        price: between(choiceEnds.price).nullable(),
        warrantyUntil: daySchema.nullable(),
        at: momentSchema,
      }),
    )
    .max(...upTo('bought')),
  /** what a controller was set to, each time that somebody left it so */
  settings: z
    .array(
      z.strictObject({
        id: idSchema,
        controller: idSchema,
        startsC: between(choiceEnds.setC),
        stopsC: between(choiceEnds.setC),
        purpose: z.enum(settingPurposes),
        why: name(300),
        by: name(80),
        at: momentSchema,
      }),
    )
    .max(...upTo('settings')),
  /** joints that hold by friction alone, to be looked at again */
  looseJoints: z
    .array(z.strictObject({ id: idSchema, where: name(120), at: momentSchema }))
    .max(...upTo('looseJoints')),
  /** faults that were sought in it, and what each search ended with */
  searches: z
    .array(
      z.strictObject({
        id: idSchema,
        at: momentSchema,
        /** what was looked at, in the order in which it was: a move's id, and the answer's id or a figure in SI */
        found: z
          .array(
            z.strictObject({
              move: name(80),
              found: z.union([name(60), between(choiceEnds.foundFigure)]),
              /** as it was typed; empty where an answer was chosen */
              typed: line(80),
              at: momentSchema,
            }),
          )
          .max(...upTo('foundInSearch')),
        /** what it was, how it was put right, and what showed it; null: it is still sought */
        ended: z
          .strictObject({
            cause: line(120),
            words: name(300),
            repair: name(400),
            proof: name(300),
            by: name(80),
            at: momentSchema,
          })
          .nullable(),
      }),
    )
    .max(...upTo('searches')),
  /** what a logger showed while it was proved: s, °C, A, V; columns as long as `t` */
  traces: z
    .array(
      z
        .strictObject({
          id: idSchema,
          name: name(80),
          at: momentSchema,
          /** whose fan it was: the run's id */
          run: idSchema,
          t: z.array(between(choiceEnds.traceS)).min(2).max(mostOf('tracePoints')),
          probeC: column(choiceEnds.setC),
          amps: column(choiceEnds.traceA),
          batteryV: column(choiceEnds.traceV),
          fanV: column(choiceEnds.traceV),
        })
        .refine((t) => [t.probeC, t.amps, t.batteryV, t.fanV].every((c) => c.length === t.t.length), {
          message: 'columns of different length',
        })
        .refine((t) => t.t.every((s, i) => i === 0 || s > t.t[i - 1]!), { message: 'time that runs back' }),
    )
    .max(...upTo('traces')),
}
