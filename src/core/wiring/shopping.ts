import { formFor, type FuseForm, fuseForms } from '../electrical'
import type { Job, JointKind } from '../job'
import type { FittingKind, Part, PartKind, PartOf } from '../parts'
import { format, sizeAreaM2 } from '../units'
import type { CutList, ShoppingLine, Sleeve } from './cuts'
import { type TerminalKind, terminalName } from './ends'
import { kitBringsFuse } from './kit'
import { type Called, called, say, spokenWord } from '../words'

/** What of a cut list has to be there. */
type Wanted = Pick<CutList, 'totals' | 'joints' | 'inline'> & { readonly sleeves: ReadonlyMap<Sleeve, number> }

const upTo = (m: number): number => Math.ceil(m * 10 - 1e-9) / 10

/** What the workshop has, each thing given out once. */
class Stock {
  private readonly left = new Map<string, number>()
  constructor(private readonly shelf: readonly Part[]) {}

  of<K extends PartKind>(kind: K): PartOf<K>[] {
    return this.shelf.filter((p) => p.kind === kind) as PartOf<K>[]
  }
  /** what is left of a part; endless where nobody counts */
  leftOf(part: Part): number {
    const counted = 'stock' in part ? part.stock : null
    const stock = part.kind === 'conductor' ? part.stockM : counted
    return this.left.get(part.id) ?? stock ?? Number.POSITIVE_INFINITY
  }
  take(part: Part, count: number): void {
    this.left.set(part.id, this.leftOf(part) - count)
  }
  /** Takes so many of the first part that has them all, and says how the shelf stands. */
  line(
    { id, words: what }: Called,
    count: number,
    unit: ShoppingLine['unit'],
    able: readonly Part[],
    wanting = '',
  ): ShoppingLine {
    const found = able.find((p) => this.leftOf(p) >= count)
    const most = Math.max(0, ...able.map((p) => this.leftOf(p)))
    const needed = unit === 'm' ? upTo(count) : count
    const of = found ?? able[0]
    const line = { id, what, count: needed, unit, takes: of ? [{ part: of.id, count: needed }] : [] }
    if (!found) {
      return most > 0
        ? { ...line, has: 'too little', note: say`${most} left` }
        : { ...line, has: 'lacking', note: wanting }
    }
    this.take(found, count)
    const counted = Number.isFinite(this.leftOf(found))
    return { ...line, has: 'on the shelf', note: `${found.name}${counted ? '' : say`, not counted`}` }
  }
}

/** Wire by the metre: its own colour first, else another of the same size whose ends are marked. */
function wireLine(
  job: Job,
  stock: Stock,
  { size, dye, colour, insulationC, metres }: CutList['totals'][number],
): ShoppingLine {
  const reels = stock.of('conductor').filter((p) => p.size === size && p.insulationC >= insulationC)
  const own = reels.filter((p) => p.colour.toLowerCase() === dye.toLowerCase())
  const other = reels.find((p) => !own.includes(p) && stock.leftOf(p) >= metres)
  const most = Math.max(0, ...own.map((p) => stock.leftOf(p)))
  const line = stock.line(
    { id: `${size} ${dye}, ${insulationC} °C`, words: `${size} ${colour}, ${insulationC} °C` },
    metres,
    'm',
    own,
  )
  if (line.has === 'on the shelf') return { ...line, note: line.note.replace(say`, not counted`, '') }
  if (other) {
    const takes = line.takes.length ? line.takes : [{ part: other.id, count: line.count }]
    return { ...line, takes, note: say`${spokenWord(other.colour)} would do, mark its ends` }
  }
  return { ...line, note: most > 0 ? say`${format(most, 'run', job.units)} left` : '' }
}

const holderNote = (holder: PartOf<'fuse'> | undefined, fuse: boolean): string => {
  if (!holder) return fuse ? say`the fuse is there, its holder is not` : ''
  return say`holder: ${holder.name}${fuse ? '' : say`; the fuse is not`}`
}

