import type { Job } from '../job'
import { format } from '../units'
import { opensCoolant } from './asks'
import { say } from '../words'

/** What came out, what went in, and what that tells. All m³. */
export interface CoolantAccount {
  readonly capacityM3: number
  readonly outM3: number | null
  readonly inM3: number | null
  /** of the old that stayed in engine and hoses: capacity less what came out */
  readonly leftM3: number | null
  /** went in less came out; null until both are known */
  readonly differenceM3: number | null
  readonly verdict: 'open' | 'even' | 'too little went in' | 'more went in' | 'more than it holds'
  readonly words: string
}

/** out and in agree within so much of what it holds (estimate) */
const EVEN = 0.05
/** a jug is read to so much, m³ (estimate) */
const JUG_M3 = 50e-6

/**
 * The coolant's account: less in than out is air in the system, more is a leak or air that was in it before.
 * @returns null where the coolant is not opened
 * @see engineering §8
 */
export function coolantAccount(job: Job): CoolantAccount | null {
  if (!job.cooling || !opensCoolant(job)) return null
  const capacityM3 = job.cooling.volumeM3.value
  const [outM3, inM3] = [job.coolant.outM3?.value ?? null, job.coolant.inM3?.value ?? null]
  const differenceM3 = outM3 === null || inM3 === null ? null : inM3 - outM3
  const tolerance = Math.max(EVEN * capacityM3, JUG_M3)
  const liters = (m3: number): string => format(m3, 'volume', job.units, 3)
  const told = (verdict: CoolantAccount['verdict'], words: string): CoolantAccount => ({
    capacityM3,
    outM3,
    inM3,
    leftM3: outM3 === null ? null : Math.max(0, capacityM3 - outM3),
    differenceM3,
    verdict,
    words,
  })
  if (outM3 !== null && outM3 > capacityM3 + tolerance)
    return told(
      'more than it holds',
      say`More came out than it is said to hold (${liters(capacityM3)}): one of the two is wrong.`,
    )
  if (differenceM3 === null)
    return told(
      'open',
      outM3 === null
        ? say`Not noted yet: measure what comes out.`
        : say`${liters(Math.max(0, capacityM3 - outM3))} stays in engine and hoses; ${liters(outM3)} goes back in.`,
    )
  if (Math.abs(differenceM3) <= tolerance) return told('even', say`As much went in as came out.`)
  return differenceM3 < 0
    ? told(
        'too little went in',
        say`${liters(-differenceM3)} less went in than came out: air is still in it. Bleed, tip, warm it up, look
          again.`,
      )
    : told(
        'more went in',
        say`${liters(differenceM3)} more went in than came out: it was low before, or it leaks. Look under it.`,
      )
}

/** Coolant was let out and none is noted or ticked as back: an engine must not run. */
export const isDry = (job: Job): boolean =>
  opensCoolant(job) &&
  (job.coolant.outM3 !== null || job.build.done.some((d) => d.step === 'drain' || d.step === 'core-off')) &&
  !job.build.done.some((d) => d.step === 'refill')
