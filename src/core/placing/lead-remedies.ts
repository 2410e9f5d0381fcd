import { leadError, POST_DISTANCE_M, resistancePerMetre } from '../electrical'
import { eachOnce, type FanCircuit, fannedCircuits, inNumber } from '../fan-circuit'
import { type Job, type LeadName, lookupOf, type Seat } from '../job'
import { Bench } from '../reading'
import { format } from '../units'
import { reachOf } from './leads'
import { PROBE_LEAD } from './probe-lead'
import { say } from '../words'

/** One lead that comes with a part, against the way it has to go. */
export interface LeadReach {
  readonly lead: LeadName
  /** of which fan, probe or controller */
  readonly id: string
  /** "fan's lead", "fan's lead, fan 2" */
  readonly name: string
  readonly suppliedM: number
  readonly neededM: number
  readonly overM: number
  /** ways out where it is short, each with what it brings with it */
  readonly waysOut: readonly string[]
}

const names: Readonly<Record<LeadName, string>> = {
  fan: say`fan's lead`,
  probe: say`probe's lead`,
  controller: say`controller's lead`,
  supply: say`supply lead`,
}

export const leadName = (lead: LeadName): string => names[lead]
/** what a splice takes up, so that it can be made again, m */
const SPLICE_M = 0.05

/** A lead as it comes: of what, how long, and in which fan's circuit. */
interface Supplied {
  readonly lead: LeadName
  readonly id: string
  readonly suppliedM: number
  readonly circuit: FanCircuit
}

/** Every lead that comes with a chosen part, each once, by kind; what fans share bears the first one's number. */
function suppliedLeads(seen: Job): Supplied[] {
  const job = inNumber(seen)
  const lead = (of: LeadName, id: string, reading: { readonly value: number } | null | undefined, c: FanCircuit) =>
    reading ? [{ lead: of, id, suppliedM: reading.value, circuit: c }] : []
  const controllers = eachOnce(job, 'controller')
  return [
    ...fannedCircuits(job).flatMap((c) => lead('fan', c.fan.id, c.fan.part.leadM, c)),
    ...eachOnce(job, 'probe').flatMap(([p, c]) => lead('probe', p.id, p.part?.leadM, c)),
    ...controllers.flatMap(([k, c]) => lead('controller', k.id, k.part.leadM, c)),
    ...controllers.flatMap(([k, c]) => lead('supply', k.id, k.part.supplyLeadM, c)),
  ]
}

/** Where what a lead comes from sits on the core; null where it sits nowhere on one. */
const seatOf = ({ lead, circuit }: Pick<Supplied, 'lead' | 'circuit'>): Seat | null => {
  if (lead === 'fan') return circuit.fan?.seat ?? null
  return lead === 'probe' ? circuit.probe.seat : null
}

/** How much colder a probe reads for so much more lead, there and back, at its set point; K. @see engineering §1.10 */
function colder({ probe, controller }: FanCircuit, moreM: number): number {
  const { part } = probe
  const set = controller?.setC ?? 90
  if (!part) return 0
  const error = (lengthM: number): number =>
    leadError(set, 2 * lengthM * resistancePerMetre(PROBE_LEAD, 20), { r25Ohm: part.r25Ohm, betaK: part.betaK })
  return Math.abs(error(part.leadM.value + moreM) - error(part.leadM.value))
}

/** The seat on the same core that is nearest to where the leads leave it. */
const nearestSeat = (job: Job, { fan }: FanCircuit, seat: Seat): Seat => {
  const half = (fan?.part.housingM.value ?? 0) / 2
  const { coreWidthM, coreHeightM } = job.cooling!
  return {
    core: 0,
    xM: job.place.leadsLeave.endsWith('left') ? half : coreWidthM.value - half,
    yM: job.place.leadsLeave.startsWith('top') ? Math.min(half, seat.yM) : Math.max(coreHeightM.value - half, seat.yM),
  }
}

function waysOut(job: Job, bench: Bench, { lead, circuit }: Supplied, shortM: number): string[] {
  const mm = (m: number): string => format(m, 'length', job.units, 2)
  const more = Math.ceil((shortM + SPLICE_M) * 100) / 100
  const extend = {
    fan: say`Extend it by ${mm(more)} in the same size: two more joints, sealed, away from the blades.`,
    probe: say`Extend it by ${mm(more)} with thin screened wire, two joints: the probe then reads
      ${format(colder(circuit, more), 'temperatureDifference', job.units, 1)} colder at its set point.`,
    controller: say`Extend it by ${mm(more)} in the size of the fan's feed: two more joints in the fan's path, a
      little more drop.`,
    supply: say`Extend it by ${mm(more)} in the size of the feed; the fuse stays within ${mm(POST_DISTANCE_M)} of the
      post.`,
  }[lead]
  const by = mm(shortM / 1.05)
  const nearer = {
    fan: say`Bring the joint ${by} nearer to the core.`,
    probe: say`Move the controller ${by} nearer: the leads on its other side grow by as much.`,
    controller: say`Move the controller ${by} nearer to the relay or joint: the probe's lead may want more.`,
    supply: say`Move the controller ${by} nearer to the battery: the probe's lead may want more.`,
  }[lead]
  const seat = lead === 'fan' ? seatOf({ lead, circuit }) : null
  const gain = seat
    ? reachOf(job, 'fan', seat)(bench).value - reachOf(job, 'fan', nearestSeat(job, circuit, seat))(bench).value
    : 0
  return [
    extend,
    nearer,
    ...(gain > 0.01
      ? [
          say`Seat the fan nearer to the corner where the leads leave: up to ${mm(gain)} less
            lead${gain < shortM ? say`, not enough alone` : ''}.`,
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
  return suppliedLeads(job).map((supplied): LeadReach => {
    const { lead, id, suppliedM, circuit } = supplied
    const neededM = reachOf(job, lead, seatOf(supplied))(bench).value
    const overM = suppliedM - neededM
    return {
      lead,
      id,
      name: `${names[lead]}${circuit.suffix}`,
      suppliedM,
      neededM,
      overM,
      waysOut: overM < 0 ? waysOut(job, bench, supplied, -overM) : [],
    }
  })
}
