import { z } from 'zod'

export const line = (max: number) => z.string().max(max)
export const name = (max: number) => z.string().trim().min(1).max(max)
/** a calendar day, 2026-01-31 */
export const daySchema = z.iso.date()
export const momentSchema = z.iso.datetime()

/** A number between two ends. */
export const between = ([low, high]: readonly [number, number]): z.ZodNumber => z.number().min(low).max(high)
