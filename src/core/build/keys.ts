import { onOffPoints } from '../control'
import type { ControllerPart } from '../parts'
import { format, type UnitSystem } from '../units'

/** What to press on this controller for a setting: its own description with the figures filled in. */
export function whatToPress(
  part: ControllerPart,
  setC: number,
  bandK: number,
  system: UnitSystem,
  spanK?: number,
): string[] {
  const points = onOffPoints(
    part.band,
    { setC, bandK },
    part.fixed ? { closesC: part.fixed.closesC.value, opensC: part.fixed.opensC.value } : undefined,
  )
  const celsius = (c: number): string => format(c, 'temperature', system)
  const figures: Readonly<Record<string, string>> = {
    set: celsius(setC),
    band: format(bandK, 'temperatureDifference', system),
    span: spanK === undefined ? '' : format(spanK, 'temperatureDifference', system),
    on: points ? celsius(points.on.c) : '',
    off: points ? celsius(points.off.c) : '',
    lowest: part.range ? celsius(part.range.minC) : '',
  }
  return part.keys.map((line) => line.replace(/\{(\w+)\}/g, (whole, name: string) => figures[name] ?? whole))
}
