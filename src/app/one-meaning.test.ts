import type { Job } from '@/core/job'
import { readFileSync } from 'node:fs'
import type { Language } from '@/core/words'
import { bareIn, inSigns, writtenIn } from '@/core/words/test-support/in-signs'
import { phrasesIn } from './language'

const phrases = new Set(Object.keys(phrasesIn(readFileSync('words/nl.po', 'utf8'))))

/** Words that are kept or asked for, by what they stand under. */
const kept = new Set(['id', 'kind', 'verdict', 'has', 'state', 'station', 'margin', 'conductor', 'dye', 'sleeve'])

/** A thing without its wording: its figures, answers, lists and ids. Drawings make room for words. */
function shapeOf(value: unknown, under = ''): unknown {
  if (['drawings', 'drawing', 'picture'].includes(under)) return null
  if (typeof value === 'string') return kept.has(under) ? value : '…'
  if (value instanceof Map || value instanceof Set) return [...value].map((v) => shapeOf(v))
  if (Array.isArray(value)) return value.map((v) => shapeOf(v, under))
  if (typeof value !== 'object' || value === null) return typeof value === 'function' ? null : value
  return Object.fromEntries(Object.entries(value).map(([key, v]) => [key, shapeOf(v, key)]))
}

/** What a job comes to by ids alone, worked out by modules that were loaded in a language; and its bare words. */
async function idsIn(language: Language | null): Promise<{ readonly found: unknown; readonly bare: string[] }> {
  let found: unknown
  const bare: string[] = []
  await jest.isolateModulesAsync(async () => {
    const { speak } = await import('@/core/words')
    speak(language)
    const { demoJobs } = await import('@/formats/test-support/examples')
    const { answerNeeds, lookupOf } = await import('@/core/job')
    const { Bench } = await import('@/core/reading')
    const { runSpecOf, runWaitsFor } = await import('@/core/run')
    const { startedJobs } = await import('@/core/job/test-support/started')
    const advice = await import('@/core/advice')
    const { judgeSchemes, remediesFor } = advice
    const { evaluate } = await import('@/core/margins')
    const build = await import('@/core/build')
    const { plannedSteps, proofsOf, stateOfProof } = build
    const schedule = await import('@/core/schedule')
    const sheets = await import('@/core/sheets')
    const { stations } = await import('@/core/fields')
    const { frontView, sectionView } = await import('@/core/drawing')
    const { candidatesFor } = await import('@/core/evidence')
    const { drillKinds, drillOf, machineOf } = await import('@/core/practice')
    const { tableOf } = await import('@/core/diagnose')
    const plan = await import('@/core/plan')
    const { planWarnings, signing, summaryOf } = plan
    const wiring = await import('@/core/wiring')
    const { addSecondFan, cutList, netlistOf, provedCircuit } = wiring
    const { exampleShelf } = await import('@/formats/test-support/examples')
    const shelf = exampleShelf()
    const drained = <T>(steps: Generator<unknown, T>): T => {
      for (;;) {
        const step = steps.next()
        if (step.done) return step.value
      }
    }
    const ids = (job: Job) => {
      const evaluation = evaluate(job)
      const net = netlistOf(job)
      const { toAccept, blockers } = signing(job, evaluation)
      return {
        margins: evaluation.margins.map((m) => [m.id, m.verdict, m.part, m.basis, m.xWorst]),
        parts: evaluation.margins.map((m) => m.parts.map((p) => [p.id, p.verdict, p.value, p.worst])),
        remedies: evaluation.margins.map((m) => remediesFor(job, m).map((r) => r.station)),
        accept: toAccept.map((a) => [a.margin, a.part, a.verdict, a.accepted]),
        blockers: blockers.length,
        steps: plannedSteps(job).map((s) => [s.id, s.minutes]),
        proofs: proofsOf(job).map((p) => [p.id, p.kind, p.predicted?.value ?? null, stateOfProof(job, p)]),
        warnings: planWarnings(job).map((w) => w.id),
        net: net.elements.map((e) => [e.name, e.kind, e.a, e.b]),
        states: provedCircuit(job).rows.map((r) => r.states.map((s) => [s.conditions, s.mismatch !== null])),
        cut: cutList(job, shelf).wires.map((w) => [w.conductor, w.number, w.cutM]),
        schemes: judgeSchemes(job, shelf).map((s) => [s.id, s.verdict]),
        legs: runWaitsFor(job) ? null : shapeOf(runSpecOf(new Bench(lookupOf(job)), job).legs),
        // what is dragged is found by it
        handles: [frontView(job), sectionView(job)].map((d) =>
          d?.shapes.map((s) => (s.kind !== 'text' && s.of) || null),
        ),
        summary: [summaryOf(job, evaluation).margins.length, summaryOf(job, evaluation).signedOn],
      }
    }
    /** what is made for a person, by its figures and by how much there is of it */
    const shapes = (job: Job) => {
      const evaluation = evaluate(job)
      const needs = build.needsOfJob(job, shelf)
      const half = build.needsOfJob(job).filter((_, i) => i % 2 === 0)
      const answered = answerNeeds(
        job,
        half.map((n) => n.id),
        { here: true },
        { by: 'a', at: '2026-11-30T09:00:00Z' },
      )
      const made = {
        sheets: [sheets.benchSheet(job, evaluation), sheets.asBuiltSheet(job), sheets.ownersCard(job)],
        measuring: sheets.measuringSheet(job),
        shopping: sheets.shoppingSheet(job, shelf),
      }
      bare.push(...bareIn(made, writtenIn([job, shelf], phrases), ['drawings']))
      return shapeOf({
        ...made,
        needs,
        missing: build.missingNeeds(answered).map((n) => n.id),
        locks: plannedSteps(answered).map((s) => build.lockOf(answered, s)),
        proofLocks: proofsOf(job).map((p) => build.proofLock(job, p)),
        next: plan.nextThing(job, evaluation, '2026-11-30'),
        filled: stations.map((s) => plan.filled(job, s)),
        calls: plan.callsOf(job),
        warned: planWarnings(job),
        takenOn: plan.takenOn(job, evaluation),
        cut: cutList(job, shelf),
        kit: wiring.kitPlan(job),
        joints: wiring.jointChoices(job),
        estimate: schedule.estimateOf(job, shelf),
        cost: schedule.costOf(job, '2026-11-30T09:00:00Z'),
        left: schedule.workLeft(job, 'j', 1, '2026-11-30T00:00:00Z'),
        remedies: evaluation.margins.map((m) => remediesFor(job, m)),
        guarding: advice.breakerOrFuse(job, shelf),
        switches: advice.judgeSwitches(job, shelf),
        sizes: advice.comparedSizes(job, 'metric'),
        candidates: candidatesFor(job),
      })
    }
    const own = [...demoJobs(), ...startedJobs().slice(0, 6)]
    const all = [
      ...own,
      ...own
        .filter((job, i) => i % 3 === 0 && job.kind !== 'wiring')
        .flatMap((job) => (job.fans[0] ? addSecondFan(job, job.fans[0].part) : [])),
    ]
    const table = drained(tableOf(own[0]!))
    found = [
      all.map(ids),
      all.filter((_, i) => i % 4 === 0).map(shapes),
      Object.keys(drillKinds).map((kind, i) => {
        const drill = drillOf(kind as keyof typeof drillKinds, i, own[0]!)
        return [shapeOf(drill), drill?.answers?.includes(drill.right)]
      }),
      ['a', 'b', 'c', 'd'].map((seed) => machineOf(seed, 'one break', 1000)),
      table.moves.map((m) => [m.id, m.answers?.map((a) => a.id) ?? null]),
      table.causes.map((c) => [c.id, c.area, c.faults]),
      table.cells,
    ]
    speak(null)
  })
  return { found, bare }
}

test('in another language a job comes to the same, and whatever is kept or looked up has the same name', async () => {
  const [other, english] = [await idsIn(inSigns), await idsIn(null)]
  expect(other.found).toEqual(english.found)
  expect(other.bare).toEqual([])
})
