import { typical } from '../../reading'
import type { TypicalMachine } from '../typical'
import { say } from '../../words'

export const mm = (n: number) => typical(n / 1000)

/**
 * What stands round a fan that nobody has measured yet; legs of the leads as usual for the machine.
 * @see engineering §7
 */
export const placeBeside = ({ routes, freeBehindMm }: TypicalMachine) => {
  const leg = (id: string, name: string, millimetres: number) => ({ id, name, lengthM: mm(millimetres) })
  return {
    inletFrom: null,
    inletRiseK: typical(10),
    panel: null,
    freeFrontM: mm(freeBehindMm),
    obstacles: [],
    bracketM: mm(2),
    washerM: mm(1),
    channelM: mm(8),
    gapM: mm(2),
    bladeProudM: typical(0, 0.002),
    duct: { lengthM: typical(1), diameterM: mm(76), bends: 2, splitter: false, leadsTo: 'outside' as const },
    leads: {
      fan: [leg('leg1', say`to the joint`, routes.fanMm)],
      probe: [leg('leg1', say`to the controller`, routes.probeMm)],
      controller: [leg('leg1', say`controller to relay or joint`, 250)],
      supply: [leg('leg1', say`controller to battery`, 600)],
    },
    leadsLeave: 'top left' as const,
  }
}
