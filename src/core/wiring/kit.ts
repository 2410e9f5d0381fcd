import { changeConductor, type ConductorRole, conductorName, type Job, roleIds, roleNames, wiresInUse } from '../job'
import { type HarnessPart, type HarnessWire, readHarnessWire } from '../parts'
import { label, type Reading } from '../reading'
import { format } from '../units'
import { say } from '../words'

/** A lead ends where it does: so much more than the way for a loop and the ends. @see engineering §7 */
const SPARE = 1.05
const LOOP_M = 0.05

export const kitWires = (part: HarnessPart): HarnessWire[] => part.wires.map((line) => readHarnessWire(line)!)

/** What a harness's sheet calls wires of each role, besides the role's own name. */
const alsoCalled: Readonly<Partial<Record<ConductorRole, RegExp>>> = {
  feed: /\b(feed|power|battery \+|positive)\b/i,
  return: /\b(way back|return|negative|battery −|battery -)\b/i,
  control: /\b(switched|ignition|key)\b/i,
  trigger: /\b(trigger|86)\b/i,
  'coil-return': /\b(coil.*ground|85)\b/i,
  'supply-return': /\b(controller.*ground)\b/i,
  override: /\boverride\b/i,
  call: /\b(call|pressure switch)\b/i,
  lamp: /\b(lamp|indicator)\b/i,
}

type Wire = Job['conductors'][number]

const isCalled = (job: Job, c: Wire, use: string): boolean =>
  [roleIds[c.role], roleNames[c.role]].includes(use.toLowerCase()) ||
  use.toLowerCase() === conductorName(job, c.id).toLowerCase() ||
  (alsoCalled[c.role]?.test(use) ?? false)

type Kit = NonNullable<Job['wiring']['kit']>
type KitWire = Kit['wires'][number]

const withKit = (job: Job, kit: Kit | null): Job => ({ ...job, wiring: { ...job.wiring, kit } })

/** What a lead of the harness makes of the length: its own, or the way where that is longer and it must be extended. */
const lengthWith = (leadM: number, before: Reading): Reading =>
  before.source !== 'typical' && before.value > leadM ? before : label(leadM, 0.02)

/** Which of the job's conductors a wire of the harness is; null for none. What was known of its way is kept. */
export function matchKitWire(job: Job, wire: number, conductor: string | null): Job {
  const { kit } = job.wiring
  const lead = kit && kitWires(kit.part)[wire]
  if (!kit || !lead) return job
  const freed = kit.wires
    .filter((w) => w.wire === wire || w.conductor === conductor)
    .reduce((j, w) => giveBack(j, w, kitWires(kit.part)[w.wire]!), job)
  const others = kit.wires.filter((w) => w.wire !== wire && w.conductor !== conductor)
  const own = freed.conductors.find((c) => c.id === conductor)
  if (!own) return withKit(freed, { ...kit, wires: others })
  const wayM = own.lengthM.source === 'typical' ? null : own.lengthM.value
  return withKit(
    changeConductor(freed, own.id, {
      ...(lead.size ? { size: lead.size, sizeFrom: 'printed on it' } : {}),
      colour: lead.colour.slice(0, 20),
      lengthM: lengthWith(lead.lengthM, own.lengthM),
    }),
    { ...kit, wires: [...others, { wire, conductor: own.id, wayM }] },
  )
}

/** A wire that is cut by hand again: its way is as long as was measured, or as the harness's lead was. */
const giveBack = (job: Job, { conductor, wayM }: KitWire, lead: HarnessWire): Job =>
  wayM === null || wayM === lead.lengthM
    ? job
    : changeConductor(job, conductor, { lengthM: { value: wayM, source: 'measured' } })

/** Takes a ready-made harness on: each of its wires becomes the job's wire that its sheet says it is. */
export function takeKit(job: Job, part: HarnessPart): Job {
  const begun = withKit(dropKit(job), { part, wires: [] })
  const taken = new Set<string>()
  return kitWires(part).reduce((j, lead, i) => {
    const own = wiresInUse(j).find((c) => !taken.has(c.id) && lead.use !== '' && isCalled(j, c, lead.use))
    if (!own) return j
    taken.add(own.id)
    return matchKitWire(j, i, own.id)
  }, begun)
}

/** Without the harness: every wire is cut by hand again, in the size and colour that it has now. */
export function dropKit(job: Job): Job {
  const { kit } = job.wiring
  if (!kit) return job
  const leads = kitWires(kit.part)
  return withKit(
    kit.wires.reduce((j, w) => giveBack(j, w, leads[w.wire]!), job),
    null,
  )
}

