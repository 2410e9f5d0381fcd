import { z } from 'zod'
import { batteryKinds } from '../../electrical'
import { field } from '../../fields'
import { idSchema } from '../../parts'
import { wireSizes } from '../../units'
import { upTo } from '../limits'

/** how a trailer is fed; it has no engine of its own */
export const trailerSchema = z.strictObject({
  pinA: field(
    'tow plug, pin rating',
    'current',
    [0.5, 100],
    'power',
    "stamped on it, or the maker's sheet; never a road-lighting pin",
  ),
  cableM: field(
    'cable to the tow vehicle, one way',
    'run',
    [0.2, 60],
    'power',
    'from its battery to the trailer battery',
  ),
  cableSize: z.enum(wireSizes).nullable(),
  chargerA: field('charger gives', 'current', [0.2, 200], 'power', 'its label, or a clamp'),
  aloneS: field(
    'has to last standing alone',
    'hours',
    [0, 600_000],
    'power',
    'hours without tow vehicle or charger',
    true,
  ),
})

export type Trailer = z.infer<typeof trailerSchema>

/** Where power comes from and is kept. */
export const powerShape = {
  charging: z.strictObject({
    known: z.enum(['rating', 'points']),
    ratedA: field('charging output, rated', 'current', [0.5, 400], 'power'),
    ratedRpm: field('rated charging output is at', 'engineSpeed', [300, 20_000], 'power'),
    points: z
      .array(
        z.strictObject({
          id: idSchema,
          rpm: field('clamp reading at', 'engineSpeed', [100, 20_000], 'power'),
          currentA: field(
            'charging current there',
            'current',
            [0, 400],
            'power',
            'clamp on the charging lead, lights as in use',
          ),
        }),
      )
      .max(...upTo('chargingPoints')),
    regulatorV: field('regulator holds', 'voltage', [12, 32], 'power', 'across the battery while it charges'),
    otherLoadsA: field(
      'other loads',
      'current',
      [0, 300],
      'power',
      'clamp on the battery lead, engine off, all on that is on at work',
    ),
  }),
  batteries: z
    .array(
      z.strictObject({
        id: idSchema,
        kind: z.enum(batteryKinds),
        capacityAh: field('battery', 'batteryCapacity', [0.5, 1000], 'power'),
        hourRateH: z.union([z.literal(10), z.literal(20)]),
        coldCrankingA: field('cold-cranking current', 'current', [10, 3000], 'power', 'on the battery').nullable(),
        /** null where nothing is cranked */
        crankingA: field('starter takes', 'current', [1, 2000], 'power', 'clamp on the starter lead').nullable(),
        charge: field('charged to', 'share', [0.1, 1], 'power', 'from the rest voltage'),
      }),
    )
    .min(1)
    .max(...upTo('batteries')),
}
