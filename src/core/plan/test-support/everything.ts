import { frontView, sectionView } from '../../drawing'
import type { Job } from '../../job'
import { evaluate } from '../../margins'
import { runWaitsFor, simulate, usualCircumstances } from '../../run'
import { cutList, netlistOf, provedCircuit } from '../../wiring'
import { stepsOf } from '../../build'
import { benchSheet, measuringSheet } from '../../sheets'
import { nextThing, signing, summaryOf } from '..'

/** Everything that is ever made of a job, once. @throws what any of it throws */
export function everythingOf(job: Job): void {
  const evaluation = evaluate(job)
  for (const m of evaluation.margins)
    for (const p of m.parts)
      if (p.value !== null && !(Number.isFinite(p.value) && Number.isFinite(p.worst)))
        throw new Error(`${m.id} ${p.id}`)
  netlistOf(job)
  provedCircuit(job)
  cutList(job, [])
  frontView(job)
  sectionView(job)
  stepsOf(job)
  signing(job, evaluation)
  summaryOf(job)
  nextThing(job, evaluation, '2026-01-02')
  benchSheet(job, evaluation)
  measuringSheet(job)
  // a minute of a run is made the same way as a day of it
  if (runWaitsFor(job) === null)
    simulate({ ...job, duty: { name: 'short', from: 'hand', legs: [shortLeg(job)] } }, usualCircumstances)
}

const shortLeg = (job: Job): NonNullable<Job['duty']>['legs'][number] => ({
  id: 'leg1',
  name: 'short',
  work: job.trailer ? 'alone' : 'idle',
  seconds: 60,
  speedMs: null,
  loadShare: null,
  rpm: null,
  airC: null,
  grade: null,
  heightM: null,
})