/** A fuse of its form with one spare and its holder, or a breaker. @see engineering §1.4 */
function fuseLine(stock: Stock, form: FuseForm, ratingA: number, atTap = false): ShoppingLine {
  const ofForm = stock.of('fuse').filter((p) => p.form === form)
  const holder = ofForm.find((p) => p.holderA !== null && p.holderA >= ratingA)
  const able = ofForm.filter((p) => p.ratingA === ratingA && (p.holderA === null || p.holderA >= ratingA))
  const breaker = form === 'breaker'
  const what = called(() => {
    const where = atTap ? say`, at the switched wire` : ''
    return breaker
      ? say`${ratingA} A breaker${where}`
      : say`${ratingA} A ${spokenWord(fuseForms[form].name)}, one spare, with its holder${where}`
  })
  const fuses = stock.line(what, breaker ? 1 : 2, '', able)
  const found = able[0]
  const apart = !breaker && found?.holderA == null && holder ? [{ part: holder.id, count: 1 }] : []
  const line = { ...fuses, takes: [...fuses.takes, ...apart] }
  if (breaker || found?.holderA != null) return line
  if (line.has === 'on the shelf' && !holder) return { ...line, has: 'too little', note: holderNote(undefined, true) }
  return { ...line, note: holderNote(holder, found !== undefined) }
}

/** A spare for a fuse that comes with its harness. */
const spareLine = (stock: Stock, form: FuseForm, ratingA: number): ShoppingLine =>
  stock.line(
    called(() => say`${ratingA} A ${spokenWord(fuseForms[form].name)}, a spare: the harness brings one`),
    1,
    '',
    stock.of('fuse').filter((p) => p.form === form && p.ratingA === ratingA),
  )

/** Terminals and splices for the wires that end in them. */
const jointLine = (stock: Stock, job: Job, { kind, size, count }: CutList['joints'][number]): ShoppingLine => {
  const name = terminalName(job, kind)
  const areaM2 = size === null ? null : sizeAreaM2(size)
  const what = kind === 'splice' ? spliceOf[job.wiring.joints] : fittingOf[kind]
  if (what === 'connector')
    return stock.line(
      called(() => spokenWord(name)),
      count,
      '',
      stock.of('connector'),
    )
  const able = stock
    .of('fitting')
    .filter(
      (p) =>
        p.what === what &&
        (areaM2 === null || ((p.leastAreaM2 ?? 0) <= areaM2 * GRAIN && (p.mostAreaM2 ?? 1) >= areaM2 / GRAIN)),
    )
  return stock.line(
    called(() => `${spokenWord(name)}${size ? say`, for ${size}` : ''}`),
    count,
    '',
    able,
  )
}

/** sizes of wire are told to three figures */
const GRAIN = 1.01

const fittingOf = {
  ring: 'ring',
  blade: 'female blade',
  screw: 'ferrule',
  tap: 'tap splice',
} as const satisfies Readonly<Record<Exclude<TerminalKind, 'splice'>, FittingKind>>

/** What a joint of two wires takes, by how they are joined. */
const spliceOf = {
  'sealed crimp': 'sealed splice',
  'solder and sleeve': 'adhesive sleeve',
  'push-on': 'push-on pair',
  'sealed plug': 'connector',
} as const satisfies Readonly<Record<JointKind, FittingKind | 'connector'>>

const fittings = (stock: Stock, what: FittingKind, more: (p: PartOf<'fitting'>) => boolean = () => true) =>
  stock.of('fitting').filter((p) => p.what === what && more(p))

/** a diode that joins signals carries a coil and stands a coil's kick (estimate) */
const DIODE = { ratedA: 1, ratedV: 100 } as const

