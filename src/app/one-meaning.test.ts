import type { Job } from '@/core/job'
import type { Language } from '@/core/words'

/** Every phrase in brackets: what a word is compared with, looked up by or kept as would no longer be found. */
const bracketed: Language = {
  tag: 'nl',
  decimal: ',',
  phrases: new Proxy({}, { get: (_, key) => `[${String(key)}]` }),
}

/** What a job comes to by ids alone, worked out by modules that were loaded in a language. */
async function idsIn(language: Language | null): Promise<unknown> {
  let found: unknown
  await jest.isolateModulesAsync(async () => {
    const { speak } = await import('@/core/words')
    speak(language)
    const { demoJobs } = await import('@/formats/test-support/examples')
    const { startedJobs } = await import('@/core/job/test-support/started')
    const { judgeSchemes, remediesFor } = await import('@/core/advice')
    const { evaluate } = await import('@/core/margins')
    const { plannedSteps, proofsOf, stateOfProof } = await import('@/core/build')
    const { tableOf } = await import('@/core/diagnose')
    const { planWarnings, signing, summaryOf } = await import('@/core/plan')
    const { addSecondFan, cutList, netlistOf, provedCircuit } = await import('@/core/wiring')
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
        summary: [summaryOf(job, evaluation).margins.length, summaryOf(job, evaluation).signedOn],
      }
    }
    const own = [...demoJobs(), ...startedJobs().slice(0, 6)]
    const jobs = [
      ...own,
      ...own.flatMap((job) => (job.fans[0] && job.kind !== 'wiring' ? addSecondFan(job, job.fans[0].part) : [])),
    ]
    const table = drained(tableOf(own[0]!))
    found = [
      jobs.map(ids),
      table.moves.map((m) => [m.id, m.answers?.map((a) => a.id) ?? null]),
      table.causes.map((c) => [c.id, c.area, c.faults]),
      table.cells,
    ]
    speak(null)
  })
  return found
}

test('in another language a job comes to the same, and whatever is kept or looked up has the same name', async () => {
  expect(await idsIn(bracketed)).toEqual(await idsIn(null))
})
