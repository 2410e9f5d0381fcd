import { GROUND, type Piece } from '../circuit'
import { bladeFuseOhm, CRIMP_OHM, FRAME_OHM, RING_OHM } from '../electrical'
import { type FanCircuit, ratingOf, runCurrent } from '../fan-circuit'
import { sharesContact } from '../job'
import type { Bench } from '../reading'
import { type Builder, SWITCH_OHM } from './builder'
import { feedsFrom, switchRating } from './feeds'

/** no piece of wire is shorter, m */
const STRAY_M = 0.01

/** The nodes that one fan's way is known by. */
export interface Ends {
  readonly feed: string
  readonly fanPlus: string
  readonly fanMinus: string
  readonly switchIn: string
  readonly switchOut: string
}

/**
 * Pieces of a run's feed: post to fuse, fuse to contact, contact to fan, m.
 * @throws never: what does not add up is said
 */
export function feedPieces(
  bench: Bench,
  run: FanCircuit,
): { readonly toFuseM: number; readonly toContactM: number; readonly toFanM: number; readonly fits: boolean } {
  const feed = run.conductors.find((c) => c.role === 'feed')
  const total = feed ? bench.value(feed.at.lengthM) : 0
  const toFanM = bench.value(`runs.${run.run.id}.switchAtM`)
  const toFuseM = run.fuse ? bench.value(`fuses.${run.fuse.id}.fromPostM`) : 0
  const toContactM = total - toFanM - toFuseM
  const fits = toContactM >= STRAY_M
  return fits
    ? { toFuseM, toContactM, toFanM, fits }
    : {
        toFuseM: Math.min(toFuseM, total / 3),
        toContactM: Math.max(STRAY_M, total / 3),
        toFanM: Math.max(STRAY_M, total / 3),
        fits,
      }
}

/** Length of one piece of a feed, m. */
export function pieceOf({ toFuseM, toContactM, toFanM }: ReturnType<typeof feedPieces>, piece: Piece): number {
  return { 'to fuse': toFuseM, 'to contact': toContactM, 'to fan': toFanM, 'fuse to fan': toContactM + toFanM }[piece]
}

