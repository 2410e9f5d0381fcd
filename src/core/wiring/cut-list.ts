import type { Element } from '../circuit'
import { allowedCurrent, conductorTemperature } from '../electrical'
import { circuitsOf, conductorAt } from '../fan-circuit'
import { type Job, lookupOf, roleNames } from '../job'
import type { Part, PartKind, PartOf } from '../parts'
import { Bench } from '../reading'
import { format, type WireSize } from '../units'
import { endAt, type TerminalKind, terminals, type WireEnd } from './ends'
import { feedPieces, pieceOf } from './fan-run'
import { provedCircuit } from './proof'

/** Cut so much longer than the way, and a loop to work with. @see engineering §7 */
const SPARE = 1.05
const LOOP_M = 0.05
/** a joint to the fuse holder stays short: no loop before the fuse. @see engineering §1.4 */
const NO_LOOP_BELOW_M = 0.25

/** One piece of wire to cut. */
export interface CutWire {
  readonly number: number
  readonly label: string
  readonly conductor: string
  readonly size: WireSize | null
  readonly colour: string
  readonly insulationC: number
  /** along its way, and as it is cut, m */
  readonly wayM: number
  readonly cutM: number
  readonly ends: readonly [WireEnd, WireEnd]
  readonly sleeve: string
  readonly zoneC: number
  readonly getsC: number
  readonly hotEnough: boolean
  readonly amps: number
}

export interface ShoppingLine {
  readonly what: string
  readonly count: number
  readonly unit: 'm' | ''
  readonly has: 'on the shelf' | 'too little' | 'lacking' | 'in the drawer'
  readonly note: string
}

export interface CutList {
  readonly wires: readonly CutWire[]
  readonly totals: readonly {
    readonly size: WireSize
    readonly colour: string
    readonly insulationC: number
    readonly metres: number
  }[]
  readonly joints: readonly { readonly kind: TerminalKind; readonly name: string; readonly count: number }[]
  readonly shopping: readonly ShoppingLine[]
  /** two a wire, one for each end */
  readonly labels: readonly string[]
  readonly problems: readonly string[]
}

const sleeveFor = (job: Job, zoneC: number): string =>
  zoneC >= 120
    ? 'glass sleeve, 200 °C'
    : zoneC >= 85
      ? 'heat sleeve, 150 °C'
      : job.surroundings.livesIn === 'indoors'
        ? 'braided sleeve'
        : 'ribbed tube'

/** Length of a wire's way, m: of its own piece where its conductor is cut in several. */
const wayOf = (job: Job, bench: Bench, e: Extract<Element, { kind: 'wire' }>): number =>
  e.piece && e.run !== undefined
    ? pieceOf(feedPieces(bench, circuitsOf(job)[e.run]!), e.piece)
    : bench.value(`conductors.${e.conductor!}.lengthM`)

const shelfOf = <K extends PartKind>(shelf: readonly Part[], kind: K): PartOf<K>[] =>
  shelf.filter((p) => p.kind === kind) as PartOf<K>[]

const upTo = (m: number): number => Math.ceil(m * 10 - 1e-9) / 10

function shoppingOf(
  job: Job,
  shelf: readonly Part[],
  totals: CutList['totals'],
  joints: CutList['joints'],
  sleeves: ReadonlyMap<string, number>,
): ShoppingLine[] {
  const wire = totals.map(({ size, colour, insulationC, metres }): ShoppingLine => {
    const reels = shelfOf(shelf, 'conductor').filter((p) => p.size === size && p.insulationC >= insulationC)
    const own = reels.filter((p) => p.colour.toLowerCase() === colour.toLowerCase())
    const most = Math.max(0, ...own.map((p) => p.stockM))
    const other = reels.find((p) => p.stockM >= metres)
    return {
      what: `${size} ${colour}, ${insulationC} °C`,
      count: upTo(metres),
      unit: 'm',
      has: most >= metres ? 'on the shelf' : most > 0 ? 'too little' : 'lacking',
      note:
        most >= metres
          ? own.find((p) => p.stockM >= metres)!.name
          : other
            ? `${other.colour} would do, mark its ends`
            : most > 0
              ? `${format(most, 'run', job.units)} left`
              : '',
    }
  })
  const parts = (
    kind: 'relay' | 'switch',
    chosen: readonly { readonly part: { readonly id: string; readonly name: string } }[],
  ): ShoppingLine[] =>
    chosen.map(({ part }) => ({
      what: part.name,
      count: 1,
      unit: '',
      has: shelf.some((p) => p.kind === kind && p.id === part.id) ? 'on the shelf' : 'lacking',
      note: '',
    }))
  const fuses = job.fuses.map((f): ShoppingLine => {
    const found = shelfOf(shelf, 'fuse').find(
      (p) => p.form === f.kind && p.ratingA === f.ratingA && (p.holderA === null || p.holderA >= f.ratingA),
    )
    const holder = shelfOf(shelf, 'fuse').find((p) => p.form === f.kind && p.holderA !== null && p.holderA >= f.ratingA)
    return {
      what: f.kind === 'blade' ? `${f.ratingA} A blade fuse, one spare, with its holder` : `${f.ratingA} A breaker`,
      count: f.kind === 'blade' ? 2 : 1,
      unit: '',
      has:
        found && (f.kind === 'breaker' || found.holderA !== null || holder)
          ? 'on the shelf'
          : found
            ? 'too little'
            : 'lacking',
      note: found
        ? found.holderA !== null
          ? found.name
          : holder
            ? `holder: ${holder.name}`
            : 'the fuse is there, its holder is not'
        : holder
          ? `holder: ${holder.name}; the fuse is not`
          : '',
    }
  })
  const { wiring } = job
  const small: ShoppingLine[] = [
    ...joints.map((j): ShoppingLine => ({ what: j.name, count: j.count, unit: '', has: 'in the drawer', note: '' })),
    ...[...sleeves].map(([what, m]): ShoppingLine => ({
      what,
      count: upTo(m),
      unit: 'm',
      has: 'in the drawer',
      note: '',
    })),
    ...(wiring.timer
      ? [
          {
            what: 'after-run timer',
            count: 1,
            unit: '' as const,
            has: 'lacking' as const,
            note: 'and a diode that keeps it out of the ignition',
          },
        ]
      : []),
    ...(wiring.call
      ? [{ what: "diode for the other system's call", count: 1, unit: '' as const, has: 'lacking' as const, note: '' }]
      : []),
    ...(wiring.lamp
      ? [{ what: 'indicator lamp', count: 1, unit: '' as const, has: 'lacking' as const, note: '' }]
      : []),
    ...(wiring.override !== 'none' && wiring.overrideSwitch === null
      ? [{ what: 'override switch', count: 1, unit: '' as const, has: 'lacking' as const, note: 'not chosen yet' }]
      : []),
    ...(wiring.isolator && wiring.isolatorSwitch === null
      ? [{ what: 'isolator', count: 1, unit: '' as const, has: 'lacking' as const, note: 'not chosen yet' }]
      : []),
  ]
  return [
    ...wire,
    ...fuses,
    ...parts(
      'relay',
      job.relays.filter((r) => job.runs.some((x) => x.relay === r.id)),
    ),
    ...parts(
      'switch',
      job.switches.filter((s) => s.id === wiring.overrideSwitch || s.id === wiring.isolatorSwitch),
    ),
    ...small,
  ]
}

