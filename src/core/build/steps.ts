import { type Job, mountOf } from '../job'
import { inOrder, needsOf } from './order'
import { apartRules } from './rules/apart'
import { beforeRules } from './rules/before'
import { fanRules } from './rules/fan'
import { togetherRules } from './rules/together'
import { wireRules } from './rules/wires'
import type { Step, StepRule } from './step'

/** Every step there is. Where several may come next, the one that stands first here does. */
const catalogue: readonly StepRule[] = [...beforeRules, ...apartRules, ...fanRules, ...wireRules, ...togetherRules]

/** What the way of fastening adds: before the fan goes on, and once it was spun by hand. */
function withMount(job: Job, rule: StepRule): StepRule[] {
  if (rule.id !== 'mount' && rule.id !== 'spin') return [rule]
  const { before, after } = mountOf(job)
  const own = (of: (typeof before)[number], needs: readonly string[]): StepRule => ({
    ...of,
    needs,
    why: of.why,
    at: 'the core on the bench',
  })
  return rule.id === 'mount'
    ? [
        ...before.map((s) => own(s, ['strip', 'core-off'])),
        { ...rule, needs: [...(rule.needs ?? []), ...before.map((s) => s.id)] },
      ]
    : [rule, ...after.map((s) => own(s, ['mount', 'spin']))]
}

/** Steps that close the way to something: one of one's own goes before one of them. */
export const closers = ['core-on', 'refill', 'fasten', 'covers'] as const

/** A step that was added at the bench comes before the one that closes the way to it. */
const ownRules = (job: Job): StepRule[] =>
  job.build.own.map(({ id, title, minutes, before }) => ({
    id,
    title,
    why: 'Added at the bench.',
    tell: 'While it is open.',
    minutes,
    needs: closers.some((c) => c === before) ? ['strip'] : [],
    cautions: [],
    at: 'under the covers',
  }))

const known = new WeakMap<Job, readonly Step[]>()

/** The steps of a job in an order that respects what each needs, hides and waits for. */
export function stepsOf(job: Job): readonly Step[] {
  const found = known.get(job)
  if (found) return found
  const ids = new Set(job.build.own.map((o) => o.id))
  const rules = catalogue.filter((r) => r.when?.(job) ?? true).flatMap((r) => withMount(job, r))
  const closing = rules.findIndex((r) => r.id === 'fuse-holder')
  const all = [...rules.slice(0, closing), ...ownRules(job), ...rules.slice(closing)]
  const orderable = all.map((r, i) => ({
    rule: r,
    id: r.id,
    needs: [
      ...(r.needs === 'all before' ? all.slice(0, i).map((o) => o.id) : (r.needs ?? [])),
      ...job.build.own.filter((o) => o.before === r.id).map((o) => o.id),
    ],
    at: r.at ?? null,
    hides: r.hides ?? [],
  }))
  const needs = needsOf(orderable)
  const steps = inOrder(orderable).map(({ rule }): Step => {
    const { id, title, why, tell, minutes, waitMinutes, cautions, also, asks, waitsForProofs, runs, torque } = rule
    return {
      id,
      title,
      why,
      minutes,
      tell: typeof tell === 'string' ? tell : tell(job),
      cautions: [...new Set([...cautions, ...(also?.(job) ?? [])])],
      needs: needs.get(id)!,
      asks: asks ?? [],
      waitsForProofs: waitsForProofs ?? false,
      runs: runs ?? false,
      torque: torque?.(job) ?? null,
      own: ids.has(id),
      ...(waitMinutes === undefined ? {} : { waitMinutes }),
    }
  })
  known.set(job, steps)
  return steps
}

/** Hands-on minutes of all steps. */
export const handsOnMinutes = (steps: readonly Step[]): number => steps.reduce((sum, s) => sum + s.minutes, 0)
