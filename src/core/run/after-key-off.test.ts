import fc from 'fast-check'
import { anyCircuit } from '../../formats/test-support/any-circuit'
import { example } from '../../formats/test-support/examples'
import { allOff, Circuit, type Conditions, fanStates, turns } from '../circuit'
import { startedJobs } from '../job/test-support/started'
import { changeRun, changeWiring, type Job, lookupOf } from '../job'
import { evaluate, type Findings } from '../margins'
import { Bench } from '../reading'
import { integrate, runView } from '../transient'
import { afterKeyOff, netlistOf } from '../wiring'
import { dayOf } from './days'
import { usualCircumstances } from './circumstances'
import { findingsOf } from './findings-of'
import { runSpecOf } from './run-spec'
import { runInWords } from './run-words'
import { outcomesOf } from './outcomes-of'
import { often } from '../../test-support/often'

const signed = example('fell-bike-signed')
/** set so low that it still runs when the engine is stopped */
const bike: Job = { ...signed, controllers: signed.controllers.map((c) => ({ ...c, setC: 65 })) }
/** the feed comes from the battery and the thermostat is fed by it too: the key is not in its way */
const pastKey = changeWiring(changeRun(bike, { source: 'battery', switchedBy: 'controller' }), { controlFrom: 'feed' })
const wants = (job: Job, live: Job['use']['live']): Job => ({ ...job, use: { ...job.use, live } })
const ran = (job: Job): Findings => {
  const first = findingsOf(job, '2026-11-30T12:00:00Z').next()
  if (first.done) throw new Error('no run')
  return first.value.findings
}
const after = (job: Job) =>
  evaluate(job, ran(job))
    .margins.find((m) => m.id === 'battery')!
    .parts.find((p) => p.id === 'after switch-off')
const seconds = (job: Job): number | undefined =>
  outcomesOf(new Bench(lookupOf(job)), job, dayOf(job))['after switch-off']
function words(job: Job): string {
  const proposed = runView(integrate(runSpecOf(new Bench(lookupOf(job)), job), { stepS: 2, everyS: 10 })!, 1e6)
  return runInWords(job, { proposed, present: null, none: null }, usualCircumstances, 'metric').join(' ')
}

test('somebody drives until the fan runs, turns the key, waits for the timer, and for the cold', () => {
  const seen = new Set<string>()
  fc.assert(
    fc.property(anyCircuit, fc.constantFrom('key only', 'whenever hot'), (made, live) => {
      const job = wants(made, live)
      const net = netlistOf(job)
      const by = (s: string): boolean => net.elements.some((e) => e.kind === 'switch' && e.by === s)
      fc.pre(!net.problems.some((p) => p.level !== 'warns') && by('key') && !by('isolator'))
      const circuit = new Circuit(net)
      const drives: Conditions = { ...allOff, key: true, engine: true, heat: 'hot' }
      let states = circuit.solve(drives).states
      const walk = [
        { ...allOff, timer: by('timer'), heat: 'hot' as const },
        { ...allOff, heat: 'hot' as const },
        { ...allOff, heat: 'cold' as const },
      ].map((at) => {
        const solution = circuit.solve(at, states)
        states = solution.states
        return fanStates(net, solution).some(turns)
      })
      const told = afterKeyOff(job)
      seen.add(told)
      const may = { stops: 0, 'for a time': 1, 'while hot': 2, always: 3, 'until its isolator': 3 }[told]
      // what runs longest of the three is never longer than was told; and where nothing holds itself, as long
      expect(walk.lastIndexOf(true) + 1).toBeLessThanOrEqual(may)
      if (told === 'stops' || told === 'while hot') expect(walk[1]).toBe(told === 'while hot')
    }),
    { numRuns: often(32), seed: 3011 },
  )
  expect([...seen].sort()).toEqual(expect.arrayContaining(['for a time', 'stops', 'while hot']))
})

test('a fan that the key does not stop is counted on the battery, whatever was wanted; one that it stops is not', () => {
  expect([afterKeyOff(bike), afterKeyOff(pastKey)]).toEqual(['stops', 'while hot'])
  expect(pastKey.use.live).toBe('key only')
  expect(after(bike)).toBeUndefined()
  expect(after(pastKey)).toMatchObject({ verdict: expect.stringMatching(/holds|short|unsure/) as string })
  expect(seconds(pastKey)).toBeGreaterThan(30)
  expect(seconds(pastKey)).toBe(seconds(wants(pastKey, 'whenever hot')))
  expect(words(pastKey)).toMatch(/After switch-off it runs \d/)
  expect(words(bike)).toContain('After switch-off it stands, as you asked')
  // wanted after the key, and wired behind it
  const behind = wants(bike, 'whenever hot')
  expect(after(behind)).toBeUndefined()
  expect(words(behind)).toContain('it stops with the key, which is not what is wanted')
  // before a run nobody can say for how long
  expect(
    evaluate(pastKey)
      .margins.find((m) => m.id === 'battery')!
      .parts.find((p) => p.id === 'after switch-off'),
  ).toMatchObject({ verdict: 'open' })
})

test('as long as nothing is chosen it is what is wanted; a length or a set temperature changes no circuit', () => {
  for (const bare of startedJobs())
    for (const [live, told] of [
      ['key only', 'stops'],
      ['whenever hot', 'while hot'],
      ['isolator', 'until its isolator'],
    ] as const)
      expect(afterKeyOff(wants(bare, live))).toBe(told)
  const hotter = { ...pastKey, controllers: pastKey.controllers.map((c) => ({ ...c, setC: c.setC + 5 })) }
  expect(afterKeyOff(hotter)).toBe('while hot')
  expect(afterKeyOff(changeRun(hotter, { source: 'key switch' }))).toBe('stops')
  // the last thing that was open is chosen: from then on it is the circuit's word
  const sized = (size: null | '2.5 mm²'): Job => ({
    ...pastKey,
    conductors: pastKey.conductors.map((c) => (c.role === 'feed' ? { ...c, size } : c)),
  })
  expect([afterKeyOff(sized(null)), afterKeyOff(sized('2.5 mm²'))]).toEqual(['stops', 'while hot'])
})
