import { fixedScale, type MarginDefinition, ofRun, over, type PartDefinition } from './part'
import { allowedCurrent, CONDUCTOR_DERATING } from '../electrical'
import { circuitsOf, conductorAt, terminalLimit } from '../fan-circuit'
import type { Job } from '../job'
import { type Bench, following, term, worked } from '../reading'
import { sizeAreaM2 } from '../units'
import { type ConductorLoad, currentIn, loadsOf } from '../wiring'
import { say } from '../words'

/** cross-sections of AWG sizes are told to three figures, so a terminal or a least size is met within this */
const AREA_GRAIN = 1e-3

function partsOf(job: Job, { conductor: c, id: which, name: what, most }: ConductorLoad): PartDefinition[] {
  const carries = { id: `carries, ${which}`, name: say`in what the ${what} carries`, unit: 'A', required: 0 } as const
  if (!job.fans.length) return [{ ...carries, needs: say`a fan` }]
  if (c.size === null) return [{ ...carries, needs: say`a size for the ${what}` }]
  const area = sizeAreaM2(c.size)
  const circuit = circuitsOf(job).find((x) => x.run.conductors.includes(c.id))
  const limit = circuit ? terminalLimit(circuit) : null
  // one told by eye counts as thinner for what it carries, and goes into a terminal as it is
  const stated = job.conductors.find((o) => o.id === c.id)?.size ?? c.size
  const areaPart = (
    id: string,
    name: string,
    capacity: number,
    demand: number,
    names: readonly [string, string],
  ): PartDefinition => ({
    id: `${id}, ${which}`,
    name,
    unit: 'mm²',
    required: 0,
    scale: fixedScale(1),
    compute: () => {
      const close = Math.abs(capacity - demand) <= AREA_GRAIN * demand
      return over(
        { name: names[0], value: capacity },
        { name: names[1], value: close ? capacity : demand },
        0,
        'area',
        '§1.3',
      )
    },
  })
  return [
    {
      ...carries,
      scale: (bench: Bench) => currentIn(bench, job, most).value / 4,
      compute: (bench) => {
        const current = currentIn(bench, job, most)
        const allow = allowedCurrent(c.size!, conductorAt(bench, c), what)
        const used = following(
          [allow],
          worked(
            say`of which it is used up to`,
            '0.8 × {0}',
            [term(say`allowed`, allow.value, 'current')],
            CONDUCTOR_DERATING * allow.value,
            'current',
            '§1.3',
          ),
        )
        return over(used, current, 0, 'current', '§1.3')
      },
    },
    areaPart('strong enough', say`in the strength of the ${what}`, area, job.limits.leastAreaM2, [
      c.size,
      say`least for strength`,
    ]),
    ...(limit === null
      ? []
      : [
          areaPart('fits the terminal', say`of room in the terminal for the ${what}`, limit, sizeAreaM2(stated), [
            say`the terminal accepts`,
            stated,
          ]),
        ]),
  ]
}

/**
 * Every conductor that carries a fan's current: carries, strong enough, fits its terminal.
 * @see engineering §1.1, §1.3, §5, margins.md
 */
export const wireMargin = (job: Job): MarginDefinition => ({
  id: 'wire',
  name: say`Wire`,
  parts: loadsOf(job).conductors.flatMap((c) => {
    const circuit = c.pieces[0]?.circuit
    return circuit ? ofRun(circuit, partsOf(job, c)) : partsOf(job, c)
  }),
})
