import { z } from 'zod'
import { idSchema } from '../../parts'
import { observationKinds, seenHow, seenStates, works } from '../choices'
import { seenEnds } from '../limits'
import { observationTrouble } from '../observation-trouble'
import { between, line, momentSchema } from './common'

/**
 * Something that was seen of the machine, with its circumstances: what no single reading is, and a run can
 * predict. What
 * a kind does not ask for stands as null. SI, °C.
 * @see engineering §4, evidence
 */
export const observationSchema = z
  .strictObject({
    id: idSchema,
    kind: z.enum(observationKinds),
    at: momentSchema,
    by: line(80),
    /** the machine then: as it came in, or with what this job fits */
    state: z.enum(seenStates),
    /** where it was seen, in words: what is only felt is compared at the same place */
    place: line(60),
    work: z.enum(works),
    airC: between(seenEnds.airC),
    /** where it began; null: at the surroundings, or at work as warm as its thermostat holds it */
    fromC: between(seenEnds.fromC).nullable(),
    /** the temperature that was waited for */
    toC: between(seenEnds.toC).nullable(),
    /** how long it was watched, or held */
    forS: between(seenEnds.forS).nullable(),
    /** what was seen: seconds, °C, a share or volts by its kind; null: it did not come to it */
    seen: z.number().nullable(),
    how: z.enum(seenHow),
    /** ± of its own where somebody gave one: a share of a time, else in its unit */
    spread: z.number().positive().nullable(),
    /** as it was typed, word for word */
    typed: line(80),
    /** somebody doubts it: it is kept, and nothing is told from it */
    doubted: z.boolean(),
  })
  .superRefine((o, context) => {
    const trouble = observationTrouble(o)
    if (trouble) context.addIssue({ code: 'custom', path: [trouble.at], message: trouble.words })
  })

export type Observation = z.infer<typeof observationSchema>
