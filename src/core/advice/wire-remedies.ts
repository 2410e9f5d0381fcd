import { circuitsOf, type FanCircuit, firstCircuit } from '../fan-circuit'
import { changeFuse, changeSizes, changeWiring, type Job } from '../job'
import type { Station } from '../fields'
import { isFuseMissing, isGuardPart, type MarginResult } from '../margins'
import { loadsOf } from '../wiring'
import { holdingFuse, holdingSize } from './propose'
import { TAP_FUSE_A } from '../electrical'
import { say } from '../words'

/** Something that would help a margin; `change` does it at once where it is one choice. */
export interface Remedy {
  readonly text: string
  readonly station: Station
  readonly change?: (job: Job) => Job
}

/** The circuit that the deciding part of a margin speaks of. */
export function circuitOf(job: Job, margin: MarginResult): FanCircuit {
  const run = margin.parts.find((p) => p.id === margin.part)?.run
  return circuitsOf(job).find((c) => c.run.id === run) ?? firstCircuit(job)
}
export const placeOf = (job: Job, circuit: FanCircuit): number => circuitsOf(job).indexOf(circuit)

export const sizeRemedy = (job: Job, margin: MarginResult): Remedy[] => {
  const circuit = circuitOf(job, margin)
  const choice = holdingSize(job, job.units, placeOf(job, circuit))
  const { suffix, conductors } = circuit
  if (choice.kind === 'size')
    return conductors.some((c) => c.size !== choice.size)
      ? [
          {
            text: say`Use ${choice.size} for feed and way back${suffix}`,
            station: 'wire',
            change: (j) => changeSizes(j, choice.size, circuit.run.conductors),
          },
        ]
      : []
  if (choice.kind === 'joint and tail') {
    return [
      {
        text: say`Run ${choice.size} to a joint close by, then a short tail${
          choice.tail ? say` of ${choice.tail}` : ''
        } that fits the terminal`,
        station: 'wire',
      },
    ]
  }
  return [
    {
      text: say`No size will do: shorten the way, take it through cooler places, or choose a lighter fan`,
      station: 'wire',
    },
  ]
}

/** What brings a fuse before every conductor, or brings to light which one is there. @see engineering §1.4 */
export function guardRemedies(job: Job, margin: MarginResult): Remedy[] {
  const { wiring, engine } = job
  if (!margin.parts.some((p) => p.verdict !== 'holds' && isGuardPart(p))) return []
  const found: Remedy[] = []
  const past = job.runs.some((r) => loadsOf(job).pastFuse.has(r.id))
  if (past && wiring.override === 'key')
    return [
      {
        text: say`Take the override’s current from behind the fan’s fuse`,
        station: 'wire',
        change: (j) => changeWiring(j, { override: 'feed' }),
      },
    ]
  if (wiring.timer && wiring.timerFrom === 'battery')
    found.push({
      text: say`Take the timer’s current from behind the fan’s fuse`,
      station: 'wire',
      change: (j) => changeWiring(j, { timerFrom: 'feed' }),
    })
  if (wiring.call && wiring.callFrom === 'key' && engine === null)
    found.push({
      text: say`Take the call’s current from behind the fan’s fuse`,
      station: 'wire',
      change: (j) => changeWiring(j, { callFrom: 'feed' }),
    })
  if (engine !== null && wiring.tapFuseA === null)
    found.push({
      text: say`Put a ${TAP_FUSE_A} A fuse of your own where the wires leave the switched wire`,
      station: 'wire',
      change: (j) => changeWiring(j, { tapFuseA: TAP_FUSE_A }),
    })
  return found.length
    ? found
    : [{ text: say`Choose another way of wiring: one that leads nothing past its fuse`, station: 'wire' }]
}

export function fuseRemedy(job: Job, margin: MarginResult): Remedy[] {
  const guards = guardRemedies(job, margin)
  // no rating helps what goes past the fuse
  const past =
    margin.parts.some((p) => p.verdict === 'short' && p.value === null && isGuardPart(p)) &&
    !margin.parts.some(isFuseMissing)
  return past ? guards : [...ratingRemedy(job, margin), ...guards]
}

const ratingRemedy = (job: Job, margin: MarginResult): Remedy[] => {
  const circuit = circuitOf(job, margin)
  const n = placeOf(job, circuit)
  if (!circuit.fan) return [{ text: say`Choose the fan, then its fuse`, station: 'place' }]
  if (circuit.conductors.some((c) => c.size === null)) return sizeRemedy(job, margin)
  const choice = holdingFuse(job, n)
  if (!choice)
    return [
      { text: say`No blade fuse both carries this fan and guards this wire: use a thicker conductor`, station: 'wire' },
    ]
  return circuit.fuse?.ratingA === choice.ratingA
    ? []
    : [
        {
          text: say`Fit a ${choice.ratingA} A fuse${circuit.suffix}`,
          station: 'wire',
          change: (j) => changeFuse(j, choice.ratingA, undefined, n),
        },
      ]
}
