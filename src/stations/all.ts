import type { Station } from '@/core/fields'
import { afterStation } from './after'
import { buildStation } from './build'
import { machineStation } from './machine'
import { measureStation } from './measure'
import { placeStation } from './place'
import { powerStation } from './power'
import { proveStation } from './prove'
import type { StationView } from './station'
import { triggerStation } from './trigger'
import { wireStation } from './wire'

/** The nine stations, each in its own folder. */
export const stationViews: Readonly<Record<Station, StationView>> = {
  machine: machineStation,
  measure: measureStation,
  place: placeStation,
  power: powerStation,
  wire: wireStation,
  trigger: triggerStation,
  build: buildStation,
  prove: proveStation,
  after: afterStation,
}
