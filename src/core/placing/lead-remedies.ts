import { leadError, resistancePerMetre } from '../electrical'
import { type Job, type LeadName, leadNames, lookupOf, type Seat } from '../job'
import { Bench } from '../reading'
import { format } from '../units'
import { reachOf, seatOfLead } from './leads'

/** One lead that comes with a part, against the way it has to go. */
export interface LeadReach {
  readonly lead: LeadName
  readonly suppliedM: number
  readonly neededM: number
  readonly overM: number
  /** ways out where it is short, each with what it brings with it */
  readonly waysOut: readonly string[]
}

const names: Readonly<Record<LeadName, string>> = {
  fan: "fan's lead",
  probe: "probe's lead",
  controller: "controller's lead",
  supply: 'supply lead',
}

export const leadName = (lead: LeadName): string => names[lead]
/** probe leads are thin: 22 AWG is the thinnest that is handled without breaking */
const THIN = '22 AWG'
/** what a splice takes up, so that it can be made again, m */
const SPLICE_M = 0.05

function suppliedOf(job: Job, lead: LeadName): number | null {
  if (lead === 'fan') return job.fans[0]?.part.leadM.value ?? null
  if (lead === 'probe') return job.probes[0]?.part?.leadM.value ?? null
  const part = job.controllers[0]?.part
  return (lead === 'controller' ? part?.leadM : part?.supplyLeadM)?.value ?? null
}

/** How much colder a probe reads for so much more lead, there and back, at its set point; K. @see engineering §1.10 */
function colder(job: Job, moreM: number): number {
  const part = job.probes[0]?.part
  const set = job.controllers[0]?.setC ?? 90
  if (!part) return 0
  const error = (lengthM: number): number =>
    leadError(set, 2 * lengthM * resistancePerMetre(THIN, 20), { r25Ohm: part.r25Ohm, betaK: part.betaK })
  return Math.abs(error(part.leadM.value + moreM) - error(part.leadM.value))
}

/** The seat on the same core that is nearest to where the leads leave it. */
const nearestSeat = (job: Job, seat: Seat): Seat => {
  const half = (job.fans[0]?.part.housingM.value ?? 0) / 2
  const { coreWidthM, coreHeightM } = job.cooling!
  return {
    core: 0,
    xM: job.place.leadsLeave.endsWith('left') ? half : coreWidthM.value - half,
    yM: job.place.leadsLeave.startsWith('top') ? Math.min(half, seat.yM) : Math.max(coreHeightM.value - half, seat.yM),
  }
}

function waysOut(job: Job, bench: Bench, lead: LeadName, shortM: number): string[] {
  const mm = (m: number): string => format(m, 'length', job.units, 2)
  const more = Math.ceil((shortM + SPLICE_M) * 100) / 100
  const extend = {
    fan: `Extend it by ${mm(more)} in the same size: two more joints, sealed, away from the blades.`,
    probe:
      `Extend it by ${mm(more)} with thin screened wire, two joints: the probe then reads ` +
      `${format(colder(job, more), 'temperatureDifference', job.units, 1)} colder at its set point.`,
    controller:
      `Extend it by ${mm(more)} in the size of the fan's feed: two more joints in the fan's path, a ` +
      `little more drop.`,
    supply: `Extend it by ${mm(more)} in the size of the feed; the fuse stays within 180 mm of the post.`,
  }[lead]
  const nearer = {
    fan: `Bring the joint ${mm(shortM / 1.05)} nearer to the core.`,
    probe: `Move the controller ${mm(shortM / 1.05)} nearer: the leads on its other side grow by as much.`,
    controller:
      `Move the controller ${mm(shortM / 1.05)} nearer to the relay or joint: the probe's lead may ` + `want more.`,
    supply: `Move the controller ${mm(shortM / 1.05)} nearer to the battery: the probe's lead may want more.`,
  }[lead]
  const seat = lead === 'fan' ? seatOfLead(job, 'fan') : null
  const gain = seat
    ? reachOf(job, 'fan', seat)(bench).value - reachOf(job, 'fan', nearestSeat(job, seat))(bench).value
    : 0
  return [
    extend,
    nearer,
    ...(gain > 0.01
      ? [
          `Seat the fan nearer to the corner where the leads leave: up to ${mm(gain)} less ` +
            `lead${gain < shortM ? ', not enough alone' : ''}.`,
        ]
      : []),
  ]
}

/**
 * Every lead that comes with a chosen part: what it needs, what it has, and what to do where it is short.
 * @see engineering §7, §1.10
 */
export function leadReaches(job: Job): LeadReach[] {
  const bench = new Bench(lookupOf(job))
  return leadNames.flatMap((lead): LeadReach[] => {
    const suppliedM = suppliedOf(job, lead)
    if (suppliedM === null) return []
    const neededM = reachOf(job, lead, seatOfLead(job, lead))(bench).value
    const overM = suppliedM - neededM
    return [{ lead, suppliedM, neededM, overM, waysOut: overM < 0 ? waysOut(job, bench, lead, -overM) : [] }]
  })
}
