import { allowedCurrent, CONDUCTOR_DERATING } from '../../electrical'
import { following, term, worked, type Bench } from '../../reading'
import { sizeAreaM2 } from '../../units'
import type { Job } from '../document'
import { circuitsOf, conductorAt, runCurrent, terminalLimit, type FanCircuit } from './circuit'
import { fixedScale, over, type MarginDefinition, type PartDefinition } from './part'

/** cross-sections of AWG sizes are told to three figures, so a terminal or a least size is met within this */
const AREA_GRAIN = 1e-3

function partsOf(job: Job, circuit: FanCircuit): PartDefinition[] {
  const limit = terminalLimit(job, circuit)
  return circuit.conductors.flatMap((c): PartDefinition[] => {
    const what = `${c.role === 'feed' ? 'feed' : 'way back'}${circuit.suffix}`
    const carries = { id: `carries, ${what}`, name: `in what the ${what} carries`, unit: 'A', required: 0 } as const
    if (!circuit.fan) return [{ ...carries, needs: 'a fan' }]
    if (c.size === null) return [{ ...carries, needs: `a size for the ${what}` }]
    const { fan } = circuit
    const area = sizeAreaM2(c.size)
    const least = job.limits.leastAreaM2
    const areaPart = (id: string, name: string, capacity: number, demand: number, names: readonly [string, string]): PartDefinition => ({
      id: `${id}, ${what}`, name, unit: 'mm²', required: 0, scale: fixedScale(1),
      compute: () => {
        const close = Math.abs(capacity - demand) <= AREA_GRAIN * demand
        return over({ name: names[0], value: capacity }, { name: names[1], value: close ? capacity : demand }, 0, 'area', '§1.3')
      },
    })
    return [
      {
        ...carries, scale: (bench: Bench) => runCurrent(bench, fan).value / 4,
        compute: (bench) => {
          const current = runCurrent(bench, fan)
          const allow = allowedCurrent(c.size!, conductorAt(bench, c), what)
          const used = following([allow], worked('of which it is used up to', '0.8 × {0}', [term('allowed', allow.value, 'current')], CONDUCTOR_DERATING * allow.value, 'current', '§1.3'))
          return over(used, current, 0, 'current', '§1.3')
        },
      },
      areaPart('strong enough', `in the strength of the ${what}`, area, least, [c.size, 'least for strength']),
      ...(limit === null ? [] : [areaPart('fits the terminal', `of room in the terminal for the ${what}`, limit, area, ['the terminal accepts', c.size])]),
    ]
  })
}

/** Every conductor: carries, strong enough, fits its terminal. @see engineering §1.1, §1.3, margins.md */
export const wireMargin = (job: Job): MarginDefinition => ({ id: 'wire', name: 'Wire', parts: circuitsOf(job).flatMap((c) => partsOf(job, c)) })
