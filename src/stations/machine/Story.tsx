'use client'

import type { StationProps } from '../station'
import { Allowed } from './Allowed'
import { Baseline, Cure, Ending } from './Before'
import { Lives } from './Lives'
import { FanPlug } from './FanPlug'
import { MechanicalFan } from './MechanicalFan'
import { Noticed } from './Noticed'
import { SunHeat } from './SunHeat'

/** What belongs to the machine's story besides its complaint; each part unfolds. */
export const Story = (props: StationProps) => (
  <>
    <Noticed {...props} />
    <Cure {...props} />
    <FanPlug {...props} />
    <MechanicalFan {...props} />
    <SunHeat {...props} />
    <Baseline {...props} />
    <Allowed {...props} />
    <Lives {...props} />
    <Ending {...props} />
  </>
)
