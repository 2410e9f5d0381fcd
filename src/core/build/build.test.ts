import fc from 'fast-check'
import { example } from '@/formats/test-support/examples'
import { dialFor } from '../control'
import { startedJobs } from '../job/test-support/started'
import {
  acceptProof,
  addDebt,
  addOwnStep,
  answerNeeds,
  answerProof,
  changeEntry,
  changeMount,
  type Job,
  jobSchema,
  mountsIn,
  noteCoolant,
  passLock,
  takeOff,
  tickStep,
} from '../job'
import {
  coolantAccount,
  engineHeld,
  explanations,
  haveOf,
  inOrder,
  isDry,
  lockOf,
  mayStand,
  missingNeeds,
  needsOf,
  needsOfJob,
  nextStep,
  opensCoolant,
  type Orderable,
  type Place,
  proofLock,
  proofsOf,
  shoppingList,
  stateOfProof,
  stateRows,
  stepsOf,
} from '.'
import { often } from '../../test-support/often'

const AT = '2026-03-01T10:00:00Z'
const BY = { by: 'me', at: AT }
const signed = example('fell-bike-signed')
const open: Job = { ...signed, signature: null }
const taken = <J>(next: J | { readonly full: string }): J => {
  if ('full' in (next as object)) throw new Error('full')
  return next as J
}
const step = (job: Job, id: string) => stepsOf(job).find((s) => s.id === id)!
const proof = (job: Job, id: string) => proofsOf(job).find((p) => p.id === id)!
const measured = (job: Job, id: string, value: number): Job =>
  answerProof(job, id, { measured: { value, typed: `${value}` }, answer: null, notProved: null }, AT)
const said = (job: Job, id: string, answer: 'yes' | 'no'): Job =>
  answerProof(job, id, { measured: null, answer, notProved: null }, AT)

const everyJob: readonly Job[] = startedJobs().flatMap((job) =>
  mountsIn(job.cooling ? 'coolant' : 'air').map((m) => changeMount(job, m)),
)

const places: readonly Place[] = ['the core on the bench', 'wires still loose', 'under the covers']

/** Steps that have an order: each needs and hides only what comes earlier in a secret one; handed over shuffled. */
const graphs = fc
  .tuple(fc.integer({ min: 2, max: 14 }), fc.array(fc.nat({ max: 9999 }), { minLength: 80, maxLength: 80 }))
  .map(([n, numbers]) => {
    const rest = [...numbers]
    const next = (): number => rest.pop() ?? 0
    const closedAt = places.map(() => next() % (n + 3))
    const steps = Array.from({ length: n }, (_, i): Orderable => {
      const openPlaces = places.filter((_, p) => i < closedAt[p]!)
      return {
        id: `s${i}`,
        needs: Array.from({ length: next() % 3 }, () => `s${next() % Math.max(1, i)}`).filter((id) => id !== `s${i}`),
        at: openPlaces.length ? openPlaces[next() % openPlaces.length]! : null,
        hides: places.filter((_, p) => closedAt[p] === i),
      }
    })
    return steps.map((s) => ({ s, key: next() })).sort((a, b) => a.key - b.key)
  })

test('an order respects every need of random steps, and has each once; a circle is told', () => {
  fc.assert(
    fc.property(graphs, (shuffled) => {
      const steps = shuffled.map(({ s }) => s)
      const order = inOrder(steps)
      expect(order.map((s) => s.id).sort()).toEqual(steps.map((s) => s.id).sort())
      const at = new Map(order.map((s, i) => [s.id, i]))
      for (const s of steps) {
        for (const n of s.needs) expect(at.get(n)!).toBeLessThan(at.get(s.id)!)
        for (const o of steps)
          if (o !== s && o.at !== null && s.hides.includes(o.at)) expect(at.get(o.id)!).toBeLessThan(at.get(s.id)!)
      }
      expect([...needsOf(steps).keys()]).toHaveLength(steps.length)
    }),
    { seed: 7, numRuns: often(120) },
  )
  const circle: Orderable[] = ['a', 'b'].map((id, i) => ({ id, needs: ['ba'[i]!], at: null, hides: [] }))
  expect(() => inOrder(circle)).toThrow(RangeError)
})

