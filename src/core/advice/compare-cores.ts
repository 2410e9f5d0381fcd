import { percent } from '../units'
import { airThroughCores, boilsAt, comparedDuties, cooledAt, type WhichCore } from '../cooling'
import { type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { say } from '../words'

/** a third of the face, at 14 fins per inch, as seed fluff leaves it */
const THIRD = 1 / 3

/** The present core against the new one at one duty, clean or blocked. */
export interface CoreComparison {
  readonly duty: string
  readonly blocked: 'clean' | 'a third blocked'
  /** heat carried off, W */
  readonly presentW: number
  readonly newW: number
  /** air through both zones, m³/s */
  readonly presentM3s: number
  readonly newM3s: number
  /** new over present, less one */
  readonly gain: number
}

/**
 * Cooling of the present core and of the new one with the same fan, at standstill, slow work and speed, clean and with
 * a third blocked by fluff (of 14 fins per inch: coarser fins block less).
 * @returns empty where the job has no new core
 * @see engineering §2.4, §2.5, §2.6
 */
export function comparedCores(job: Job): CoreComparison[] {
  if (!job.newCore || !job.cooling || !job.engine) return []
  const bench = new Bench(lookupOf(job))
  const coolantC = boilsAt(bench, job).at.c - job.limits.boilKeepK
  return (['clean', 'a third blocked'] as const).flatMap((blocked) =>
    comparedDuties(job).map((duty): CoreComparison => {
      const blockedAt14 = blocked === 'clean' ? 0 : THIRD
      const at = (which: WhichCore) => {
        const air = airThroughCores(bench, job, duty.speed, { which, blockedAt14 })
        return {
          carried: cooledAt(bench, job, duty, coolantC, { which, blockedAt14 }).carriedW,
          flow: air.zones.flat().reduce((sum, z) => sum + Math.abs(z.flow), 0),
        }
      }
      const [present, fresh] = [at('present'), at('new')]
      return {
        duty: duty.name,
        blocked,
        presentW: present.carried,
        newW: fresh.carried,
        presentM3s: present.flow,
        newM3s: fresh.flow,
        // where neither carries anything, without a fan at standstill, neither is better
        gain: present.carried === fresh.carried ? 0 : fresh.carried / present.carried - 1,
      }
    }),
  )
}

const SAME = 0.01

/** One plain answer, and why. */
export function coresInWords(rows: readonly CoreComparison[]): string {
  if (!rows.length) return ''
  const says = (r: CoreComparison): string =>
    `${percent(Math.abs(r.gain))} ${r.gain > 0 ? say`better` : say`worse`} ` +
    `${r.duty}${r.blocked === 'clean' ? '' : say`, a third blocked`}`
  const worse = rows.filter((r) => r.gain < -SAME)
  const better = rows.filter((r) => r.gain > SAME)
  const air = rows[0]!.newM3s / rows[0]!.presentM3s - 1
  const less = `${percent(Math.abs(air))} ${air < 0 ? say`less` : say`more`}`
  const why = Number.isFinite(air)
    ? say`The same fan gets ${less} air through it standing`
    : say`Standing, no air goes through either without a fan`
  if (!worse.length && !better.length) return say`The new core does as well as the present one. ${why}.`
  if (!better.length)
    return say`The new core is worse here: ${says(worst(worse))}. ${why}: what the depth gains, the lost air takes
      back.`
  if (!worse.length) return say`The new core is better: ${says(best(better))}. ${why}.`
  return say`It depends: ${says(best(better))}, but ${says(worst(worse))}. ${why}.`
}

const worst = (rows: readonly CoreComparison[]): CoreComparison => rows.reduce((a, b) => (b.gain < a.gain ? b : a))
const best = (rows: readonly CoreComparison[]): CoreComparison => rows.reduce((a, b) => (b.gain > a.gain ? b : a))
