import { GROUND } from '../circuit'
import { controlKindOf } from '../control'
import { bladeFuseOhm, CRIMP_OHM, FRAME_OHM, RING_OHM, SWITCH_OHM } from '../electrical'
import { type FanCircuit, ratingOf, type RunConductor, runningAmps } from '../fan-circuit'
import { sharesContact } from '../job'
import { type Builder } from './builder'
import { type FeedPieces, feedPieces, pieceOf } from './feed-pieces'
import { feedsFrom, switchRating } from './feeds'
import { say } from '../words'

/** The nodes that one fan's way is known by. */
export interface Ends {
  readonly feed: string
  readonly fanPlus: string
  readonly fanMinus: string
  readonly switchIn: string
  readonly switchOut: string
  /** its contact stands behind the fan */
  readonly behind: boolean
}

/** One fan's way while it is laid. */
interface Laying {
  readonly b: Builder
  readonly circuit: FanCircuit
  readonly n: number
  readonly before: readonly FanCircuit[]
  /** the run whose contact it shares; −1 for its own */
  readonly shared: number
  readonly feed: RunConductor | undefined
  readonly back: RunConductor | undefined
  readonly pieces: FeedPieces
  /** joints of the run, half of them each way, ohm */
  readonly joints: number
  /** the contact stands behind the fan, in a controller */
  readonly behind: boolean
  readonly at: { readonly in: string; readonly out: string; readonly plus: string; readonly minus: string }
}

function laying(b: Builder, circuit: FanCircuit, n: number, before: readonly FanCircuit[]): Laying {
  const { run, conductors } = circuit
  const own = { fan: n + 1, by: run.switchedBy }
  const tag = `${n + 1}`
  return {
    b,
    circuit,
    n,
    before,
    shared: before.findIndex((o) => sharesContact(o.run, run)),
    feed: conductors.find((c) => c.role === 'feed'),
    back: conductors.find((c) => c.role === 'return'),
    pieces: feedPieces(b.bench, circuit, b.job.wiring.isolator),
    joints: (run.crimps * CRIMP_OHM + run.rings * RING_OHM) / 2,
    // pulses are drawn on the positive side
    behind:
      run.switchedBy === 'controller' &&
      b.job.wiring.side === 'ground' &&
      !(circuit.controller && controlKindOf(circuit.controller.part).pulses),
    at: {
      in: b.node(`switch${tag}_in`, { is: 'contact, in', ...own }),
      out: b.node(`switch${tag}_out`, { is: 'contact, out', ...own }),
      plus: b.node(`fan${tag}_plus`, { is: 'fan +', fan: n + 1 }),
      minus: b.node(`fan${tag}_minus`, { is: 'fan −', fan: n + 1 }),
    },
  }
}

const ohmOf = ({ b, circuit }: Laying, c: RunConductor | undefined, lengthM: number): number =>
  c ? b.piece(c, lengthM, circuit.fan ? runningAmps(b.bench, circuit.fan) : 0) : SWITCH_OHM

/** What is wrong with the way before it is laid. */
function sayWhatLacks({ b, circuit, n, feed, back, pieces, shared }: Laying): void {
  const tag = `${n + 1}`
  if (!feed) b.say(say`There is no feed for fan ${tag}.`, `fan${tag}`, 'refused')
  if (!back && !circuit.run.frame) b.say(say`There is no way back for fan ${tag}.`, `fan${tag}`, 'refused')
  if (feed && !pieces.fits && shared < 0)
    b.say(
      say`The feed is shorter than its pieces: fuse to post and contact to fan add up to more than its whole length.
        Measure it again.`,
      `feed${tag}_b`,
      'warns',
    )
}

/** From the source to behind its fuse; what an earlier fan's fuse already guards begins there. */
function fused(laid: Laying): string {
  const { b, circuit, n, before, feed, pieces } = laid
  const { run, fuse } = circuit
  const tag = `${n + 1}`
  const sharedFuse = fuse ? before.findIndex((o) => o.run.fuse === fuse.id) : -1
  if (sharedFuse >= 0) return b.job.wiring.isolator ? `isolated${sharedFuse + 1}` : `fuse${sharedFuse + 1}_out`
  const source = feedsFrom[run.source](b)
  if (!fuse) {
    b.say(say`No fuse in the feed of fan ${tag}.`, `feed${tag}_b`)
    return isolated(laid, source)
  }
  b.wire(
    `feed${tag}_a`,
    say`feed, source to fuse`,
    source,
    b.node(`fuse${tag}_in`, { is: 'fuse', fan: n + 1 }),
    ohmOf(laid, feed, pieceOf(pieces, 'to fuse')) + RING_OHM,
    feed?.id ?? null,
    { run: n, piece: 'to fuse' },
  )
  b.add({
    kind: 'fuse',
    run: n,
    name: `fuse${tag}`,
    label: fuse.kind === 'breaker' ? say`breaker, ${fuse.ratingA} A` : say`fuse, ${fuse.ratingA} A`,
    a: `fuse${tag}_in`,
    b: b.node(`fuse${tag}_out`, { is: 'fuse, behind', fan: n + 1 }),
    ohm: bladeFuseOhm(fuse.ratingA),
    ratingA: fuse.ratingA,
    form: fuse.kind,
  })
  return isolated(laid, `fuse${tag}_out`)
}

