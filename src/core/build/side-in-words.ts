import { airSideOf } from '../cooling'
import { blowing } from '../electrical'
import { firstCircuit } from '../fan-circuit'
import type { Job } from '../job'
import { say } from '../words'

const drawsOut = (side: Job['place']['side']): string =>
  side === 'puller' ? say`draws the hot air out` : say`pushes cool air in`

/** Where the fan sits and which way it blows: with its wires swapped, the other way than its side has it. */
export function sideInWords(job: Job): string {
  const { side } = job.place
  const fan = firstCircuit(job).fan
  const way = fan && blowing(fan.wiresSwapped, fan.bladeTurned, fan.part.motor)
  const reversed = way?.air === 'reversed'
  if (job.bay)
    return reversed
      ? say`Put on as one that ${drawsOut(side)}; its wires are swapped, so it
        ${drawsOut(airSideOf(side, { against: true }))}.`
      : say`It ${drawsOut(side)}.`
  const put = side === 'puller' ? say`Behind the core, pulling` : say`In front of the core, pushing`
  return reversed ? say`${put}, but with its wires swapped it blows against the travel.` : `${put}.`
}
