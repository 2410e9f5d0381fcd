import { onceAJob } from '../job'
import type { Job } from '../job'

/** parts of a job that no run asks about */
const apart = new Set([
  'title',
  'units',
  'startedOn',
  'promisedOn',
  'checks',
  'baseline',
  'alterations',
  'build',
  'after',
  'claims',
  'acceptances',
  'ended',
  'signature',
  'setting',
  'limits',
  // what is kept at the bench, and of the work
  'ledger',
  'coolant',
  'photos',
  'dial',
  'debts',
  'hours',
  'money',
  'bought',
  'settings',
  'looseJoints',
  'searches',
  'traces',
  'notes',
  'identity',
])

/** Two hashes of 32 bits (FNV-1a, and one with another prime), as text. */
function hashed(text: string): string {
  let a = 0x811c9dc5
  let b = 0x9747b28c
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    a = Math.imul(a ^ c, 0x01000193)
    b = Math.imul(b ^ c, 0x5bd1e995)
  }
  return `${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}-${text.length.toString(36)}`
}

/** keys in one order, so that how a job was put together does not matter */
const inOrder = (_: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([x], [y]) => (x < y ? -1 : 1)))
    : value

/** of a proof, only what it measured tells of the machine */
const whatWasMeasured = (job: Job): unknown =>
  job.proofs.flatMap(({ id, measured }) => (measured ? [[id, measured.value]] : []))

/** of what was seen, when and by whom changes nothing */
const whatWasSeen = (seen: Job['observations'][number]): unknown => ({ ...seen, at: '', by: '', typed: '' })

/** What a job's runs depend on, as a short key: runs of another key belong to another state of the job. */
export const runKey = onceAJob((job) => {
  const told = Object.entries({
    ...job,
    observations: job.observations.map(whatWasSeen),
    proofs: whatWasMeasured(job),
  })
  return hashed(JSON.stringify(Object.fromEntries(told.filter(([name]) => !apart.has(name))), inOrder))
})
