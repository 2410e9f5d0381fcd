import { blowing } from '../electrical'
import type { FanPart } from '../parts'
import { percent } from '../units'
import { say } from '../words'

/**
 * What to do about a fan that blows the wrong way, from the direction table.
 * @see engineering §1.7
 */
export function wrongWayAdvice(motor: FanPart['motor']): string {
  const swapped = blowing(true, false, motor)
  if (!swapped)
    return say`Never swap the wires of a brushless fan: that destroys it or does nothing. Turn the whole fan round in
      its mount.`
  return say`Swap its two wires: the air turns, at ${percent(swapped.effectiveness, 4)} of its strength until the
    blade is turned over as well. Turning the blade over alone never turns the air.`
}
