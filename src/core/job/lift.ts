import { typicalMaxPressure } from '../air'
import { typical } from '../reading'

type Raw = Readonly<Record<string, unknown>>
const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value)
const within = (raw: Raw, key: string, more: (old: Raw) => Raw): Raw => (isRaw(raw[key]) ? { [key]: more(raw[key]) } : {})
const each = (raw: Raw, key: string, more: (old: Raw) => Raw): Raw => {
  const list: unknown = raw[key]
  return Array.isArray(list) ? { [key]: list.map((e: unknown) => (isRaw(e) ? more(e) : e)) } : {}
}

const guessedPressure = (diameter: unknown) => typical(typicalMaxPressure(isRaw(diameter) && typeof diameter.value === 'number' ? diameter.value : 0.15))

/** A part as older shelves and jobs wrote it, with what parts have gained since. Leaves a present one as it is. */
export function liftPart(part: unknown): unknown {
  if (!isRaw(part)) return part
  return { facts: [], ...(part.kind === 'relay' ? { coilV: 12 } : {}), ...(part.kind === 'fan' ? { maxPressurePa: guessedPressure(part.diameterM) } : {}), ...part }
}

const withPart = (entry: Raw): Raw => ({ ...entry, part: liftPart(entry.part) })

/** Version 1 knew only fans on cores of three kinds of machine. */
function fromVersion1(job: Raw): Raw {
  const complaint = isRaw(job.complaint) ? job.complaint : {}
  return {
    ...job, version: 2, kind: 'core',
    checks: [], alterations: [], newCore: null, bay: null, trailer: null, ended: null,
    baseline: { state: complaint.after ? 'taken' : 'not yet', hotC: null, airC: null, touchS: null, load: '' },
    ...within(job, 'machine', (m) => ({ ...m, ownerAllows: null })),
    ...within(job, 'surroundings', (s) => ({ ...s, livesIn: null, shielded: false })),
    ...within(job, 'place', (p) => ({ ...p, blowsOn: null })),
    ...each(job, 'fans', withPart), ...each(job, 'controllers', withPart), ...each(job, 'probes', withPart), ...each(job, 'relays', withPart), ...each(job, 'switches', withPart),
  }
}

/** Each lifts a document of its own version to the next one. */
const lifts: Readonly<Record<number, (job: Raw) => Raw>> = { 1: fromVersion1 }

/** A job of an older version as the present one; anything else comes back unchanged for the schema to judge. */
export function liftJob(value: unknown): unknown {
  let job = value
  while (isRaw(job) && typeof job.version === 'number' && lifts[job.version]) job = lifts[job.version]!(job)
  return job
}
