import { frontView, sectionView } from '../../drawing'
import type { Job } from '../../job'
import { evaluate } from '../../margins'
import { runWaitsFor, simulate, usualCircumstances } from '../../run'
import { cutList, netlistOf, provedCircuit } from '../../wiring'
import { stepsOf } from '../../build'
import { benchSheet, measuringSheet } from '../../sheets'
import { nextThing, signing, summaryOf } from '..'

/** Where something cannot be shown: a figure that is none, or words made of one. */
function notFit(thing: unknown, path = ''): string | null {
  if (typeof thing === 'number') return Number.isFinite(thing) ? null : `${path} is ${thing}`
  if (typeof thing === 'string') return /NaN|Infinity|∞|undefined|\[object/.test(thing) ? `${path}: ${thing}` : null
  if (thing === null || typeof thing !== 'object') return null
  for (const [key, value] of Object.entries(thing)) {
    const odd = notFit(value, `${path}/${key}`)
    if (odd) return odd
  }
  return null
}

/** Everything that is ever made of a job, once. @throws what any of it throws */
export function everythingOf(job: Job): void {
  const evaluation = evaluate(job)
  for (const m of evaluation.margins)
    for (const p of m.parts)
      if (p.value !== null && !(Number.isFinite(p.value) && Number.isFinite(p.worst)))
        throw new Error(`${m.id} ${p.id}`)
  provedCircuit(job)
  const shown = {
    netlist: netlistOf(job),
    cutList: cutList(job, []),
    front: frontView(job),
    section: sectionView(job),
    steps: stepsOf(job),
    signing: signing(job, evaluation),
    summary: summaryOf(job),
    next: nextThing(job, evaluation, '2026-01-02'),
    bench: benchSheet(job, evaluation),
    measuring: measuringSheet(job),
  }
  const odd = notFit(shown)
  if (odd) throw new Error(odd)
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
