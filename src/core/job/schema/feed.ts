import { conductorRoles } from '../choices'
import { feeds, layPlaces, sizeSources } from '../choices'
import { z } from 'zod'
import { fuseFormNames } from '../../electrical/fuse-forms'
import { field } from '../../fields'
import { idSchema } from '../../parts'
import { wireSizes } from '../../units'
import { upTo } from '../limits'
import { line } from './common'

/** Fuses, wires, and which of them stand in the path of which fan. */
export const feedShape = {
  fuses: z
    .array(
      z.strictObject({
        id: idSchema,
        kind: z.enum(fuseFormNames),
        ratingA: z.number().min(0.5).max(100),
        fromPostM: field('fuse to battery post, along the wire', 'length', [0, 10], 'wire'),
        /** whose heat it gets; its own reading counts by the engine and the exhaust */
        lies: z.enum(layPlaces),
        ambientC: field('hottest it gets at the fuse', 'temperature', [-20, 120], 'wire'),
      }),
    )
    .max(...upTo('fuses')),
  conductors: z
    .array(
      z.strictObject({
        id: idSchema,
        role: z.enum(conductorRoles),
        size: z.enum(wireSizes).nullable(),
        sizeFrom: z.enum(sizeSources),
        /** of its insulation, as it is or will be bought */
        colour: line(20),
        lengthM: field('length', 'run', [0.02, 60], 'wire', 'a string along the route, ends included'),
        insulationC: z.union([z.literal(80), z.literal(105), z.literal(125)]),
        lies: z.enum(layPlaces),
        ambientC: field('hottest along its way', 'temperature', [-20, 120], 'wire'),
        bundled: z.int().min(1).max(60),
      }),
    )
    .max(...upTo('conductors')),
  /** how each fan is fed: the ids of what stands in its path */
  runs: z
    .array(
      z.strictObject({
        id: idSchema,
        fan: idSchema.nullable(),
        controller: idSchema.nullable(),
        probe: idSchema,
        fuse: idSchema.nullable(),
        source: z.enum(feeds),
        switchedBy: z.enum(['relay', 'controller']),
        relay: idSchema.nullable(),
        keySwitch: idSchema.nullable(),
        conductors: z.array(idSchema).max(...upTo('conductorsOfRun')),
        frame: z.boolean(),
        crimps: z.int().min(0).max(30),
        rings: z.int().min(0).max(12),
        /** the last part of the feed; before it come fuse and contact */
        switchAtM: field(
          'of the feed, contact to fan',
          'run',
          [0, 30],
          'wire',
          'a string along the route, ends included',
        ),
        /** the part of the feed between fuse and isolator, where there is one */
        isolatorAtM: field(
          'of the feed, fuse to isolator',
          'run',
          [0, 30],
          'wire',
          'a string along the route, ends included',
        ),
      }),
    )
    .min(1)
    .max(...upTo('runs')),
}
