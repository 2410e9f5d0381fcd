import { airThroughCores, comparedDuties } from '../cooling'
import { type Job, jobKinds, lookupOf } from '../job'
import { Bench } from '../reading'
import { format } from '../units'
import { say } from '../words'

/** slower than that through the fins behind it, either way, it moves nothing, m/s. @see engineering §2.6 */
const STALL_MS = 0.1

/** A fan that the travel holds up: it stalls, or blows the wrong way. @see engineering §2.6 */
export function travelWarnings(job: Job): { readonly id: string; readonly text: string; readonly helps: string }[] {
  if (!job.cooling || !jobKinds[job.kind].mountsFan || !job.fans.length) return []
  const bench = new Bench(lookupOf(job))
  const duties = comparedDuties(job)
  const states = duties.map((duty) => ({ duty, fans: airThroughCores(bench, job, duty.speed).fans }))
  const first = states[0]?.fans ?? []
  return first.flatMap(({ circuit, running }, i) => {
    const held = states.filter(({ fans }) => {
      const own = fans[i]
      return own !== undefined && Math.abs(own.flows.covered) < STALL_MS * own.areaM2
    })
    const name = `${circuit.fan.part.name}${circuit.suffix}`
    const flow = (m3s: number): string => format(Math.abs(m3s), 'flow', job.units, 2)
    const id = say`travel ${circuit.fan.id}`
    if (held.length)
      return [
        {
          id,
          text: say`${name} stalls ${held.map((s) => s.duty.name).join(say` and `)}: what it blows and what comes from
            in front cancel out.`,
          helps: running.against
            ? say`Swap its wires back, or turn it round.`
            : say`Close the gap round it, or take another place.`,
        },
      ]
    const fast = states.findLast((s) => s.duty.speed !== null)
    if (!running.against || !fast) return []
    const covered = fast.fans[i]!.flows.covered
    return [
      {
        id,
        text: say`${name} blows against the travel: ${fast.duty.name} ${flow(covered)} go
          ${covered < 0 ? say`forwards` : say`rearwards`} through the fins behind it.`,
        helps: say`Swap its wires back, or put it on the other face.`,
      },
    ]
  })
}
