import { z } from 'zod'
import { eachOnce, fannedCircuits } from '../fan-circuit'
import { type Job, mountNames } from '../job'
import { say } from '../words'

/** A model as it is compared: however it was typed, "XR-250 s" and "xr 250S" are one. */
export const modelKey = (model: string): string => model.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '')

export const kitSchema = z.strictObject({
  model: z.string(),
  machine: z.string(),
  fans: z.array(z.string()),
  controllers: z.array(z.string()),
  mount: z.enum(mountNames),
  onM: z.number().nullable(),
})

/** What is fitted to a machine, or planned for it. */
export type Kit = z.infer<typeof kitSchema>

export const kitOf = (job: Job): Kit => ({
  model: job.identity.model.trim(),
  machine: job.machine.kind,
  fans: fannedCircuits(job).map((c) => c.fan.part.name),
  controllers: eachOnce(job, 'controller').map(([c]) => c.part.name),
  mount: job.place.mount,
  onM: job.cooling?.coreThicknessM.value ?? null,
})

/** One model with one kit, and how often it was done so. */
export interface Fitted {
  readonly model: string
  readonly machine: string
  readonly fan: string
  readonly controller: string
  readonly mount: Kit['mount']
  readonly signed: number
  readonly open: number
  readonly ended: number
  /** a job of each, the newest first */
  readonly jobs: readonly string[]
}

export interface KitOfJob {
  readonly id: string
  readonly kit: Kit
  readonly state: 'open' | 'signed' | 'ended'
}

/** What was fitted to which model, the most often signed first; and of each model what was never tried on it. */
export function fitsOf(
  jobs: readonly KitOfJob[],
  fansThere: readonly string[],
): { readonly fitted: readonly Fitted[]; readonly untried: ReadonlyMap<string, readonly string[]> } {
  const fitted = new Map<string, Fitted>()
  const tried = new Map<string, Set<string>>()
  for (const { id, kit, state } of jobs) {
    const model = kit.model || say`no model named, ${kit.machine.replaceAll('-', ' ')}`
    const of = tried.get(model) ?? new Set<string>()
    tried.set(model, of)
    for (const fan of kit.fans.length ? kit.fans : [say`no fan`]) {
      of.add(fan)
      const controller = kit.controllers.join(', ') || 'none'
      const key = [modelKey(model), fan, controller, kit.mount].join('|')
      const before = fitted.get(key)
      const one = { signed: 0, open: 0, ended: 0, jobs: [], ...before }
      fitted.set(key, {
        ...one,
        model: before?.model ?? model,
        machine: kit.machine,
        fan,
        controller,
        mount: kit.mount,
        [state]: one[state] + 1,
        jobs: [...one.jobs, id],
      })
    }
  }
  return {
    fitted: [...fitted.values()].sort((a, b) => b.signed - a.signed || a.model.localeCompare(b.model)),
    untried: new Map([...tried].map(([model, of]) => [model, fansThere.filter((f) => !of.has(f))])),
  }
}
