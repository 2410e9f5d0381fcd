'use client'

import type { StationProps } from '../station'
import { Allowed, Baseline, Cure, Ending, Lives } from './Before'
import { FanPlug } from './FanPlug'

/** What belongs to the machine's story besides its complaint; each part unfolds. */
export const Story = (props: StationProps) => (
  <>
    <Cure {...props} />
    <FanPlug {...props} />
    <Baseline {...props} />
    <Allowed {...props} />
    <Lives {...props} />
    <Ending {...props} />
  </>
)
