import { plugWays } from '../choices'
import { between } from './common'
import { z } from 'zod'
import { type ProbePlace, probePlaces } from '../../control'
import { field, seenOnly } from '../../fields'
import {
  controllerPartSchema,
  fanPartSchema,
  idSchema,
  probePartSchema,
  relayPartSchema,
  switchPartSchema,
} from '../../parts'
import { choiceEnds, upTo } from '../limits'
import { seatSchema } from './place'

/** Parts as they were when chosen, with how each sits or is set. */
export const chosenPartsShape = {
  fans: z
    .array(
      z.strictObject({
        id: idSchema,
        part: fanPartSchema,
        /** null in a bay: there the panel says where it sits */
        seat: seatSchema.nullable(),
        wiresSwapped: z.boolean(),
        bladeTurned: z.boolean(),
        /** how its own plug goes together */
        plug: z.enum(plugWays),
      }),
    )
    .max(...upTo('fans')),
  /** the fan that comes off, where one is replaced by another */
  oldFan: z.strictObject({ part: fanPartSchema }).nullable(),
  controllers: z
    .array(
      z.strictObject({
        id: idSchema,
        part: controllerPartSchema,
        /** set point and band at the probe; a choice, so without a spread */
        setC: between(choiceEnds.setC),
        bandK: between(choiceEnds.bandK),
        /** a ramp's: from the least duty at `setC` to full so many kelvins above */
        spanK: between(choiceEnds.spanK),
      }),
    )
    .max(...upTo('controllers')),
  probes: z
    .array(
      z.strictObject({
        id: idSchema,
        part: probePartSchema.nullable(),
        place: z.enum(Object.keys(probePlaces) as [ProbePlace, ...ProbePlace[]]),
        atOutlet: z.boolean(),
        /** null in a bay */
        seat: seatSchema.nullable(),
        kappa: seenOnly(
          field(
            'share of the coolant that the probe sees',
            'share',
            [0.2, 1],
            'trigger',
            'a contact thermometer on the tank or hose beside it, in a bay one in its air; engine hot, the ' +
              'cap stays on',
          ),
        ),
        overshootK: seenOnly(field('overshoot', 'temperatureDifference', [0, 60], 'trigger')),
      }),
    )
    .min(1)
    .max(...upTo('probes')),
  relays: z.array(z.strictObject({ id: idSchema, part: relayPartSchema })).max(...upTo('relays')),
  switches: z.array(z.strictObject({ id: idSchema, part: switchPartSchema })).max(...upTo('switches')),
}
