import { example } from '../../formats/test-support/examples'
import { doubtSeen, type Job, jobSchema, lookupOf } from '../job'
import { drawnMargins, evaluate, judge } from '../margins'
import { Bench, effectiveNumber, triangularQuantile, type Weighing } from '../reading'
import { asSigned, keepsSignature } from '../plan'
import { withLearnt } from './learnt'
import { logLikelihood, misfit } from './likelihood'
import { candidatesFor } from './candidates'
import { predict, type Prediction } from './predict'
import { beforeAndAfter } from './before-after'
import { claimHeld } from './claims'
import { complaintSeen, countingIn } from './seen'
import { AT, climb, type Counted, observation, watch } from './test-support/observations'
import { airBand, evidenceOf, twin } from './test-support/twin'
import { weighed } from './weigh'
import { silentInWords } from './words'
import { worthOf } from './worth'

const silent = (job: Job): Job => ({ ...job, complaint: { ...job.complaint, after: null, aboveC: null } })
const bike = silent(example('fell-bike-short-at-idle'))

describe('twins: a hidden machine, its own runs as what was seen, with noise', () => {
  const buggy = silent(example('vineyard-buggy-unsure'))
  const twins = Array.from({ length: 5 }, (_, n) => {
    const { air, shown, noise } = twin(buggy, 7919 * (n + 1), [climb, watch])
    const off = (sigma: number): number => Math.exp(triangularQuantile(noise(), -2.45 * sigma, 0, 2.45 * sigma))
    const boils = shown[0]!.value
    const job = {
      ...buggy,
      observations: [
        Number.isFinite(boils) && boils < 1800
          ? { ...climb, seen: Math.max(1, boils * off(0.35)), forS: 1800 }
          : { ...climb, seen: null, forS: 900 },
        ...(Number.isFinite(shown[1]!.value) ? [{ ...watch, seen: shown[1]!.value * off(0.1) }] : []),
      ],
    }
    return { job, air, weighing: weighed(job)! }
  })
  const [low, high] = airBand(buggy, null)
  test('in at least four of five the 5th-to-95th of Air holds the truth, and none is called a contradiction', () => {
    expect(twins.filter((t) => t.weighing.contradiction)).toEqual([])
    const held = twins.filter(({ job, air, weighing }) => {
      const [from, to] = airBand(job, weighing)
      return air >= from && air <= to
    })
    expect(held.length).toBeGreaterThanOrEqual(4)
  })
  test('a complaint and one stopwatch test halve the width of Air', () => {
    const both = twins.filter(({ job }) => job.observations.length === 2)
    expect(both.length).toBeGreaterThan(1)
    const widths = both.map(({ job, weighing }) => {
      const [from, to] = airBand(job, weighing)
      return (to - from) / (high - low)
    })
    expect(widths.reduce((a, b) => a + b, 0) / both.length).toBeLessThan(0.5)
  })
  test('guards stand as they stood, and what was typed too', () => {
    const { job, weighing } = twins[0]!
    const told = (evidence: Weighing | null) =>
      judge(job, evidenceOf(job, evidence)).margins.filter((m) => ['wire', 'fuse', 'contacts'].includes(m.id))
    expect(told(weighing)).toEqual(told(null))
    for (const r of weighing.informed) expect(lookupOf(job)(r.address).reading.value).toBe(r.was.value)
  })
  test('in which order it was seen does not matter', () => {
    const { job, weighing } = twins[1]!
    const back = weighed({ ...job, observations: [...job.observations].reverse() })!
    expect(back.effective).toBeCloseTo(weighing.effective, 6)
    expect(back.informed.map((r) => r.address).sort()).toEqual(weighing.informed.map((r) => r.address).sort())
  })
})

describe('what cannot both be right', () => {
  test('a climb that boils in a minute at frost: told, nothing narrowed, and what would have to move', () => {
    const job = { ...bike, observations: [{ ...climb, airC: -10, seen: 60, forS: 60, how: 'by a watch' as const }] }
    const { contradiction, informed, weights, seen } = weighed(job)!
    expect(contradiction).not.toBeNull()
    expect(contradiction!.move.length).toBeGreaterThan(0)
    expect([informed, weights]).toEqual([[], []])
    expect(seen[0]!.agrees).toBe(false)
  })
  test('two that disagree: the one that, left out, lets the other stand; doubted, the other counts alone', () => {
    const [p] = twin(bike, 11, [watch]).shown
    const good = { ...watch, seen: p!.value }
    const bad = { ...watch, id: 'bad', seen: p!.value * 12 }
    const both = weighed({ ...bike, observations: [good, bad] })!
    expect(both.contradiction?.leaveOut).toBe('bad')
    const doubted = weighed({ ...bike, observations: [good, { ...bad, doubted: true }] })!
    expect(doubted.contradiction).toBeNull()
    expect(doubted.informed).toEqual(weighed({ ...bike, observations: [good] })!.informed)
    expect(doubted.seen.find((s) => s.id === 'bad')!.apart).toBe('it is doubted')
  })
})

