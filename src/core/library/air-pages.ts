import { boilsAt, comparedDuties, cooledAt, movedAir, movedBy } from '../cooling'
import { firstCircuit } from '../fan-circuit'
import { type Job, lookupOf, withReadingTimes } from '../job'
import { Bench } from '../reading'
import { format, percent } from '../units'
import { type LibraryPage, told } from './page'
import { say } from '../words'

const benchOf = (job: Job): Bench => new Bench(lookupOf(job))
/** A fan that moves air where it sits. */
const hasFan = (job: Job): boolean =>
  firstCircuit(job).fan !== null && (job.cooling !== null || job.bay !== null) && movedBy(benchOf(job), job) > 0
const onCore = (job: Job): boolean => hasFan(job) && job.cooling !== null && job.engine !== null
const flow = (job: Job, m3s: number): string => format(m3s, 'flow', job.units, 2)

/** Heat that a core carries at each duty, as near to boiling as the job allows, and the air that the fan moves. */
function carries(job: Job): string[] {
  const bench = benchOf(job)
  const hot = boilsAt(bench, job).at.c - job.limits.boilKeepK
  return [
    flow(job, movedBy(bench, job)),
    ...comparedDuties(job).map((d) => format(cooledAt(bench, job, d, hot).carriedW, 'cooling', job.units, 3)),
  ]
}
const dutyColumns = (job: Job): string[] => [
  say`air standing`,
  ...comparedDuties(job).map((d) => say`carries ${d.name}`),
]

const onTheBox: LibraryPage = {
  id: 'flow-on-the-box',
  when: hasFan,
  tell: (job) => {
    const { part } = firstCircuit(job).fan!
    const moved = movedAir(job, part)
    return [
      told(say`In short`, [
        say`On its box stand ${flow(job, part.freeFlowM3s.value)}: in free air, with nothing before it and nothing
          behind.`,
        ...(moved
          ? [
              say`Here it moves ${flow(job, moved.flowM3s)}: ${percent(moved.ofBox)} of that. Fins, vents and edges
                push back, and a fan gives way to what pushes: the more pressure, the less flow.`,
            ]
          : []),
        say`Volts count too: 10 % less at the plug is 10 % less speed, as much less air, and a fifth less pressure.`,
      ]),
    ]
  },
}

const sameSize: LibraryPage = {
  id: 'same-size',
  when: hasFan,
  tell: (job) => {
    const fan = firstCircuit(job).fan!
    const address = `fans.${fan.id}.part.maxPressurePa`
    const row = (factor: number): string[] => {
      const other = withReadingTimes(job, address, factor)
      return [
        format(fan.part.maxPressurePa.value * factor, 'airPressure', job.units, 2),
        flow(job, fan.part.freeFlowM3s.value),
        flow(job, movedBy(benchOf(other), other)),
      ]
    }
    return [
      told(
        say`In short`,
        [
          say`Two fans of one diameter with one figure on the box: what parts them is the pressure they can still push
            against. Steep blades, a strong motor, a close rim.`,
        ],
        [say`greatest pressure`, say`on the box`, say`moves here`],
        [0.5, 1, 2].map(row),
      ),
    ]
  },
}

/** "4 % more standing, 11 % less at speed". */
function twiceInWords(job: Job): string {
  const heat = (j: Job): number[] => {
    const bench = benchOf(j)
    const hot = boilsAt(bench, j).at.c - j.limits.boilKeepK
    return comparedDuties(j).map((d) => cooledAt(bench, j, d, hot).carriedW)
  }
  const [now, then] = [heat(job), heat(withReadingTimes(job, 'cooling.coreThicknessM', 2))]
  return comparedDuties(job)
    .map(({ name }, i) => {
      const gain = then[i]! / now[i]! - 1
      if (Math.abs(gain) < 0.005) return say`as much ${name}`
      return `${percent(Math.abs(gain))} ${gain < 0 ? say`less` : say`more`} ${name}`
    })
    .join(', ')
}

const thicker: LibraryPage = {
  id: 'twice-as-thick',
  when: onCore,
  tell: (job) => [
    told(
      say`In short`,
      [
        say`The air warms up on its way through: what comes out at the back of a thin core is hot already, and the
          second half of a thick one is given hot air. It also lets less of it through.`,
        say`Here, with this fan, twice as thick carries ${twiceInWords(job)}.`,
      ],
      [say`thickness`, ...dutyColumns(job)],
      [1, 1.5, 2].map((factor) => {
        const other = withReadingTimes(job, 'cooling.coreThicknessM', factor)
        return [format(other.cooling!.coreThicknessM.value, 'length', job.units, 2), ...carries(other)]
      }),
    ),
  ],
}

const passes: LibraryPage = {
  id: 'more-passes',
  when: onCore,
  tell: (job) => [
    told(
      say`In short`,
      [
        say`Leading the same coolant through the same core two or three times makes it faster in the tubes; the air
          that carries the heat is the same, and the pump has more to push. What it comes to here stands below.`,
      ],
      [say`passes`, ...dutyColumns(job)],
      ([1, 2, 3] as const).map((n) => [
        String(n),
        ...carries({ ...job, cooling: { ...job.cooling!, passes: n } } as Job),
      ]),
    ),
  ],
}

export const airPages: readonly LibraryPage[] = [onTheBox, sameSize, thicker, passes]