/** One fan with its own way out and back; what it shares with an earlier run is left out. */
export function fanRun(b: Builder, circuit: FanCircuit, n: number, before: readonly FanCircuit[]): Ends {
  const { job, bench } = b
  const { run, fan, fuse, conductors } = circuit
  const feed = conductors.find((c) => c.role === 'feed')
  const back = conductors.find((c) => c.role === 'return')
  const current = fan ? runCurrent(bench, fan).value : 0
  const shared = before.findIndex((o) => sharesContact(o.run, run))
  const fuseOf = fuse ? before.findIndex((o) => o.run.fuse === fuse.id) : -1
  const pieces = feedPieces(bench, circuit)
  const joints = (run.crimps * CRIMP_OHM + run.rings * RING_OHM) / 2
  const tag = `${n + 1}`
  if (!feed) b.say(`There is no feed for fan ${tag}.`, `fan${tag}`, 'refused')
  if (!back && !run.frame) b.say(`There is no way back for fan ${tag}.`, `fan${tag}`, 'refused')
  if (feed && !pieces.fits && shared < 0)
    b.say(
      'The feed is shorter than its pieces: fuse to post and contact to fan add up to more than its whole length. ' +
        'Measure it again.',
      `feed${tag}_b`,
      'warns',
    )
  const ohm = (lengthM: number): number => (feed ? b.piece(feed, lengthM, current) : SWITCH_OHM)
  const direct = run.switchedBy === 'controller'
  const groundSide = job.wiring.side === 'ground'
  let feedNode: string
  const own = { fan: n + 1, by: run.switchedBy }
  const at = {
    in: b.node(`switch${tag}_in`, { is: 'contact, in', ...own }),
    out: b.node(`switch${tag}_out`, { is: 'contact, out', ...own }),
    plus: b.node(`fan${tag}_plus`, { is: 'fan +', fan: n + 1 }),
    minus: b.node(`fan${tag}_minus`, { is: 'fan −', fan: n + 1 }),
  }
  let switchOut = at.out
  if (shared >= 0) {
    switchOut = `switch${shared + 1}_out`
    feedNode = `switch${shared + 1}_in`
    b.wire(
      `feed${tag}_c`,
      `feed of fan ${tag}`,
      direct && groundSide ? `fan${shared + 1}_plus` : switchOut,
      at.plus,
      ohm(feed ? bench.value(feed.at.lengthM) : 0) + joints,
      feed?.id ?? null,
      { run: n },
    )
  } else {
    const source = feedsFrom[run.source](b)
    let node = source
    if (fuseOf >= 0)
      node = job.wiring.isolator ? (fuseOf === 0 ? 'isolated' : `isolated${fuseOf + 1}`) : `fuse${fuseOf + 1}_out`
    else if (fuse) {
      b.wire(
        `feed${tag}_a`,
        'feed, source to fuse',
        node,
        b.node(`fuse${tag}_in`, { is: 'fuse', fan: n + 1 }),
        ohm(pieceOf(pieces, 'to fuse')) + RING_OHM,
        feed?.id ?? null,
        { run: n, piece: 'to fuse' },
      )
      b.add({
        kind: 'fuse',
        run: n,
        name: `fuse${tag}`,
        label: fuse.kind === 'blade' ? `fuse, ${fuse.ratingA} A` : `breaker, ${fuse.ratingA} A`,
        a: `fuse${tag}_in`,
        b: b.node(`fuse${tag}_out`, { is: 'fuse, behind', fan: n + 1 }),
        ohm: bladeFuseOhm(fuse.ratingA),
        ratingA: fuse.ratingA,
        form: fuse.kind,
      })
      node = `fuse${tag}_out`
    } else b.say(`No fuse in the feed of fan ${tag}.`, `feed${tag}_b`)
    if (job.wiring.isolator && fuseOf < 0) {
      const [name, isolated] = n === 0 ? ['isolator', 'isolated'] : [`isolator${tag}`, `isolated${tag}`]
      b.add({
        kind: 'switch',
        run: n,
        name,
        label: 'isolator',
        by: 'isolator',
        a: node,
        b: b.node(isolated, { is: 'isolator' }),
        ohm: SWITCH_OHM,
        rating: switchRating(job, job.wiring.isolatorSwitch),
      })
      node = isolated
    }
    feedNode = direct && groundSide ? at.plus : at.in
    b.wire(
      `feed${tag}_b`,
      direct && groundSide ? 'feed, fuse to fan' : 'feed, fuse to contact',
      node,
      feedNode,
      ohm(pieceOf(pieces, direct && groundSide ? 'fuse to fan' : 'to contact')) + joints / 2,
      feed?.id ?? null,
      { run: n, piece: direct && groundSide ? 'fuse to fan' : 'to contact' },
    )
    if (!(direct && groundSide))
      b.wire(
        `feed${tag}_c`,
        'feed, contact to fan',
        at.out,
        at.plus,
        ohm(pieceOf(pieces, 'to fan')) + joints / 2,
        feed?.id ?? null,
        { run: n, piece: 'to fan' },
      )
  }
  if (fan) {
    const rating = ratingOf(bench, fan)
    const [plus, minus] = fan.wiresSwapped ? [at.minus, at.plus] : [at.plus, at.minus]
    b.add({
      kind: 'motor',
      run: n,
      name: `fan${tag}`,
      label: job.runs.length > 1 ? `${fan.part.name}, fan ${tag}` : fan.part.name,
      fan: fan.id,
      a: plus,
      b: minus,
      rating,
      jammed: false,
      reversed: fan.wiresSwapped,
    })
    if (fan.wiresSwapped && fan.part.motor === 'brushless')
      b.say(
        'A brushless fan must never have its wires swapped: that destroys it or does nothing.',
        `fan${tag}`,
        'warns',
      )
  } else {
    b.say('No fan chosen: reckoned as a usual one of 5 A.', `fan${tag}`)
    b.add({
      kind: 'motor',
      run: n,
      name: `fan${tag}`,
      label: 'fan, not chosen yet',
      fan: 'none',
      a: at.plus,
      b: at.minus,
      rating: { motor: 'brushed', ratedV: job.machine.systemV, ratedA: 5, lockedA: null, diameterM: 0.2 },
      jammed: false,
    })
  }
  const joined = direct && groundSide && shared >= 0
  const frameNode = joined ? `fan${shared + 1}_minus` : run.frame ? b.node(`frame${tag}`, { is: 'frame' }) : GROUND
  const backFrom = direct && groundSide && !joined ? `output${tag}_low` : at.minus
  b.wire(
    `return${tag}`,
    'way back',
    backFrom,
    frameNode,
    (back ? b.piece(back, bench.value(back.at.lengthM), current) : RING_OHM) + joints,
    back?.id ?? null,
    { run: n },
  )
  if (run.frame && !joined) b.wire(`frame${tag}_path`, 'frame as the way back', frameNode, GROUND, FRAME_OHM)
  return {
    feed: feedNode,
    fanPlus: at.plus,
    fanMinus: at.minus,
    switchIn: shared >= 0 ? `switch${shared + 1}_in` : at.in,
    switchOut,
  }
}
