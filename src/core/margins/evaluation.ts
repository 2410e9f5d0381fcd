import { z } from 'zod'
import { marginIds } from '../job'
import { contradictionSchema, heatSchema, seenSchema, verdicts, weighedSchema } from '../reading'
import { lookSchema } from './findings'
import { quantities, type Quantity } from '../units'
import { type MarginUnit, marginUnits } from './part'
const quantity = z.enum(Object.keys(quantities) as [Quantity, ...Quantity[]])
const unit = z.enum(Object.keys(marginUnits) as [MarginUnit, ...MarginUnit[]])

const lineSchema = z.strictObject({
  name: z.string(),
  formula: z.string(),
  value: z.number(),
  quantity,
  cite: z.string(),
  terms: z.array(z.strictObject({ name: z.string(), value: z.number(), quantity, address: z.string().optional() })),
})

const partResultSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** the run that it speaks of, where it speaks of one */
  run: z.string().optional(),
  verdict: z.enum(verdicts),
  unit,
  /** capacity − demand − required; null where it cannot be a number */
  value: z.number().nullable(),
  required: z.number(),
  worst: z.number().nullable(),
  best: z.number().nullable(),
  scale: z.number().nullable(),
  warns: z.boolean(),
  /** what it waits for, or what is missing, in words */
  words: z.string().nullable(),
  /** addresses of the readings that went in */
  readings: z.array(z.string()),
  hurtsMost: z.string().nullable(),
  chanceShort: z.number().optional(),
  /** everything against it, and for it, at once: no longer what its verdict comes from where draws tell that */
  corner: z.strictObject({ worst: z.number().nullable(), best: z.number().nullable() }).optional(),
  working: z.array(lineSchema),
})

export type PartResult = z.infer<typeof partResultSchema>
const measureNextSchema = z.strictObject({
  address: z.string(),
  label: z.string(),
  share: z.number(),
  /** it is measured already: a narrower instrument is what would help */
  measured: z.boolean().optional(),
})
export type MeasureNext = z.infer<typeof measureNextSchema>

const marginResultSchema = z.strictObject({
  id: z.enum(marginIds),
  name: z.string(),
  verdict: z.enum(verdicts),
  /** the worst part, by x = value / scale */
  part: z.string().nullable(),
  unit,
  value: z.number().nullable(),
  required: z.number(),
  worst: z.number().nullable(),
  best: z.number().nullable(),
  /** least x over the parts: at the nominal readings, and at their worst and best corners; what the rail draws */
  x: z.number().nullable(),
  xWorst: z.number().nullable(),
  xBest: z.number().nullable(),
  needs: z.array(z.string()),
  basis: z.enum(['readings', 'rule of thumb', 'run']),
  working: z.array(lineSchema),
  parts: z.array(partResultSchema),
  warnings: z.array(z.strictObject({ part: z.string(), text: z.string() })),
  notes: z.array(z.string()),
  hurtsMost: z.string().nullable(),
  chanceShort: z.number().nullable().optional(),
  measureNext: measureNextSchema.nullable().optional(),
  /** what its verdict and whiskers are told from; unsaid: the worst corner */
  toldFrom: z.enum(['draws', 'corner']).optional(),
  /** its whiskers are those of before, moved with its figure: the draws of this state are being made */
  soft: z.literal(true).optional(),
})

export type MarginResult = z.infer<typeof marginResultSchema>

/** The one shape that screen, sheet, export and command line read. @see margins.md */
export const evaluationSchema = z.strictObject({
  jobVersion: z.number(),
  coreVersion: z.string(),
  margins: z.array(marginResultSchema),
  /** the run that margins are told from; absent where there was none */
  run: z.strictObject({ at: z.string(), day: z.string(), settled: z.boolean() }).optional(),
  /** everything that was seen of the machine, beside what was predicted for it */
  evidence: z.array(seenSchema).optional(),
  /** readings by what was seen */
  informed: z.array(weighedSchema).optional(),
  contradiction: contradictionSchema.nullable().optional(),
  /** heat at each work that was seen, before it and by it */
  heat: heatSchema.optional(),
  /** what to look at next, the best first */
  next: z.array(lookSchema).optional(),
})

export type Evaluation = z.infer<typeof evaluationSchema>
