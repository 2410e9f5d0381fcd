import { drawingSchema } from '../drawing'
import { z } from 'zod'

/** A bench sheet as plain words, so that what was signed reads the same for ever. */
export const sheetSchema = z.strictObject({
  title: z.string(),
  subtitle: z.string(),
  coreVersion: z.string(),
  sections: z.array(
    z.strictObject({
      heading: z.string(),
      /** printed on request: a bench has no room for it; sheets signed before that was asked have none */
      annex: z.boolean().optional(),
      lines: z.array(z.string()),
      table: z.strictObject({ columns: z.array(z.string()), rows: z.array(z.array(z.string())) }).nullable(),
      /** to scale, beside each other; sheets signed before there were drawings have none */
      drawings: z.array(drawingSchema).max(8).optional(),
      /** pictures that are kept beside the job, each with its words; sheets without any have none */
      pictures: z.array(z.strictObject({ id: z.string(), words: z.string() })).optional(),
    }),
  ),
})

export type Sheet = z.infer<typeof sheetSchema>