describe('likelihood, by hand', () => {
  const at = (value: number, overK: number | null = null): Prediction => ({
    value,
    overK,
    horizonS: 3600,
    slopeKs: null,
    wantingK: null,
  })
  test('a remembered time: ln(900/720) over 0.35; a watch is no nearer than the model’s tenth', () => {
    expect(logLikelihood(at(900), { ...climb, seen: 720 })).toBeCloseTo(-0.5 * (0.22314 / 0.35) ** 2, 4)
    expect(logLikelihood(at(900), { ...watch, seen: 720 })).toBeCloseTo(-0.5 * (0.22314 / 0.1) ** 2, 3)
  })
  test('a thermometer: the model’s 2 K; 4 K out are two σ', () => {
    const seen = observation({ kind: 'temperature', seen: 50, forS: 600, how: 'by a thermometer' })
    expect(misfit(at(54), seen)).toBe(2)
  })
  test('“did not boil” is a bound: 2 K to spare 0.841, at the line a half', () => {
    const not = { ...climb, seen: null }
    expect(Math.exp(logLikelihood(at(Number.POSITIVE_INFINITY, -2), not))).toBeCloseTo(0.8413, 3)
    expect(Math.exp(logLikelihood(at(900), not))).toBeCloseTo(0.5, 6)
  })
  test('never above 100: a machine that gets to 104 is two σ of 2 K beyond, told in the normal’s tail', () => {
    const never = observation({ kind: 'hottest', toC: 100, forS: 600, how: 'by a thermometer' })
    expect(Math.exp(logLikelihood(at(104), never))).toBeCloseTo(0.02275, 4)
  })
  test('effective number: (Σw)²/Σw²', () => {
    expect(effectiveNumber([0.5, 0.5])).toBeCloseTo(2)
    expect(effectiveNumber([0.7, 0.1, 0.1, 0.1])).toBeCloseTo(1 / 0.52)
  })
})

describe('the complaint', () => {
  const spoken = example('fell-bike-short-at-idle')
  test('counts once a figure is said, and is doubted away', () => {
    expect(complaintSeen(bike)).toBeNull()
    expect(complaintSeen(spoken)).toMatchObject({ kind: 'boiled', work: 'slow', airC: 18, seen: 720 })
    expect(weighed({ ...spoken, complaint: { ...spoken.complaint, doubted: true } })!.informed).toEqual([])
  })
  test('a trailer’s is of where it stands by itself; one that is no temperature says why it tells nothing', () => {
    const trailer = example('market-cold-trailer')
    const { after, aboveC } = trailer.complaint
    expect(complaintSeen(trailer)).toMatchObject({ work: 'alone', seen: after!.value, airC: aboveC!.value })
    expect(complaintSeen({ ...trailer, complaint: { ...trailer.complaint, what: 'boils' } })).toBeNull()
    const stumbles: Job = { ...spoken, complaint: { ...spoken.complaint, what: 'stumbles when hot' } }
    expect(complaintSeen(stumbles)).toBeNull()
    expect(silentInWords(stumbles)).toMatch(/tells nothing of the heat: that it stumbles has causes besides heat/)
    expect([silentInWords(spoken), silentInWords(silent(stumbles))]).toEqual([null, null])
  })
  test('with nothing else chosen it tells something all the same', () => {
    const bare = {
      ...spoken,
      fans: [],
      controllers: [],
      runs: spoken.runs.map((r) => ({ ...r, fan: null, controller: null })),
    }
    expect(weighed(bare)!.informed.length).toBeGreaterThan(0)
  })
})

