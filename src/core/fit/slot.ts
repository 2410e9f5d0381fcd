/**
 * How much further off a hole may be before a screw no longer finds its slot, m; negative: it does not reach.
 * @param offM   the hole from the middle of the slot, along it, m
 * @param slotM  length of the slot over its round ends, m
 * @param screwM diameter of the screw, m
 * @throws RangeError where the slot is shorter than the screw is thick, or a figure is not finite
 * @see engineering §7
 * @example +slotLeft(0.003, 0.016, 0.006).toFixed(4) //=> 0.002
 */
export function slotLeft(offM: number, slotM: number, screwM: number): number {
  if (!(Number.isFinite(offM) && screwM > 0 && slotM >= screwM && Number.isFinite(slotM)))
    throw new RangeError('a slot is no shorter than its screw is thick')
  return (slotM - screwM) / 2 - Math.abs(offM)
}