test('every kind of job and way of fastening: wires are tied to a core that is on, covers after all that they hide', () => {
  for (const job of everyJob) {
    const steps = stepsOf(job)
    const at = (id: string): number => steps.findIndex((s) => s.id === id)
    for (const s of steps) for (const n of s.needs) expect(at(n)).toBeLessThan(at(s.id))
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length)
    if (at('core-on') >= 0)
      for (const later of ['dry-fit', 'route', 'locks', 'clear', 'fasten'].filter((id) => at(id) >= 0))
        expect(at('core-on')).toBeLessThan(at(later))
    expect(at('covers')).toBe(steps.length - 2)
    expect(at('fuse-in')).toBeGreaterThan(Math.max(at('continuity'), at('insulation'), at('refill')))
    expect(at('drain') >= 0).toBe(opensCoolant(job))
    expect(at('refill') >= 0).toBe(opensCoolant(job))
    // every step of one's own, before whatever closes it
    for (const before of ['have-all', 'strip', 'covers', 'fasten', 'nowhere']) {
      const own = taken(addOwnStep(job, 'new seal', before, 10))
      const ids = stepsOf(own).map((s) => s.id)
      if (ids.includes(before)) expect(ids.indexOf('own1')).toBeLessThan(ids.indexOf(before))
    }
  }
})

test('a probe in the coolant brings draining, refilling and leaks, whatever holds the fan', () => {
  const buggy = example('vineyard-buggy-unsure')
  const threaded: Job = { ...buggy, probes: buggy.probes.map((p) => ({ ...p, place: 'threaded' })) }
  expect(stepsOf(buggy).map((s) => s.id)).not.toContain('drain')
  expect(stepsOf(threaded).map((s) => s.id)).toEqual(expect.arrayContaining(['drain', 'refill']))
  expect(step(threaded, 'drain').cautions).toEqual(expect.arrayContaining(['hotCoolant', 'poison']))
  expect(proofsOf(threaded).map((p) => p.id)).toContain('leaks')
  expect(stepsOf(threaded).map((s) => s.id)).not.toContain('core-off')
})

test('the fuse waits for continuity and insulation; what failed is gone past by nobody', () => {
  const bare: Job = { ...open, proofs: [], build: { ...open.build, done: open.build.done.slice() } }
  const untick = (job: Job, ...ids: string[]): Job => ({
    ...job,
    build: { ...job.build, done: job.build.done.filter((d) => !ids.includes(d.step)) },
  })
  const job = untick(bare, 'insulation', 'fuse-in', 'working-setting', 'covers', 'last-look')
  expect(lockOf(job, step(job, 'insulation'))).toMatchObject({ firm: false })
  expect(lockOf(job, step(job, 'fuse-in'))!.waits.join()).toMatch(/Insulation/)
  const passed = taken(passLock(job, 'insulation', 'meter lent out', BY))
  expect(lockOf(passed, step(passed, 'insulation'))).toBeNull()
  const pinched = said(passed, 'insulation', 'no')
  expect(lockOf(pinched, step(pinched, 'insulation'))).toMatchObject({ firm: true })
  // and nothing is proved under power on it, whoever went past what
  const through = taken(passLock(tickStep(pinched, 'fuse-in', AT), 'proof:turns', 'in a hurry', BY))
  expect(proofLock(through, proof(through, 'turns'))).toMatchObject({ firm: true })
  expect(lockOf(said(pinched, 'insulation', 'yes'), step(pinched, 'insulation'))).toBeNull()
  // no name, no way past
  expect(jobSchema.safeParse(passed).success).toBe(true)
  expect(jobSchema.safeParse(taken(passLock(job, 'insulation', 'why', { by: ' ', at: AT }))).success).toBe(false)
  expect(jobSchema.safeParse(taken(passLock(job, 'insulation', '', BY))).success).toBe(false)
})

test('nothing is proved with no step done, and covers wait for the proofs', () => {
  const none: Job = { ...open, proofs: [], build: { ...open.build, done: [] } }
  expect(proofLock(none, proof(none, 'turns'))!.waits.join()).toMatch(/Fuse in/)
  const built: Job = { ...open, proofs: open.proofs.slice(1), build: { ...open.build, done: open.build.done } }
  expect(lockOf(built, step(built, 'covers'))!.waits.join()).toMatch(/prove/)
  expect(nextStep({ ...open, build: { ...open.build, done: [] } })!.id).toBe('have-all')
})