test('what knowing a figure would take of the doubt agrees with having taken it', () => {
  const seen = candidatesFor(bike).find((c) => c.kind === 'warm-up')!
  const { x } = drawnMargins(bike).find((m) => m.margin.id === 'air')!
  const lookup = lookupOf(bike)
  const doubtOf = (job: Job, evidence: Weighing | null): number => {
    const p = judge(job, evidenceOf(job, evidence)).margins.find((m) => m.id === 'air')!.chanceShort!
    return p * (1 - p)
  }
  const taken = Array.from({ length: 3 }, (_, n) => {
    const { value } = twin(bike, 104729 * (n + 1), [seen]).shown[0]!
    const job = { ...bike, observations: [observation({ ...seen, id: 'taken', seen: value })] }
    return doubtOf(job, weighed(job))
  })
  const really = 1 - taken.reduce((a, b) => a + b, 0) / taken.length / doubtOf(bike, null)
  const { drawn } = drawnMargins(bike).find((m) => m.margin.id === 'air')!
  const values = Array.from(
    x!,
    (_, k) => predict(new Bench(lookup, new Map([...drawn.drawn].map(([a, v]) => [a, v[k]!]))), bike, seen).value,
  )
  const told = worthOf(
    values,
    Array.from(x!, (v) => (v < 0 ? 1 : 0)),
    Array.from(x!, () => 1 / x!.length),
  )
  expect(Math.abs(told.share - really)).toBeLessThan(0.25)
})

describe('figures of the proofs', () => {
  const proved = (job: Job, figures: Readonly<Record<string, number>>): Job => ({
    ...job,
    proofs: Object.entries(figures).map(([id, value]) => ({
      id,
      measured: { value, typed: `${value}` },
      answer: null,
      notProved: null,
      words: '',
      accepted: null,
      earlier: [],
      at: AT,
    })),
  })
  const fan = bike.fans[0]!
  const at = `fans.${fan.id}.part.ratedA`
  test('a clamp on the feed tells what the fan takes: a label ± 30 % and a clamp ± 5 %, by their precisions', () => {
    const label = { value: 4, source: 'label' as const, spread: 1.2 }
    const job = proved({ ...bike, fans: [{ ...fan, part: { ...fan.part, ratedA: label } }] }, { amps: 4.8 })
    const found = weighed(job)!.informed.find((r) => r.address === at)!
    expect(found.was).toEqual({ low: 2.8, value: 4, high: 5.2 })
    // brushed, 12 V label, near 13.6 V at its plug: it takes 1.29 times what is printed, 5.15 A ± 1.29 · 1.2/√6 = 0.63;
    // 4.8 ± 0.24 makes of it 4.84 ± 0.22, which is a label of 3.76 and, 5th to 95th, 0.57 wide
    expect(Math.abs(found.value - 3.76)).toBeLessThan(0.06)
    expect(Math.abs(found.high - found.low - 0.57)).toBeLessThan(0.12)
  })
  test('nineteen amps of a fan of five is nothing that can be of one machine: said, and nothing narrowed', () => {
    const told = weighed(proved(bike, { amps: 19 }))!
    expect(told.contradiction).not.toBeNull()
    expect(told.informed).toEqual([])
    expect(told.seen).toMatchObject([{ id: 'proof amps', seen: 19, agrees: false }])
  })
  test('what is seen after the signature leaves it on, and what is claimed too; a change of what was signed does not', () => {
    const signed = example('fell-bike-signed')
    const later = observation({ at: '2999-01-01T00:00:00.000Z', toC: 78, seen: 400, state: 'as fitted' })
    const seen = { ...signed, observations: [later] }
    expect(keepsSignature(signed, seen)).toBe(true)
    expect(asSigned(seen)).toEqual(signed)
    const claims = [{ id: 'c', what: 'fuel' as const, share: null, by: '', unit: 'l', runs: [] }]
    expect(keepsSignature(signed, { ...signed, claims })).toBe(true)
    // a clock that goes wrong takes no signature off; taking out or doubting what was there when it was signed does
    const early = { ...signed, observations: [{ ...later, at: '2000-01-01T00:00:00.000Z' }] }
    expect(keepsSignature(signed, early)).toBe(true)
    expect(keepsSignature(early, signed)).toBe(false)
    expect(keepsSignature(early, doubtSeen(early, later.id, true))).toBe(false)
    expect(keepsSignature(seen, doubtSeen(seen, later.id, true))).toBe(true)
    expect(keepsSignature(signed, { ...signed, complaint: { ...signed.complaint, doubted: true } })).toBe(false)
  })
  test('a proof without its figure, or of what is not chosen, tells nothing', () => {
    const { proofs } = proved(bike, { 'amps-nobody': 5 })
    expect(countingIn({ ...bike, proofs })).toEqual([])
    expect(countingIn({ ...bike, proofs: [{ ...proofs[0]!, id: 'amps', measured: null }] })).toEqual([])
  })
})

