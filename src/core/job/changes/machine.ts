import type { Ground, MechanicalHold } from '../choices'
import { chargeFromRating } from '../../electrical'
import type { BatteryPart } from '../../parts'
import { typical } from '../../reading'
import type { Job } from '../document'
import type { Cooling } from '../schema/heat'
import type { Seat } from '../schema/place'
import type { Trailer } from '../schema/power'

/** Who sits on a core that goes sits in the same place on the last one that stays. */
export function changeCooling(job: Job, change: Partial<Cooling>): Job {
  if (!job.cooling) return job
  const cooling = { ...job.cooling, ...change }
  const onCore = <E extends { readonly seat: Seat | null }>(entry: E): E =>
    entry.seat && entry.seat.core >= cooling.cores
      ? { ...entry, seat: { ...entry.seat, core: cooling.cores - 1 } }
      : entry
  return { ...job, cooling, fans: job.fans.map(onCore), probes: job.probes.map(onCore) }
}

/** The job as it is with the present core. */
export const withoutNewCore = (job: Job): Job =>
  job.kind === 'thicker-core' ? { ...job, kind: 'core', newCore: null } : job

export const changeTrailer = (job: Job, change: Partial<Trailer>): Job =>
  job.trailer ? { ...job, trailer: { ...job.trailer, ...change } } : job

/** share blocked at 14 fins per inch by each kind of ground (estimates). @see typical.md */
const blocks: Readonly<Record<Ground, number>> = { clean: 0, dust: 0.1, 'mud or seed fluff': 0.3 }

/** Another ground brings its own share, typical again. */
export const changeGround = (job: Job, ground: Ground): Job => ({
  ...job,
  surroundings: { ...job.surroundings, ground, blockedShare: typical(blocks[ground]) },
})

/** Charging known from the rating, or from a clamp at three speeds, which begin as what the rating promises. */
export function changeCharging(job: Job, known: 'rating' | 'points'): Job {
  if (known === 'rating' || job.charging.points.length) return { ...job, charging: { ...job.charging, known } }
  const { ratedA, ratedRpm } = job.charging
  const { engine } = job
  if (!engine) return job
  const points = (['idle', 'slow', 'cruise'] as const).map((id) => {
    // nobody has measured a speed by saying that a clamp was used
    const rpm = engine[`${id}Rpm`]
    return {
      id,
      rpm,
      currentA: typical(chargeFromRating(rpm.value, ratedA.value, ratedRpm.value, engine.idleRpm.value).value),
    }
  })
  return { ...job, charging: { ...job.charging, known, points } }
}

/** Two 12 V batteries in series: a regulator's voltage that is still a guess doubles with them. */
export function changeSystemVoltage(job: Job, systemV: 12 | 24): Job {
  const { regulatorV } = job.charging
  const guess = regulatorV.source === 'typical'
  return {
    ...job,
    machine: { ...job.machine, systemV },
    charging: guess
      ? { ...job.charging, regulatorV: { ...regulatorV, value: 14.2 * (systemV / 12), spread: 0.3 * (systemV / 12) } }
      : job.charging,
  }
}

/** The complaint's own figures, noted on a run before anything comes apart. */
export const changeComplaintReading = (job: Job, which: 'after' | 'aboveC', value: number, typed: string): Job => ({
  ...job,
  complaint: { ...job.complaint, [which]: { value, source: 'measured', typed } },
})

/** The first battery's figures from its label. */
export const takeBatteryLabel = (job: Job, { chemistry, hourRateH, capacityAh, coldCrankingA }: BatteryPart): Job => ({
  ...job,
  batteries: job.batteries.map((b, i) =>
    i === 0
      ? {
          ...b,
          kind: chemistry,
          hourRateH,
          capacityAh,
          coldCrankingA: b.crankingA === null ? null : (coldCrankingA ?? b.coldCrankingA),
        }
      : b,
  ),
})

/** How one of a machine's "is a fan the cure?" questions was answered; null takes the answer back. */
export const answerCheck = (job: Job, id: string, found: 'ruled out' | 'looks like it' | null, at: string): Job => ({
  ...job,
  checks: [...job.checks.filter((c) => c.id !== id), ...(found ? [{ id, found, at }] : [])],
})

/** Whether a fan that the engine turns comes off. */
export const takesMechanicalFan = (job: Job, comesOff: boolean): Job => ({
  ...job,
  mechanicalFan: comesOff ? (job.mechanicalFan ?? { looked: [] }) : null,
})

/** What such a fan held besides, and how it is made good. */
export const lookAtHold = (
  job: Job,
  id: MechanicalHold,
  change: { readonly holds?: boolean; readonly madeGood?: string },
): Job => {
  if (!job.mechanicalFan) return job
  const old = job.mechanicalFan.looked.find((l) => l.id === id) ?? { id, holds: false, madeGood: '' }
  return {
    ...job,
    mechanicalFan: { looked: [...job.mechanicalFan.looked.filter((l) => l.id !== id), { ...old, ...change }] },
  }
}