/** Past the isolator, where there is one, by a wire of its own. */
function isolated(laid: Laying, from: string): string {
  const { b, n, feed, pieces } = laid
  if (!b.job.wiring.isolator) return from
  const tag = `${n + 1}`
  const entry = b.node(`isolator${tag}_in`, { is: 'isolator, in', fan: n + 1 })
  b.wire(
    `feed${tag}_i`,
    say`feed, fuse to isolator`,
    from,
    entry,
    ohmOf(laid, feed, pieceOf(pieces, 'to isolator')),
    feed?.id ?? null,
    { run: n, piece: 'to isolator' },
  )
  b.add({
    kind: 'switch',
    run: n,
    name: n === 0 ? 'isolator' : `isolator${tag}`,
    label: say`isolator`,
    by: 'isolator',
    a: entry,
    b: b.node(`isolated${tag}`, { is: 'isolator, out', fan: n + 1 }),
    ohm: SWITCH_OHM,
    rating: switchRating(b.job, b.job.wiring.isolatorSwitch),
  })
  return `isolated${tag}`
}

/** The way out: by its own fuse and contact, or from the contact that an earlier fan has. */
function out(laid: Laying): Pick<Ends, 'feed' | 'switchIn' | 'switchOut'> {
  const { b, n, shared, feed, pieces, joints, behind, at } = laid
  const tag = `${n + 1}`
  if (shared >= 0) {
    const switchOut = `switch${shared + 1}_out`
    b.wire(
      `feed${tag}_c`,
      say`feed of fan ${tag}`,
      behind ? `fan${shared + 1}_plus` : switchOut,
      at.plus,
      ohmOf(laid, feed, feed ? b.bench.value(feed.at.lengthM) : 0) + joints,
      feed?.id ?? null,
      { run: n },
    )
    return { feed: `switch${shared + 1}_in`, switchIn: `switch${shared + 1}_in`, switchOut }
  }
  const from = fused(laid)
  const ends = behind ? at.plus : at.in
  const piece = behind ? 'fuse to fan' : 'to contact'
  b.wire(
    `feed${tag}_b`,
    behind ? say`feed, fuse to fan` : say`feed, fuse to contact`,
    from,
    ends,
    ohmOf(laid, feed, pieceOf(pieces, piece)) + joints / 2,
    feed?.id ?? null,
    { run: n, piece },
  )
  if (!behind)
    b.wire(
      `feed${tag}_c`,
      say`feed, contact to fan`,
      at.out,
      at.plus,
      ohmOf(laid, feed, pieceOf(pieces, 'to fan')) + joints / 2,
      feed?.id ?? null,
      { run: n, piece: 'to fan' },
    )
  return { feed: ends, switchIn: at.in, switchOut: at.out }
}

/** The fan itself, or one that stands for it. */
function motor({ b, circuit: { fan }, n, at }: Laying): void {
  const tag = `${n + 1}`
  if (!fan) {
    b.say(say`No fan chosen: reckoned as a usual one of 5 A.`, `fan${tag}`)
    b.add({
      kind: 'motor',
      run: n,
      name: `fan${tag}`,
      label: say`fan, not chosen yet`,
      fan: 'none',
      a: at.plus,
      b: at.minus,
      rating: { motor: 'brushed', ratedV: b.job.machine.systemV, ratedA: 5, lockedA: null, diameterM: 0.2 },
      jammed: false,
    })
    return
  }
  const [plus, minus] = fan.wiresSwapped ? [at.minus, at.plus] : [at.plus, at.minus]
  b.add({
    kind: 'motor',
    run: n,
    name: `fan${tag}`,
    label: b.job.runs.length > 1 ? say`${fan.part.name}, fan ${tag}` : fan.part.name,
    fan: fan.id,
    a: plus,
    b: minus,
    rating: ratingOf(b.bench, fan),
    jammed: false,
    reversed: fan.wiresSwapped,
  })
  if (fan.wiresSwapped && fan.part.motor === 'brushless')
    b.say(
      say`A brushless fan must never have its wires swapped: that destroys it or does nothing.`,
      `fan${tag}`,
      'warns',
    )
}

/** The way back, through a controller that stands behind the fan, and through the frame where that carries it. */
function back(laid: Laying): void {
  const { b, circuit, n, shared, back: conductor, pieces, joints, behind, at } = laid
  const tag = `${n + 1}`
  const joined = behind && shared >= 0
  const home = circuit.run.frame && !joined ? b.node(`frame${tag}`, { is: 'frame' }) : GROUND
  const end = joined ? `switch${shared + 1}_in` : home
  const lengthM = conductor ? b.bench.value(conductor.at.lengthM) : 0
  const ohm = (m: number): number => (conductor ? ohmOf(laid, conductor, m) : RING_OHM)
  const id = conductor?.id ?? null
  if (behind && !joined) {
    b.wire(
      `return${tag}_a`,
      say`way back, fan to
      contact`,
      at.minus,
      at.in,
      ohm(pieces.backToContactM) + joints / 2,
      id,
      {
        run: n,
        piece: 'fan to contact',
      },
    )
    b.wire(
      `return${tag}`,
      say`way back, contact to ground`,
      `output${tag}_low`,
      end,
      ohm(pieces.backToGroundM) + joints / 2,
      id,
      { run: n, piece: 'contact to ground' },
    )
  } else b.wire(`return${tag}`, say`way back`, at.minus, end, ohm(lengthM) + joints, id, { run: n })
  if (circuit.run.frame && !joined)
    b.wire(`frame${tag}_path`, say`frame as the way back`, home, GROUND, FRAME_OHM, null, { loom: true })
}

/** One fan with its own way out and back; what it shares with an earlier run is left out. */
export function fanRun(b: Builder, circuit: FanCircuit, n: number, before: readonly FanCircuit[]): Ends {
  const laid = laying(b, circuit, n, before)
  sayWhatLacks(laid)
  const ends = out(laid)
  motor(laid)
  back(laid)
  return { ...ends, fanPlus: laid.at.plus, fanMinus: laid.at.minus, behind: laid.behind }
}
