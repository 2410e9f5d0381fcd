/**
 * Documents as they were read, before a schema has looked at them. Migrations share nothing but these ways of walking:
 * what a step writes are literals of its own, so that it does the same for ever.
 */
export type Raw = Readonly<Record<string, unknown>>

export const isRaw = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

export const rawOr = (value: unknown): Raw => (isRaw(value) ? value : {})

/** One block changed; what is no block stays as it is, for the schema to refuse. */
export const within = (raw: Raw, key: string, more: (old: Raw) => Raw): Raw =>
  isRaw(raw[key]) ? { [key]: more(raw[key]) } : {}

/** Each entry of a list changed; what is no list stays as it is. */
export const each = (raw: Raw, key: string, more: (old: Raw) => Raw): Raw => {
  const list: unknown = raw[key]
  return Array.isArray(list) ? { [key]: list.map((e: unknown) => (isRaw(e) ? more(e) : e)) } : {}
}

export const valueOf = (reading: unknown, fallback: number): number =>
  isRaw(reading) && typeof reading.value === 'number' ? reading.value : fallback

/** A guess, as documents write it. */
export const guess = (value: number, spread?: number): Raw => ({
  value,
  source: 'typical',
  ...(spread === undefined ? {} : { spread }),
})

const kinds = ['trail-bike', 'road-bike', 'side-by-side', 'digger-air', 'digger-liquid', 'older-vehicle', 'trailer']
export type KindThen =
  'trail-bike' | 'road-bike' | 'side-by-side' | 'digger-air' | 'digger-liquid' | 'older-vehicle' | 'trailer'

/** The kind of machine of a job; a trail bike where that is none that versions 1 to 4 knew. */
export const kindOf = (job: Raw): KindThen => {
  const { kind } = rawOr(job.machine)
  return kinds.includes(kind as string) ? (kind as KindThen) : 'trail-bike'
}
