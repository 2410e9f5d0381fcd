import { circuitsOf } from '../fan-circuit'
import type { Job } from '../job'
import type { Watched } from './seen'

/** How far the work on the machine has come, and so what can be looked at now. */
type Stand = 'as it came' | 'in pieces' | 'as fitted'
function standOf(job: Job): Stand {
  if (job.signature || job.proofs.length) return 'as fitted'
  return job.build.done.length ? 'in pieces' : 'as it came'
}

const template: Omit<Watched, 'id' | 'kind' | 'state' | 'work' | 'airC'> = {
  fromC: null,
  toC: null,
  forS: null,
  seen: null,
  how: 'by a watch',
  spread: null,
}

/** What can be seen of this machine as it stands, not seen yet. */
export function candidatesFor(job: Job): Watched[] {
  const state = standOf(job)
  // nor is anything told of a machine whose fan moves nobody knows how much
  if (state === 'in pieces' || (state === 'as it came' && job.mechanicalFan)) return []
  const airC = job.surroundings.usualC.value
  const common = { ...template, state, airC }
  const opens = job.engine?.thermostatOpensC?.value ?? null
  const thermometer = { how: 'by a thermometer' as const }
  const all: Omit<Watched, 'id'>[] = []
  if (job.trailer)
    all.push(
      { ...common, ...thermometer, kind: 'temperature', work: 'alone', forS: 3600 },
      { ...common, how: 'by a meter', kind: 'volts', work: 'alone', forS: 4 * 3600 },
    )
  else if (job.bay)
    all.push(
      { ...common, ...thermometer, kind: 'temperature', work: 'slow', forS: 2400 },
      { ...common, ...thermometer, kind: 'temperature', work: 'idle', forS: 1200 },
    )
  else if (job.engine) {
    const warm = opens ?? 80
    all.push(
      { ...common, kind: 'warm-up', work: 'idle', toC: warm },
      { ...common, kind: 'rise', work: 'idle', fromC: warm + 2, toC: warm + 12 },
      { ...common, kind: 'rise', work: 'slow', fromC: warm + 4, toC: warm + 16 },
      { ...common, how: 'by its gauge', kind: 'hottest', work: 'slow', forS: 1200 },
      { ...common, ...thermometer, kind: 'outlet', work: 'idle', forS: 900 },
    )
    if (state === 'as fitted' && circuitsOf(job).some((c) => c.fan))
      all.push(
        { ...common, kind: 'fall', work: 'idle', fromC: warm + 15, toC: warm + 5 },
        { ...common, kind: 'share', work: 'slow', forS: 1200 },
      )
  }
  return all
    .filter((c) => !job.observations.some((o) => o.kind === c.kind && o.work === c.work && o.state === c.state))
    .map((c) => ({ ...c, id: `${c.kind} ${c.work}` }))
}
