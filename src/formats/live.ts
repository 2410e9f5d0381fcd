import { z } from 'zod'
import type { Sample } from '../core/build'
import { choiceEnds } from '../core/job'
import { parseJson } from './problems'

const reading = ([low, high]: readonly [number, number]) => z.number().min(low).max(high).nullish()

/** One line of a logger, as newline-delimited JSON; what else stands in it is left alone. */
const lineSchema = z.object({
  t: z.number().min(0).max(1e9),
  probeC: reading(choiceEnds.setC),
  clampA: reading(choiceEnds.traceA),
  batteryV: reading(choiceEnds.traceV),
  fanV: reading(choiceEnds.traceV),
})

/**
 * Reads one line of a logger.
 * @returns null for what is no such line, or tells nothing
 * @example readLiveLine('{"t":1,"probeC":88.2,"clampA":5.1}') //=> { t: 1, probeC: 88.2, amps: 5.1, … }
 */
export function readLiveLine(line: string): Sample | null {
  const json = parseJson(line)
  if (!json.ok) return null
  const parsed = lineSchema.safeParse(json.value)
  if (!parsed.success) return null
  const { t, probeC, clampA, batteryV, fanV } = parsed.data
  const sample = {
    t,
    probeC: probeC ?? null,
    amps: clampA ?? null,
    batteryV: batteryV ?? null,
    fanV: fanV ?? null,
  }
  const tells = [sample.probeC, sample.amps, sample.batteryV, sample.fanV].some((v) => v !== null)
  return tells ? sample : null
}