/**
 * Every wire of the job's circuit as it is cut, terminated, sleeved and marked, and what has to be there for it.
 * @param shelf what the workshop has
 * @see engineering §1.1, §7
 */
export function cutList(job: Job, shelf: readonly Part[]): CutList {
  const bench = new Bench(lookupOf(job))
  const { net, rows } = provedCircuit(job)
  const most = (name: string): number =>
    rows.reduce((m, r) => r.states.reduce((n, s) => Math.max(n, Math.abs(s.solution.amps.get(name) ?? 0)), m), 0)
  const wires = net.elements
    .flatMap((e): Omit<CutWire, 'number'>[] => {
      if (e.kind !== 'wire' || e.conductor === null) return []
      const c = job.conductors.find((x) => x.id === e.conductor)!
      const wayM = wayOf(job, bench, e)
      // contact and fan, or post and fuse, side by side: nothing is cut between them
      if (wayM <= 0) return []
      const ends = [endAt(job, net.nodes, e.a), endAt(job, net.nodes, e.b)] as const
      const zoneC = bench.value(`conductors.${c.id}.ambientC`)
      const amps = most(e.name)
      const own = { insulationC: c.insulationC, ambientC: zoneC, bundled: c.bundled }
      const getsC = c.size
        ? conductorTemperature(
            amps,
            allowedCurrent(
              c.size,
              conductorAt(bench, {
                ...c,
                at: { lengthM: `conductors.${c.id}.lengthM`, ambientC: `conductors.${c.id}.ambientC` },
              }),
            ).value,
            own,
          )
        : zoneC
      return [
        {
          label: `${roleNames[c.role]}: ${ends[0].at} to ${ends[1].at}`,
          conductor: c.id,
          size: c.size,
          colour: c.colour,
          insulationC: c.insulationC,
          wayM,
          cutM: Math.round(1000 * (SPARE * wayM + (wayM < NO_LOOP_BELOW_M ? 0 : LOOP_M))) / 1000,
          ends,
          sleeve: sleeveFor(job, zoneC),
          zoneC,
          getsC,
          hotEnough: getsC <= c.insulationC,
          amps,
        },
      ]
    })
    .map((w, i): CutWire => ({ number: i + 1, ...w }))
  const grouped = new Map<string, { size: WireSize; colour: string; insulationC: number; metres: number }>()
  for (const w of wires) {
    if (!w.size) continue
    const key = `${w.size}|${w.colour}|${w.insulationC}`
    const old = grouped.get(key)
    grouped.set(key, {
      size: w.size,
      colour: w.colour,
      insulationC: w.insulationC,
      metres: (old?.metres ?? 0) + w.cutM,
    })
  }
  const count = new Map<TerminalKind, number>()
  for (const w of wires) for (const end of w.ends) count.set(end.kind, (count.get(end.kind) ?? 0) + 1)
  const joints = [...count].map(([kind, n]) => ({ kind, name: terminals[kind].name, count: n }))
  const sleeves = new Map<string, number>()
  for (const w of wires) sleeves.set(w.sleeve, (sleeves.get(w.sleeve) ?? 0) + w.wayM)
  const totals = [...grouped.values()]
  return {
    wires,
    totals,
    joints,
    shopping: shoppingOf(job, shelf, totals, joints, sleeves),
    labels: wires.flatMap((w) => w.ends.map((end) => `${w.number} ${end.at}`)),
    problems: [
      ...net.problems.map((p) => p.text),
      ...wires
        .filter((w) => !w.hotEnough)
        .map(
          (w) =>
            `${w.label}: gets ${format(w.getsC, 'temperature', job.units, 3)}, its insulation is for ` +
            `${w.insulationC} °C.`,
        ),
    ],
  }
}
