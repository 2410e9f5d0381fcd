import { eachOnce, fannedCircuits } from '../fan-circuit'
import { type Job, type Spending, spendings } from '../job'
import type { Part } from '../parts'

/** What may be spent on a part of a job, and what was. */
export interface BudgetLine {
  readonly of: Spending
  /** null: nobody said */
  readonly budget: number | null
  readonly spent: number
  /** what it is over its budget; null: it is not, or has none */
  readonly over: number | null
  /** things bought for it that nobody noted a price of: it is more than `spent` */
  readonly unpriced: number
}

const cents = (v: number): number => Math.round(100 * v) / 100

/** A job's money by what it goes to; lines without a budget and without a purchase are left out. */
export function budgetOf({ money, bought }: Pick<Job, 'money' | 'bought'>): BudgetLine[] {
  return spendings.flatMap((of): BudgetLine[] => {
    const own = bought.filter((b) => b.of === of)
    const budget = of === 'other' ? null : money.budget[of]
    const spent = cents(own.reduce((sum, b) => sum + b.count * (b.price ?? 0), 0))
    const over = budget !== null && spent > budget ? cents(spent - budget) : null
    return budget === null && !own.length
      ? []
      : [{ of, budget, spent, over, unpriced: own.filter((b) => b.price === null).length }]
  })
}

/** Something that a chosen part needs and that does not come with it. */
export interface Separately {
  readonly part: string
  readonly needs: string
}

/** What is sold separately of all that a job has chosen: it is in no price of a box. */
export function soldSeparately(job: Job): Separately[] {
  const parts: readonly (Part | null)[] = [
    ...fannedCircuits(job).map((c) => c.fan.part),
    ...eachOnce(job, 'controller').map(([c]) => c.part),
    ...eachOnce(job, 'probe').map(([p]) => p.part),
    ...job.relays.map((r) => r.part),
    ...job.switches.map((s) => s.part),
  ]
  const each = parts.flatMap((p) => (p?.separately ?? []).map((needs) => ({ part: p!.name, needs })))
  return [...new Map(each.map((s) => [`${s.part}|${s.needs}`, s])).values()]
}