/** Diodes, timer and lamp, and switches that are still to be chosen. */
function extras(job: Job, stock: Stock, inline: CutList['inline']): ShoppingLine[] {
  const { wiring } = job
  const diodes = inline.filter((i) => i.kind === 'diode').length
  const able = fittings(stock, 'diode', (p) => (p.ratedA ?? 0) >= DIODE.ratedA && (p.ratedV ?? 0) >= DIODE.ratedV)
  const unchosen = ({ id, words }: Called): ShoppingLine => ({
    id,
    what: words,
    count: 1,
    unit: '',
    has: 'lacking',
    note: say`not chosen yet`,
    takes: [],
  })
  return [
    ...(diodes
      ? [
          stock.line(
            called(() => say`diode, ${DIODE.ratedA} A and ${DIODE.ratedV} V or more`),
            diodes,
            '',
            able,
          ),
        ]
      : []),
    ...(wiring.timer && job.engine !== null
      ? [
          stock.line(
            called(() => say`after-run timer`),
            1,
            '',
            fittings(stock, 'after-run timer'),
          ),
        ]
      : []),
    ...(wiring.lamp
      ? [
          stock.line(
            called(() => say`indicator lamp`),
            1,
            '',
            fittings(stock, 'indicator lamp'),
          ),
        ]
      : []),
    ...(wiring.override !== 'none' && wiring.overrideSwitch === null
      ? [unchosen(called(() => say`override switch`))]
      : []),
    ...(wiring.isolator && wiring.isolatorSwitch === null ? [unchosen(called(() => say`isolator`))] : []),
  ]
}

/**
 * Ties: one every 150 mm of the longest sleeve, which holds what runs together, and two to spare. @see engineering §7
 */
const TIE_EVERY_M = 0.15

/** What has to be in hand for a cut list, against what the shelf holds: each thing is given out once. */
export function shoppingOf(
  job: Job,
  shelf: readonly Part[],
  { totals, joints, sleeves, inline }: Wanted,
): ShoppingLine[] {
  const stock = new Stock(shelf)
  const { wiring } = job
  const own = (
    kind: 'relay' | 'switch',
    chosen: readonly { readonly part: { readonly id: string; readonly name: string } }[],
  ) =>
    chosen.map(({ part }) =>
      stock.line(
        { id: part.name, words: part.name },
        1,
        '',
        shelf.filter((p) => p.kind === kind && p.id === part.id),
      ),
    )
  const longest = Math.max(0, ...sleeves.values())
  const kit = wiring.kit?.part
  return [
    ...(kit
      ? [
          stock.line(
            { id: kit.name, words: kit.name },
            1,
            '',
            stock.of('harness').filter((p) => p.id === kit.id),
          ),
        ]
      : []),
    ...totals.map((t) => wireLine(job, stock, t)),
    ...job.fuses
      .filter((f) => job.runs.some((r) => r.fuse === f.id))
      .map((f) =>
        kitBringsFuse(job, f.id) ? spareLine(stock, f.kind, f.ratingA) : fuseLine(stock, f.kind, f.ratingA),
      ),
    ...(wiring.tapFuseA !== null && inline.some((i) => i.kind === 'fuse')
      ? [fuseLine(stock, formFor(wiring.tapFuseA), wiring.tapFuseA, true)]
      : []),
    ...own(
      'relay',
      job.relays.filter((r) => job.runs.some((x) => x.relay === r.id && x.switchedBy === 'relay')),
    ),
    ...own(
      'switch',
      job.switches.filter(
        (s) =>
          (s.id === wiring.overrideSwitch && wiring.override !== 'none') ||
          (s.id === wiring.isolatorSwitch && wiring.isolator),
      ),
    ),
    ...joints.map((j) => jointLine(stock, job, j)),
    ...[...sleeves].map(([what, m]) =>
      stock.line(
        called(() => spokenWord(what)),
        m,
        'm',
        fittings(stock, 'sleeve', (p) => [p.name, p.fits].some((of) => of === what || of === spokenWord(what))),
      ),
    ),
    ...(longest > 0
      ? [
          stock.line(
            called(() => say`ties`),
            Math.ceil(longest / TIE_EVERY_M) + 2,
            '',
            fittings(stock, 'tie'),
          ),
        ]
      : []),
    ...extras(job, stock, inline),
  ]
}
