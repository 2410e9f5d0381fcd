// node --import tsx bench/evidence.ts: how soon what was seen narrows, how often it holds the truth; by hand, no test
import { readFileSync } from 'node:fs'
import { allKnown, weigh, weighed } from '../src/core/evidence'
import { AT, climb, watch } from '../src/core/evidence/test-support/observations'
import { airBand, twin } from '../src/core/evidence/test-support/twin'
import type { Job } from '../src/core/job'
import { triangularQuantile } from '../src/core/reading'
import { readJobFile } from '../src/formats'

const TWINS = 100
const jobs = ['fell-bike-short-at-idle', 'fell-bike-signed', 'vineyard-buggy-unsure', 'churchyard-digger-bay']

function open(name: string): Job {
  const read = readJobFile(readFileSync(`examples/${name}.job.json`, 'utf8'))
  if (!read.ok) throw new Error(read.message)
  return read.job
}

/** CPU time of this process: the machine may have other work. */
const cpu = (): number => process.cpuUsage().user / 1000

for (const name of jobs) {
  const job = open(name)
  const runs = [0, 1].map(() => {
    const began = cpu()
    let first: number | null = null
    for (const { weighing } of weigh(job)) if (weighing) first ??= cpu() - began
    const all = cpu()
    allKnown(job, AT)
    return { first: first ?? 0, all: cpu() - all }
  })
  const { first, all } = runs[1]!
  process.stdout.write(
    `${name.padEnd(28)} first narrowing ${first.toFixed(0).padStart(5)} ms (aim 1500), ` +
      `all ${all.toFixed(0).padStart(5)} ms (aim 5000)\n`,
  )
}

for (const name of ['vineyard-buggy-unsure', 'fell-bike-short-at-idle']) {
  const spoken = open(name)
  const job = { ...spoken, complaint: { ...spoken.complaint, after: null, aboveC: null } }
  const before = airBand(job, null)
  let [held, told, narrower, contradicted] = [0, 0, 0, 0]
  for (let n = 0; n < TWINS; n++) {
    const { air, shown, noise } = twin(job, 7919 * (n + 1), [climb, watch])
    const off = (sigma: number): number => Math.exp(triangularQuantile(noise(), -2.45 * sigma, 0, 2.45 * sigma))
    const [boiled, rose] = shown
    const seen = [
      Number.isFinite(boiled!.value) ? { ...climb, seen: boiled!.value * off(0.35) } : { ...climb, seen: null },
      ...(Number.isFinite(rose!.value) ? [{ ...watch, seen: rose!.value * off(0.1) }] : []),
    ]
    const weighing = weighed({ ...job, observations: seen })!
    if (weighing.contradiction) {
      contradicted++
      continue
    }
    const [low, high] = airBand(job, weighing)
    told++
    if (air >= low && air <= high) held++
    narrower += (high - low) / (before[1] - before[0])
  }
  process.stdout.write(
    `${name.padEnd(28)} ${TWINS} twins: held ${held} of ${told}, called a contradiction ${contradicted}; ` +
      `width of Air ${(narrower / told).toFixed(2)} of what it was\n`,
  )
}