test('19 A measured against some 4 predicted, 9 V against some 14: both differ, say why, and cannot stand', () => {
  const amps = measured(open, 'amps', 19)
  expect(stateOfProof(amps, proof(amps, 'amps'))).toBe('differs')
  expect(mayStand(amps, proof(amps, 'amps'), 19)).toMatchObject({ ok: false })
  expect(explanations(amps, proof(amps, 'amps')).join()).toMatch(/another fan.*labours/s)
  // accepting what may not stand changes nothing
  const forced = acceptProof(amps, 'amps', 'it will do', BY)
  expect(stateOfProof(forced, proof(forced, 'amps'))).toBe('differs')

  const volts = measured(open, 'volts', 9)
  const p = proof(volts, 'volts')
  const current = 3.6
  const missing = p.predicted!.value - 9
  expect(stateOfProof(volts, p)).toBe('differs')
  expect(mayStand(volts, p, 9)).toMatchObject({ ok: false })
  // by hand: what is missing over the current is the joint
  const words = explanations(measured(volts, 'amps', current), p).join(' ')
  expect(words).toContain(`${(missing / current).toPrecision(2)} ohm more`)
  expect(words).toContain(`${Math.round(missing * current)} W`)
})

test('a little less than predicted may stand by name: that very figure and no other; what was found before is kept', () => {
  const p = proof(open, 'volts').predicted!
  const low = p.low - 0.01
  const job = measured(open, 'volts', low)
  expect(mayStand(job, proof(job, 'volts'), low)).toEqual({ ok: true })
  const stands = acceptProof(job, 'volts', 'long lead, owner told', BY)
  expect(stateOfProof(stands, proof(stands, 'volts'))).toBe('accepted')
  const again = measured(stands, 'volts', low - 0.001)
  expect(stateOfProof(again, proof(again, 'volts'))).toBe('differs')
  expect(again.proofs.find((a) => a.id === 'volts')!.earlier.at(-1)!.found).toBe(`${low}`)
  // a battery at rest gives what an engine that stood would: 12.5 V less what is lost
  const still = measured(open, 'volts', 12.2)
  expect(explanations(still, proof(still, 'volts'))[0]).toMatch(/engine stood.*12\.5 V/)
})

test('a thinner wire is named where it alone would bring the figure', () => {
  const wire = open.conductors.find((c) => c.role === 'feed')!
  const thin: Job = {
    ...open,
    conductors: open.conductors.map((c) => (c.id === wire.id ? { ...c, size: '0.5 mm²' } : c)),
  }
  const there = proof(thin, 'loss-plus').predicted!.value
  const job = measured(open, 'loss-plus', there)
  expect(stateOfProof(job, proof(job, 'loss-plus'))).toBe('differs')
  expect(explanations(job, proof(job, 'loss-plus')).join()).toMatch(/feed is 0\.(5|75) mm², not 1 mm²/)
})

test('every fan has its proofs, and each row of the table of states is one to try', () => {
  const rows = stateRows(open)
  expect(rows.length).toBeGreaterThan(3)
  expect(new Set(rows.map((r) => r.when)).size).toBe(rows.length)
  expect(rows.some((r) => r.runs === true) && rows.some((r) => r.runs === false)).toBe(true)
})

describe('coolant', () => {
  const job = changeMount(open, 'bracket')
  const holds = job.cooling!.volumeM3.value
  const with_ = (out: number | null, in_: number | null): Job =>
    noteCoolant(
      noteCoolant(job, 'outM3', out === null ? null : { value: out, typed: '' }),
      'inM3',
      in_ === null ? null : { value: in_, typed: '' },
    )
  test('out against in, by hand', () => {
    expect(holds).toBe(1.25e-3)
    expect(coolantAccount(open)).toBeNull()
    expect(coolantAccount(job)!.verdict).toBe('open')
    expect(coolantAccount(with_(1.1e-3, null))).toMatchObject({
      verdict: 'open',
      leftM3: expect.closeTo(0.15e-3, 9) as number,
    })
    // 5 % of 1.25 l are 62.5 ml
    expect(coolantAccount(with_(1.1e-3, 1.04e-3))!.verdict).toBe('even')
    expect(coolantAccount(with_(1.1e-3, 1.03e-3))).toMatchObject({ verdict: 'too little went in' })
    expect(coolantAccount(with_(1.1e-3, 1.2e-3))!.words).toMatch(/0\.1 L|100 mL/)
    expect(coolantAccount(with_(1.5e-3, 1.5e-3))!.verdict).toBe('more than it holds')
  })
  test('an engine is not run dry, nor with a hose, a cap or a fuel line off', () => {
    const none: Job = { ...job, build: { ...job.build, done: [] } }
    const drained = tickStep(none, 'drain', AT)
    expect(isDry(none)).toBe(false)
    expect(engineHeld(drained).join()).toMatch(/coolant is out/)
    expect(engineHeld(tickStep(drained, 'refill', AT))).toEqual([])
    const off = taken(takeOff(open, { what: 'lower hose', kind: 'lower hose', way: '', smallParts: '' }, AT))
    expect(engineHeld(off)[0]).toMatch(/lower hose: the engine would run dry/)
    const fresh: Job = { ...off, proofs: [] }
    expect(proofLock(fresh, proof(fresh, 'starts'))).toMatchObject({ firm: true })
    expect(proofLock(fresh, proof(fresh, 'turns'))).toBeNull()
    expect(
      lockOf(
        { ...off, build: { ...off.build, done: off.build.done.filter((d) => d.step !== 'last-look') } },
        step(off, 'last-look'),
      )!.waits,
    ).toEqual(['lower hose is not back'])
    expect(engineHeld(changeEntry(off, off.ledger.at(-1)!.id, { backAt: AT }))).toEqual([])
    const cover = taken(takeOff(open, { what: 'side panel', kind: 'cover', way: '', smallParts: '' }, AT))
    expect(engineHeld(cover)).toEqual([])
  })
})