/** One wire of a harness beside what the job needs of it. */
export interface KitLine {
  readonly wire: number
  readonly lead: HarnessWire
  /** the job's conductor that it is; null where it has no place in this circuit, or nobody knows */
  readonly conductor: string | null
  readonly name: string
  /** its way with loop and ends, where somebody has measured it, m */
  readonly needM: number | null
  /** what is left over; negative where it is too short, m */
  readonly spareM: number | null
  /** of the sheet and the harness itself, where they differ */
  readonly differs: string | null
}

export interface KitPlan {
  readonly lines: readonly KitLine[]
  /** wires of the circuit that the harness does not bring */
  readonly lacking: readonly string[]
  /** leads to change over, so that both reach: [the long one, the short one] */
  readonly swaps: readonly (readonly [string, string])[]
}

/** What a lead was made by a change to the harness, m. */
function extendedTo(job: Job, conductor: string | undefined): number | null {
  const edits = job.wiring.edits.flatMap((e) => (e.kind === 'length' && e.conductor === conductor ? [e.toM] : []))
  return edits.at(-1) ?? null
}

function kitLine(job: Job, kit: Kit, lead: HarnessWire, wire: number): KitLine {
  const match = kit.wires.find((w) => w.wire === wire)
  const own = match && job.conductors.find((c) => c.id === match.conductor)
  const inUse = own !== undefined && wiresInUse(job).some((c) => c.id === own.id)
  const needM = match && match.wayM !== null ? SPARE * match.wayM + LOOP_M : null
  const differs = [
    ...(own && lead.size && own.size !== lead.size ? [say`the sheet says ${lead.size}, the job has ${own.size}`] : []),
    ...(own && own.colour.toLowerCase() !== lead.colour.toLowerCase()
      ? [say`the sheet says ${lead.colour}, it is ${own.colour || say`of no colour`}`]
      : []),
  ]
  return {
    wire,
    lead,
    conductor: own && inUse ? own.id : null,
    name: own && inUse ? conductorName(job, own.id) : lead.use || say`nobody knows: find it with the meter`,
    needM,
    spareM: needM === null ? null : (extendedTo(job, own?.id) ?? lead.lengthM) - needM,
    differs: differs.length ? differs.join('; ') : null,
  }
}

/** A ready-made harness against the job: which wire is which, whether it reaches, and what it does not bring. */
export function kitPlan(job: Job): KitPlan | null {
  const { kit } = job.wiring
  if (!kit) return null
  const lines = kitWires(kit.part).map((lead, i) => kitLine(job, kit, lead, i))
  const lacking = wiresInUse(job)
    .filter((c) => !lines.some((l) => l.conductor === c.id))
    .map((c) => conductorName(job, c.id))
  const reaches = (lead: HarnessWire, { needM }: KitLine): boolean => needM !== null && lead.lengthM >= needM
  const swaps = lines
    .filter((l) => l.spareM !== null && l.spareM < 0)
    .flatMap((short) => {
      const other = lines.find(
        (l) => l !== short && l.lead.size === short.lead.size && reaches(l.lead, short) && reaches(short.lead, l),
      )
      return other ? [[other.name, short.name] as const] : []
    })
  return { lines, lacking, swaps }
}

/** Conductors that come with the harness, by their ids. */
export const kitConductors = (job: Job): ReadonlySet<string> =>
  new Set(job.wiring.kit?.wires.map((w) => w.conductor) ?? [])

/** Fuses of the job that are not what the harness brings in its holder: changed before it is plugged in. */
export function kitFuseWarnings(job: Job): string[] {
  const part = job.wiring.kit?.part
  const brought = part?.fuseA ?? null
  if (!part || brought === null) return []
  const used = job.fuses.filter((f) => job.runs.some((r) => r.fuse === f.id))
  if (!used.length) return [say`The harness brings a ${brought} A fuse, and the job has none chosen.`]
  return used[0]!.ratingA === brought
    ? []
    : [
        say`The harness brings a ${brought} A fuse where ${used[0]!.ratingA} A is asked: change it before it is
          plugged in.`,
      ]
}

/** What is wrong with a harness here: leads that do not reach, another fuse than the job's. */
export const kitWarnings = (job: Job): string[] => [
  ...(kitPlan(job)?.lines.flatMap((l) =>
    l.spareM !== null && l.spareM < 0
      ? [say`The harness's ${l.lead.colour} wire (${l.name}) is ${format(-l.spareM, 'run', job.units, 2)} too short.`]
      : [],
  ) ?? []),
  ...kitFuseWarnings(job),
]

/** Whether a fuse with its holder comes with the harness; its spare does not. */
export const kitBringsFuse = (job: Job, fuse: string): boolean => {
  const part = job.wiring.kit?.part
  const [first] = job.fuses.filter((f) => job.runs.some((r) => r.fuse === f.id))
  return part !== undefined && part.brings.includes('fuse holder') && first?.id === fuse && first.ratingA === part.fuseA
}
