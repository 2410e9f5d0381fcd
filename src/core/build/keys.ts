import { onOffPoints } from '../control'
import { type ControllerPart, shownBy } from '../parts'
import { format } from '../units'

/** What to press on this controller for a setting: its own description with the figures filled in, as it shows them. */
export function whatToPress(part: ControllerPart, setC: number, bandK: number, spanK?: number): string[] {
  const points = onOffPoints(
    part.band,
    { setC, bandK },
    part.fixed ? { closesC: part.fixed.closesC.value, opensC: part.fixed.opensC.value } : undefined,
  )
  // its display counts in units of its own, whatever the job is written in
  const own = shownBy(part)
  const celsius = (c: number): string => format(c, 'temperature', own)
  const figures: Readonly<Record<string, string>> = {
    set: celsius(setC),
    band: format(bandK, 'temperatureDifference', own),
    span: spanK === undefined ? '' : format(spanK, 'temperatureDifference', own),
    on: points ? celsius(points.on.c) : '',
    off: points ? celsius(points.off.c) : '',
    lowest: part.range ? celsius(part.range.minC) : '',
  }
  return part.keys.map((line) => line.replace(/\{(\w+)\}/g, (whole, name: string) => figures[name] ?? whole))
}