test('nothing lies there unless somebody said so; what is missing holds the start, or is gone without by name', () => {
  const needs = needsOfJob(open)
  expect(missingNeeds({ ...open, build: { ...open.build, have: [] } })).toHaveLength(needs.length)
  expect(new Set(needs.map((n) => n.id)).size).toBe(needs.length)
  const ids = needs.map((n) => n.id)
  const all = answerNeeds(open, ids, { here: true }, BY)
  expect(missingNeeds(all)).toEqual([])
  const first = needs[0]!
  const lacking = answerNeeds(all, [first.id], { here: false }, BY)
  expect(missingNeeds(lacking)).toEqual([first])
  expect(shoppingList(lacking, [])).toEqual([first])
  const unticked: Job = { ...lacking, build: { ...lacking.build, done: [] } }
  expect(lockOf(unticked, step(unticked, 'have-all'))!.waits[0]).toMatch(/not answered/)
  const without = answerNeeds(all, [first.id], { here: false, why: 'borrowed tomorrow' }, BY)
  expect([haveOf(without, first), missingNeeds(without)]).toEqual(['without', []])
  // another fuse is another thing: nobody has said that it lies there
  const other: Job = { ...all, fuses: all.fuses.map((f) => ({ ...f, ratingA: 15 })) }
  expect(
    missingNeeds(other)
      .map((n) => n.what)
      .join(),
  ).toMatch(/15 A/)
  // with no fan chosen nobody can have it all
  const none: Job = {
    ...all,
    fans: [],
    runs: all.runs.map((r) => ({ ...r, fan: null })),
    build: { ...all.build, done: [] },
  }
  expect(lockOf(none, step(none, 'have-all'))!.waits[0]).toMatch(/a fan to choose/)
  for (const job of everyJob) expect(needsOfJob(job).length).toBeGreaterThan(10)
})

test('a dial without a scale: between two points, never beyond what was tried, contradictions told', () => {
  const at = (...points: [number, number][]) => points.map(([position, startsC]) => ({ position, startsC }))
  expect(dialFor(at([6, 80], [2, 60]), 75)).toEqual({ kind: 'position', position: 5, offK: 5 })
  expect(dialFor(at([2, 60], [6, 80]), 80)).toEqual({ kind: 'position', position: 6, offK: 2 })
  // one that turns the other way round does as well
  expect(dialFor(at([1, 90], [5, 70], [9, 60]), 65)).toMatchObject({ position: 7 })
  for (const [points, wanted, why] of [
    [at([2, 60]), 60, /two positions/],
    [at([2, 60], [6, 80]), 81, /Nothing was tried that far: turn it further/],
    [at([2, 60], [6, 80]), 59, /turn it lower/],
    [at([2, 60], [4, 80], [6, 70]), 65, /contradict/],
  ] as const)
    expect(dialFor(points, wanted)).toMatchObject({ kind: 'open', why: expect.stringMatching(why) as string })
})

test('a fix for now needs a reason and a name', () => {
  const debt = { what: 'tie instead of a screw', why: 'none in the drawer', dangerous: false, until: null }
  expect(jobSchema.safeParse(taken(addDebt(open, debt, BY))).success).toBe(true)
  expect(jobSchema.safeParse(taken(addDebt(open, { ...debt, why: '' }, BY))).success).toBe(false)
})
