import { z } from 'zod'
import { idSchema } from '../../parts'
import { comingOff, leavings, unplannedKinds } from '../choices'
import { choiceEnds, upTo } from '../limits'
import { between, daySchema, line, momentSchema, name } from './common'

const noted = { by: name(80), at: momentSchema }
/** a figure that was noted, SI, beside what was typed */
const notedFigure = (ends: readonly [number, number]) =>
  z.strictObject({ value: between(ends), typed: line(80) }).nullable()

/** What is kept at the bench: steps, what came off, the coolant's account, fixes for now. */
export const benchShape = {
  build: z.strictObject({
    done: z.array(z.strictObject({ step: idSchema, at: momentSchema })).max(...upTo('steps')),
    /** locks that somebody has gone past: a step's id, or a proof's behind "proof:" */
    passed: z.array(z.strictObject({ what: line(60), why: name(300), ...noted })).max(...upTo('passed')),
    /** waits that are running */
    waits: z.array(z.strictObject({ step: idSchema, since: momentSchema })).max(...upTo('waits')),
    /** torques that a maker gives */
    torques: z
      .array(z.strictObject({ step: idSchema, newtonMetres: between(choiceEnds.torqueNm), typed: line(80) }))
      .max(...upTo('torques')),
    /** steps of one's own, each before a step that closes the way to it */
    own: z
      .array(
        z.strictObject({ id: idSchema, title: name(120), before: idSchema, minutes: between(choiceEnds.ownMinutes) }),
      )
      .max(...upTo('ownSteps')),
    unplanned: z
      .array(z.strictObject({ id: idSchema, step: idSchema, what: z.enum(unplannedKinds), words: name(300), ...noted }))
      .max(...upTo('unplanned')),
    /** what is needed and does not lie there, or does */
    have: z
      .array(z.strictObject({ need: line(160), here: z.boolean(), why: line(300), by: line(80), at: momentSchema }))
      .max(...upTo('needs')),
    /** the times that work was left; the last is open until somebody comes back */
    left: z
      .array(
        z.strictObject({
          id: idSchema,
          why: name(300),
          awaits: line(200),
          safe: z.array(z.enum(leavings)).max(leavings.length),
          backAt: momentSchema.nullable(),
          ...noted,
        }),
      )
      .max(...upTo('timesLeft')),
  }),
  /** everything that came off or was unplugged, until it is back */
  ledger: z
    .array(
      z.strictObject({
        id: idSchema,
        what: name(80),
        kind: z.enum(comingOff),
        /** which way round it was */
        way: line(160),
        /** where its small parts lie */
        smallParts: line(160),
        at: momentSchema,
        backAt: momentSchema.nullable(),
      }),
    )
    .max(...upTo('ledger')),
  /** coolant out and in */
  coolant: z.strictObject({
    outM3: notedFigure(choiceEnds.coolantM3),
    inM3: notedFigure(choiceEnds.coolantM3),
  }),
  /** pictures that are kept beside the job, and of what each is */
  photos: z
    .array(
      z.strictObject({
        id: idSchema,
        /** "step:mount", "off:off1", "proof:turns", or "machine" */
        of: line(60),
        words: line(120),
        at: momentSchema,
      }),
    )
    .max(...upTo('photos')),
  /** where a dial without a scale stood when a fan started: position by the clock, 0 to 12 */
  dial: z
    .array(
      z.strictObject({
        id: idSchema,
        controller: idSchema,
        position: between(choiceEnds.dialPosition),
        startsC: between(choiceEnds.setC),
        at: momentSchema,
      }),
    )
    .max(...upTo('dialPoints')),
  /** what is right for now only */
  debts: z
    .array(
      z.strictObject({
        id: idSchema,
        what: name(120),
        why: name(300),
        dangerous: z.boolean(),
        until: daySchema.nullable(),
        /** how it was put right; null: it stands */
        paid: z.strictObject({ how: name(300), ...noted }).nullable(),
        ...noted,
      }),
    )
    .max(...upTo('debts')),
}