describe('awkward input', () => {
  const file = (o: Partial<Counted>) => jobSchema.safeParse({ ...bike, observations: [observation(o)] }).success
  test('what no observation can be is refused where it is read', () => {
    expect(file({ toC: 78, seen: 480 })).toBe(true)
    expect(file({ toC: 78, seen: -5 })).toBe(false)
    expect(file({ toC: null, seen: 480 })).toBe(false)
    expect(file({ kind: 'rise', fromC: 90, toC: 80, seen: 60 })).toBe(false)
    expect(file({ kind: 'boiled', seen: null, forS: 0 })).toBe(false)
    expect(file({ kind: 'warm-up', toC: 78, seen: null })).toBe(false)
  })
  test('of a fan that was not in yet, or not any more, or never: kept, and said why it tells nothing', () => {
    const early = observation({
      kind: 'fall',
      fromC: 95,
      toC: 85,
      seen: 60,
      state: 'as fitted',
      at: '1899-01-01T00:00:00.000Z',
    })
    const odd = { ...bike, observations: [early] }
    expect(countingIn(odd)).toEqual([])
    expect(weighed(odd)!.seen[0]!.apart).toMatch(/before this job/)
    const signature = { by: 'a', at: '2026-01-01T00:00:00.000Z', coreVersion: '1' }
    const late = { ...bike, signature, observations: [observation({ toC: 78, seen: 400 })] }
    expect(weighed(late)!.seen[0]!.apart).toMatch(/after what this job fits/)
    const noFan = { ...bike, observations: [observation({ kind: 'share', seen: 0.5, forS: 600 })] }
    expect(weighed(noFan)!.seen[0]!.apart).toMatch(/no electric fan/)
  })
  test('a hundred that all contradict each other end in words', () => {
    const many = Array.from({ length: 100 }, (_, i) =>
      observation({
        id: `o${i}`,
        toC: 78,
        seen: i % 2 ? 60 : 3000,
        at: `2026-11-25T14:${String(i % 60).padStart(2, '0')}:00.000Z`,
      }),
    )
    const told = weighed({ ...bike, observations: many })!
    expect(told.contradiction).not.toBeNull()
    expect(evaluate(bike, evidenceOf(bike, told)).contradiction).not.toBeNull()
  })
})

test('the next job on the machine begins with what was seen of it, where there would be a guess', () => {
  const before = example('fell-bike-short-at-idle')
  const weighing = weighed(before)!
  const told = weighing.informed.find((r) => r.address === 'engine.slowShare')!
  const begun: Job = { ...before, title: 'the next one' }
  const next = withLearnt(begun, before, weighing)
  expect(next.engine!.slowShare).toMatchObject({ source: 'seen', value: told.value })
  expect(next.engine!.slowShare.spread!).toBeCloseTo(Math.max(told.high - told.value, told.value - told.low))
  const measured = { ...begun, engine: { ...begun.engine!, slowShare: { value: 0.2, source: 'measured' as const } } }
  expect(withLearnt(measured as Job, before, weighing).engine!.slowShare.value).toBe(0.2)
  expect(withLearnt(begun, example('churchyard-digger-bay'), weighing)).toBe(begun)
})

