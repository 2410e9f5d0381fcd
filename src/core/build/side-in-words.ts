import { airSideOf } from '../cooling'
import { blowing } from '../electrical'
import { firstCircuit } from '../fan-circuit'
import type { Job } from '../job'

const drawsOut = (side: Job['place']['side']): string =>
  side === 'puller' ? 'draws the hot air out' : 'pushes cool air in'

/** Where the fan sits and which way it blows: with its wires swapped, the other way than its side has it. */
export function sideInWords(job: Job): string {
  const { side } = job.place
  const fan = firstCircuit(job).fan
  const way = fan && blowing(fan.wiresSwapped, fan.bladeTurned, fan.part.motor)
  const reversed = way?.air === 'reversed'
  if (job.bay)
    return reversed
      ? `Put on as one that ${drawsOut(side)}; its wires are swapped, so it ` +
          `${drawsOut(airSideOf(side, { against: true }))}.`
      : `It ${drawsOut(side)}.`
  const put = side === 'puller' ? 'Behind the core, pulling' : 'In front of the core, pushing'
  return reversed ? `${put}, but with its wires swapped it blows against the travel.` : `${put}.`
}
