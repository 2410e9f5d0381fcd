import type { Job, LeadName, Seat } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { say } from '../words'

const LEAD_SPARE = 1.05
const SERVICE_LOOP_M = 0.05

/** On the core a lead runs along its edges, so across and down add up. */
function alongTheCore(bench: Bench, job: Job, seat: Seat | null): number {
  if (!seat || !job.cooling) return 0
  const [w, h] = [bench.value('cooling.coreWidthM'), bench.value('cooling.coreHeightM')]
  const x = job.place.leadsLeave.endsWith('left') ? 0 : w
  const y = job.place.leadsLeave.startsWith('top') ? 0 : h
  const across = seat.core > 0 ? bench.value('cooling.betweenCoresM') * seat.core : 0
  // legs are measured from the middle of the core, so only what lies further or nearer than that counts
  return Math.abs(seat.xM - x) + Math.abs(seat.yM - y) - (w + h) / 2 + across
}

/** Where the thing that a lead comes from sits on the core; null where it sits nowhere on one. */
export function seatOfLead(job: Job, lead: LeadName, n = 0): Seat | null {
  if (lead === 'fan') return job.fans[n]?.seat ?? null
  return lead === 'probe' ? (job.probes[n]?.seat ?? null) : null
}

/**
 * Lead that a way asks for: its legs and what its place on the core adds, + 5 %, a service loop, and what steering
 * takes.
 * Addresses are put together once, so that a sampling run only looks them up.
 * @returns metres, for any pass over the readings
 * @see engineering §7
 */
export function reachOf(job: Job, lead: LeadName, seat: Seat | null): (bench: Bench) => Worked {
  const legs = job.place.leads[lead].map((l) => `place.leads.${lead}.${l.id}.lengthM`)
  const formula = [...legs, ...(seat ? [''] : [])].map((_, i) => `{${i}}`).join(' + ')
  return (bench) => {
    const onCore = alongTheCore(bench, job, seat)
    const way = legs.reduce((sum, l) => sum + bench.value(l), onCore)
    const terms = legs.map((l) => bench.term(l))
    if (seat) terms.push(term(say`for its place on the core`, onCore, 'length'))
    return following(
      [worked(say`way of the lead`, formula, terms, way, 'length', '§7')],
      worked(
        say`lead needed`,
        '{0} × 1.05 + 50 mm + {1}',
        [term(say`way`, way, 'length'), bench.term('place.sweepM')],
        LEAD_SPARE * Math.max(0, way) + SERVICE_LOOP_M + bench.value('place.sweepM'),
        'length',
        '§7',
      ),
    )
  }
}
