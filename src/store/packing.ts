import { brotliCompressSync, brotliDecompressSync, constants, deflateRawSync, inflateRawSync } from 'node:zlib'

/** how a packed text begins: whole, or as what differs from a whole one */
const WHOLE = 0
const DIFFERENCE = 1
/** bytes before a difference: its kind, and how long the list of its names is */
const HEAD = 3
/** what is looked back at while a difference is packed, bytes; no more is of use */
const WINDOW = 32_768
const QUALITY = 5

type Members = Readonly<Record<string, unknown>>

/** A text as it is kept: as it was written before texts were packed, or packed. */
export type Kept = string | Uint8Array

/** A text packed by itself. */
export const packWhole = (text: string): Buffer =>
  Buffer.concat([Buffer.of(WHOLE), brotliCompressSync(text, { params: { [constants.BROTLI_PARAM_QUALITY]: QUALITY } })])

const membersOf = (text: string): Members | null => {
  const value = JSON.parse(text) as unknown
  return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Members) : null
}

/** What a difference may repeat: the members of the whole that it replaces. */
const lookedBackAt = (whole: Members, names: readonly string[]): Buffer =>
  Buffer.from(names.map((name) => JSON.stringify(whole[name]) ?? '').join('')).subarray(-WINDOW)

/**
 * A JSON object packed as the members that differ from another's; those are packed against what they replace.
 * @returns null where that is no shorter than by itself, or where either is no object
 */
export function packDifference(text: string, wholeText: string): Buffer | null {
  const [own, whole] = [membersOf(text), membersOf(wholeText)]
  if (!own || !whole || Object.keys(whole).some((name) => !Object.hasOwn(own, name))) return null
  const names = Object.keys(own).filter((name) => JSON.stringify(own[name]) !== JSON.stringify(whole[name]))
  const listed = Buffer.from(JSON.stringify(names))
  if (listed.length > 0xffff) return null
  const head = Buffer.alloc(HEAD)
  head.writeUInt8(DIFFERENCE)
  head.writeUInt16BE(listed.length, 1)
  const dictionary = lookedBackAt(whole, names)
  const changed = JSON.stringify(Object.fromEntries(names.map((name) => [name, own[name]])))
  const packed = Buffer.concat([
    head,
    listed,
    deflateRawSync(changed, dictionary.length ? { dictionary, level: 9 } : { level: 9 }),
  ])
  return packed.length * 2 < packWhole(text).length ? packed : null
}

/** Whether a kept text can only be read with the whole that it differs from. */
export const isDifference = (kept: Kept): boolean => typeof kept !== 'string' && kept[0] === DIFFERENCE

/** the last whole one that something was unpacked against: a job's revisions are read one after another */
let lastWhole: { readonly kept: Kept; readonly members: Members | null } | null = null

function wholeOf(kept: Kept): Members | null {
  if (
    lastWhole &&
    (typeof kept === 'string' || typeof lastWhole.kept === 'string'
      ? kept === lastWhole.kept
      : Buffer.compare(kept, lastWhole.kept) === 0)
  )
    return lastWhole.members
  const members = membersOf(unpacked(kept))
  lastWhole = { kept, members }
  return members
}

/**
 * The text that was packed.
 * @param whole what it may differ from, itself kept
 * @returns for a difference the same object, its members in the order of the whole
 * @throws Error where it is damaged
 */
export function unpacked(kept: Kept, whole: Kept | null = null): string {
  if (typeof kept === 'string') return kept
  const bytes = Buffer.from(kept.buffer, kept.byteOffset, kept.byteLength)
  if (bytes[0] === WHOLE) return brotliDecompressSync(bytes.subarray(1)).toString()
  if (bytes[0] !== DIFFERENCE || whole === null || isDifference(whole)) throw new Error('This is not a packed text.')
  const before = wholeOf(whole)
  const end = HEAD + bytes.readUInt16BE(1)
  const names = JSON.parse(bytes.subarray(HEAD, end).toString()) as string[]
  const dictionary = lookedBackAt(before ?? {}, names)
  const changed = inflateRawSync(bytes.subarray(end), dictionary.length ? { dictionary } : {}).toString()
  return JSON.stringify({ ...before, ...(JSON.parse(changed) as object) })
}

/** As {@link unpacked}, and nothing where it is damaged: one row takes no other with it. */
export function unpackedOrNothing(kept: Kept, whole: Kept | null = null): string {
  try {
    return unpacked(kept, whole)
  } catch {
    return ''
  }
}
