import { demoJobs, exampleShelf } from '../../formats/test-support/examples'
import { inOtherUnits, metricIn } from '../../formats/test-support/other-units'
import { judgeSchemes, remediesFor } from '../advice'
import { needsOfJob, proofsOf, stepsOf } from '../build'
import { tableOf } from '../diagnose'
import { startedJobs } from '../job/test-support/started'
import { answers } from '../library'
import { evaluate } from '../margins'
import { nextThing, signing } from '../plan'
import { cutList, guardsOf } from '../wiring'
import { asBuiltSheet, benchSheet, measuringSheet, ownersCard, shoppingSheet } from '.'

const shelf = exampleShelf()

/** Words somewhere within a thing that tell a figure in metric units. */
function metricWithin(thing: unknown, path = ''): string[] {
  if (typeof thing === 'string') return metricIn(thing).length ? [`${path}: ${thing}`] : []
  if (thing === null || typeof thing !== 'object') return []
  return Object.entries(thing).flatMap(([key, value]) => metricWithin(value, `${path}/${key}`))
}

test('whatever is told of a job in inches and degrees Fahrenheit is told in them', () => {
  for (const job of [...demoJobs(), ...startedJobs()].map(inOtherUnits)) {
    const evaluation = evaluate(job)
    // a controller's own keys speak its own unit
    const keys = /^\/(bench|built)\/sections\/\d+\/lines\/\d+: \d+\. /
    const told = metricWithin({
      warnings: evaluation.margins.map((m) => [m.warnings, m.needs]),
      remedies: evaluation.margins.flatMap((m) => remediesFor(job, m).map((r) => r.text)),
      answers: answers.filter((page) => page.when(job)).map((page) => page.tell(job)),
      search: tableOf(job),
      schemes: judgeSchemes(job, shelf),
      next: nextThing(job, evaluation, '2026-01-02'),
      signing: signing(job, evaluation),
      steps: stepsOf(job).map((s) => [s.title, s.why, s.tell]),
      proofs: proofsOf(job).map((p) => [p.name, p.how]),
      guards: guardsOf(job).map((g) => g.name),
      cutList: cutList(job, []).problems,
      bench: benchSheet(job, evaluation),
      measuring: measuringSheet(job),
      card: ownersCard(job),
      built: asBuiltSheet(job),
      shopping: shoppingSheet(job, []),
    }).filter((words) => !keys.test(words))
    expect([job.title, told]).toEqual([job.title, []])
  }
  expect(needsOfJob(inOtherUnits(startedJobs()[0]!), shelf).length).toBeGreaterThan(0)
})
