import { type Job, mountOf, onceAJob } from '../job'
import { inOrder, needsOf } from './order'
import { apartRules } from './rules/apart'
import { beforeRules } from './rules/before'
import { fanRules } from './rules/fan'
import { togetherRules } from './rules/together'
import { wireRules } from './rules/wires'
import type { PlannedStep, StepRule } from './step'

/** Every step there is. Where several may come next, the one that stands first here does. */
const catalogue: readonly StepRule[] = [...beforeRules, ...apartRules, ...fanRules, ...wireRules, ...togetherRules]

/** What the way of fastening adds: before the fan goes on, and once it was spun by hand. */
function withMount(job: Job, rule: StepRule): StepRule[] {
  if (rule.id !== 'mount' && rule.id !== 'spin') return [rule]
  const { before, after } = mountOf(job)
  const own = ({ id, title, minutes }: (typeof before)[number], needs: readonly string[]): StepRule => ({
    id,
    title,
    minutes,
    needs,
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
    minutes,
    needs: closers.some((c) => c === before) ? ['strip'] : [],
    at: 'under the covers',
  }))

/** The steps of a job in an order that respects what each needs, hides and waits for, without what is said of them. */
export const plannedSteps = onceAJob((job): readonly PlannedStep[] => {
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
  const steps = inOrder(orderable).map(
    ({ rule: { id, title, minutes, saved, waitMinutes, asks, waitsForProofs } }): PlannedStep => ({
      id,
      title,
      minutes: minutes - (saved?.(job) ?? 0),
      needs: needs.get(id)!,
      asks: asks ?? [],
      waitsForProofs: waitsForProofs ?? false,
      own: ids.has(id),
      ...(waitMinutes === undefined ? {} : { waitMinutes }),
    }),
  )
  return steps
})

export const isTicked = (job: Job, id: string): boolean => job.build.done.some((d) => d.step === id)

/** Hands-on minutes of all steps. */
export const handsOnMinutes = (steps: readonly PlannedStep[]): number => steps.reduce((sum, s) => sum + s.minutes, 0)
