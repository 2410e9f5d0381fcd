import type { Job } from '../job'
import { daysBetween } from './days'
import { calendarDay } from '../units'

export type Debt = Job['debts'][number]

/** Fixes for now that stand still. */
export const openDebts = (job: Job): Debt[] => job.debts.filter((d) => d.paid === null)

/** Those that nobody may drive with. */
export const dangerousDebts = (job: Job): Debt[] => openDebts(job).filter((d) => d.dangerous)

/**
 * How long a fix for now has stood, and whether its day is past.
 * @param today calendar day, 2026-01-31
 */
export function debtAge(debt: Debt, today: string): { readonly days: number; readonly over: boolean } {
  return {
    days: Math.max(0, daysBetween(calendarDay(debt.at), today)),
    over: debt.until !== null && debt.until < today,
  }
}
