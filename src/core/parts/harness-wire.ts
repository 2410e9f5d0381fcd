import { parse, parseWireSize, type WireSize } from '../units'

/** One wire of a ready-made harness. */
export interface HarnessWire {
  readonly colour: string
  /** null where nobody says */
  readonly size: WireSize | null
  readonly lengthM: number
  /** what its sheet says it is for; empty where nobody knows */
  readonly use: string
}

/**
 * A line of a harness's list: "red, 2.5 mm², 1.8 m, feed"; a size or use that nobody knows is left empty or "?".
 * @returns null where it cannot be read
 * @example readHarnessWire('red, 2.5 mm², 1.8 m, feed')?.lengthM //=> 1.8
 */
export function readHarnessWire(line: string): HarnessWire | null {
  const [colour = '', size = '', length = '', ...use] = line.split(',').map((p) => p.trim())
  const read = parse(length, 'run', 'metric')
  if (!colour || !read.ok || read.value <= 0 || read.value > 60) return null
  const sized = size === '' || size === '?' ? null : parseWireSize(size, 'metric')
  if (sized?.ok === false) return null
  const words = use.join(', ')
  return { colour, size: sized?.size ?? null, lengthM: read.value, use: words === '?' ? '' : words }
}
