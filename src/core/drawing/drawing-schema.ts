import { z } from 'zod'

/** How a line or area of a drawing is meant; each renderer has its own pen for it. */
export const penNames = [
  'outline',
  'thin',
  'faint',
  'fan',
  'hub',
  'pad',
  'fixed',
  'moves',
  'swept',
  'exhaust',
  'touch',
  'probe',
  'dimension',
  'air-cold',
  'air-hot',
  'part',
  'part-thin',
  'part-heavy',
  'hit',
  'joint',
  'relay-link',
  'flow',
  'wire',
  'wire-live',
  'wire-half',
  'wire-ground',
  'wire-floating',
] as const

export type Pen = (typeof penNames)[number]

const pen = z.enum(penNames)

/** what a shape stands for, so that a screen can let it be dragged */
const of = z.string().max(60).optional()

const point = z.tuple([z.number(), z.number()]).readonly()

const shapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('path'),
    pen,
    of,
    points: z.array(point).readonly(),
    closed: z.boolean().optional(),
    /** thickness of its own, mm */ weight: z.number().optional(),
  }),
  z.strictObject({ kind: z.literal('rect'), pen, of, x: z.number(), y: z.number(), w: z.number(), h: z.number() }),
  z.strictObject({ kind: z.literal('circle'), pen, of, x: z.number(), y: z.number(), r: z.number() }),
  z.strictObject({
    kind: z.literal('text'),
    of,
    x: z.number(),
    y: z.number(),
    text: z.string().max(200),
    size: z.number(),
    anchor: z.enum(['start', 'middle', 'end']),
    tone: z.enum(['ink', 'soft', 'holds', 'unsure', 'short', 'cold']),
    figure: z.boolean(),
  }),
])

export type Shape = Readonly<z.infer<typeof shapeSchema>>

/** A drawing as data, in millimetres, y downwards: the screen, the sheet and the exported file draw the same. */
export const drawingSchema = z.strictObject({
  title: z.string().max(120),
  says: z.string().max(400),
  x: z.number(),
  y: z.number(),
  w: z.number(),
  h: z.number(),
  shapes: z.array(shapeSchema).readonly(),
})

export type Drawing = Readonly<z.infer<typeof drawingSchema>>