describe('before and after', () => {
  const before = observation({ id: 'b', kind: 'rise', fromC: 84, toC: 96, seen: 240 })
  const after = (own: Partial<Counted>): Counted => ({ ...before, id: 'a', state: 'as fitted', ...own })
  const pair = (...seen: Job['observations']) => beforeAndAfter({ ...bike, observations: seen })[0]!
  test('a watch against a watch: twice as long is a difference, a sixth longer is none', () => {
    // each 10 % as no model is nearer, together 14.1 %; 1.645 of it each way
    const twice = pair(before, after({ seen: 480 }))
    expect(twice.told).toBe('better')
    expect(twice.change!.low).toBeCloseTo(2 * Math.exp(-1.645 * Math.SQRT2 * 0.1), 6)
    expect(pair(before, after({ seen: 280 })).told).toBe('no difference')
    expect(pair(before, after({ seen: 120 })).told).toBe('worse')
    expect(
      pair({ ...before, kind: 'fall', fromC: 96, toC: 84 }, after({ kind: 'fall', fromC: 96, toC: 84, seen: 120 }))
        .told,
    ).toBe('better')
  })
  test('boiled after 12 min, not once in 40: at least so many times as long, and no end', () => {
    const boiled = { ...climb, seen: 720 }
    const { told, change } = pair(boiled, { ...climb, id: 'a', state: 'as fitted', seen: null, forS: 2400 })
    expect([told, change!.high]).toEqual(['better', null])
    expect(change!.low).toBeCloseTo((2400 / 720) * Math.exp(-1.645 * 0.35), 6)
  })
  test('other air, other work, other temperatures, another place: not comparable, and why', () => {
    expect(pair(before, after({ airC: 26, seen: 900 })).because).toBe('the air differs by 8 K')
    expect(pair(before, after({ work: 'slow', seen: 900 })).because).toBe('another kind of work')
    expect(pair(before, after({ toC: 105, seen: 900 })).because).toBe('between other temperatures')
    const felt = { ...before, kind: 'felt' as const, place: 'front, top left', seen: 1 }
    expect(pair(felt, { ...felt, id: 'a', state: 'as fitted', place: 'Front, top left ', seen: 3 })).toMatchObject({
      told: 'better',
      change: { middle: 2 },
    })
    expect(pair(felt, { ...felt, id: 'a', state: 'as fitted', place: 'behind', seen: 4 }).told).toBe('not comparable')
  })
  test('a temperature counts over its own air: 96 at 22 against 108 at 18 is sixteen kelvins cooler, ± 9.3', () => {
    const hot = observation({ id: 'h', kind: 'hottest', work: 'slow', forS: 1200, seen: 108, how: 'by its gauge' })
    const { change, told } = pair(hot, { ...hot, id: 'a', state: 'as fitted', seen: 96, airC: 22 })
    expect([told, change!.middle]).toEqual(['better', -16])
    expect(change!.high! - change!.middle).toBeCloseTo(1.645 * Math.hypot(4, 4), 6)
  })
  test('what is felt by hand is never weighed; nor what was seen with a mechanical fan on', () => {
    const felt = { ...before, kind: 'felt' as const, place: 'front', seen: 1 }
    expect(weighed({ ...bike, observations: [felt] })!.seen[0]!.apart).toMatch(/compared/)
    const off = { ...example('fell-bike-short-at-idle'), mechanicalFan: { looked: [] }, observations: [before] }
    expect([countingIn(off), candidatesFor(off)]).toEqual([[], []])
    expect(weighed(off)!.seen.map((s) => s.apart)).toEqual([
      expect.stringMatching(/mechanical/),
      expect.stringMatching(/mechanical/),
    ])
  })
})

describe('claims', () => {
  const runs = (state: 'as it came' | 'as fitted', figures: readonly number[], airC = 18, way = 'home and back') =>
    figures.map((figure, i) => ({ id: `${state[3]}${i}`, at: AT, state, figure, airC, way }))
  const claim = (list: ReturnType<typeof runs>, share: number | null = null) =>
    claimHeld({ id: 'c', what: 'fuel', share, by: '', unit: 'l', runs: list })
  test('Welch, by hand: 6.0 6.2 6.4 against 5.0 5.2 5.4 litres', () => {
    const { verdict, gain } = claim([...runs('as it came', [6, 6.2, 6.4]), ...runs('as fitted', [5, 5.2, 5.4])])
    // each mean's variance 0.04/3; together 0.02667, root 0.1633; 4 degrees, t = 2.132; over 6.2
    expect([verdict, gain!.middle]).toEqual(['a gain', expect.closeTo(1 / 6.2, 9)])
    expect(gain!.high - gain!.middle).toBeCloseTo((2.132 * 0.1633) / 6.2, 4)
  })
  test('two runs, another way, warmer air, or an interval that holds nothing: no evidence of a gain', () => {
    const three = runs('as it came', [6, 6.2, 6.4])
    expect(claim([...three, ...runs('as fitted', [5, 5.1])]).because).toMatch(/3 and 2/)
    expect(claim([...three, ...runs('as fitted', [5, 5.2, 5.4], 18, 'over the pass')]).because).toMatch(/same way/)
    expect(claim([...three, ...runs('as fitted', [5, 5.2, 5.4], 26)]).because).toMatch(/8 K/)
    expect(claim([...three, ...runs('as fitted', [5.9, 6.2, 6.3])]).verdict).toBe('no difference')
    expect(claim([...three, ...runs('as fitted', [7, 7.2, 7.4])]).verdict).toBe('a loss')
    expect(
      claim(
        [
          ...three,
          ...runs(
            'as fitted',
            [6.8, 6.2, 5.6].map((x) => x - 1),
          ),
        ],
        0.5,
      ).verdict,
    ).toBe('no difference')
    expect(claim([...three, ...runs('as fitted', [5, 5.2, 5.4])], 0.5).verdict).toBe('less than claimed')
  })
})
