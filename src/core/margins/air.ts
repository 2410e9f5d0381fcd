import { bayFlow, ductOf, heatIntoBay, riseWorked, runningAir } from '../cooling'
import { type ChosenFan, circuitsOf, type FanCircuit } from '../fan-circuit'
import { type Job, jobKinds, panelOf } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { coreParts } from './air-core'
import { fixedScale, type MarginDefinition, type PartDefinition } from './part'
import { say } from '../words'

type WithFan = FanCircuit & { readonly fan: ChosenFan }
const withFans = (job: Job): WithFan[] => circuitsOf(job).flatMap((c) => (c.fan ? [{ ...c, fan: c.fan }] : []))

/** How hot the bay gets on the hottest day with the fan running, no breeze. @see engineering §2.7 */
function bayTemperature(bench: Bench, job: Job): Worked {
  const heat = heatIntoBay(bench, job)
  const running = withFans(job).flatMap((circuit) => {
    const r = runningAir(bench, circuit)
    return r ? [{ circuit, r }] : []
  })
  const found = bayFlow(
    bench,
    job,
    running.map(({ r }) => r),
    panelOf(job),
    job.place.side,
  )
  const duct = ductOf(bench, job)
  const fanLines = running.map(({ circuit: { fan, suffix }, r }) =>
    worked(
      duct ? say`fan against hose and vents${suffix}` : say`fan against the vents${suffix}`,
      duct
        ? say`fan of {0} and {1} at {2}, through {3} and {4} of hose {5} wide`
        : say`fan of {0} and {1} at {2}, through {3}`,
      [
        term(say`free air-flow`, r.air.freeFlow, 'flow', fan.at.freeFlowM3s),
        term(say`greatest pressure`, r.air.maxPressure, 'airPressure', fan.at.maxPressurePa),
        term(say`relative speed`, r.speed, 'share'),
        term(say`vents in series`, found.ventM2, 'opening'),
        ...(duct ? [bench.term('place.duct.lengthM'), bench.term('place.duct.diameterM')] : []),
      ],
      found.fanFlow / running.length,
      'flow',
      '§2.7',
    ),
  )
  const rise = riseWorked(heat, found)
  return following(
    [heat, ...fanLines, rise],
    worked(
      say`bay gets`,
      '{0} + {1}',
      [
        term(say`air outside`, found.outsideC, 'temperature', 'surroundings.hottestC'),
        term(say`rise`, found.riseK, 'temperatureDifference'),
      ],
      found.bayC,
      'temperature',
      '§2.7',
    ),
  )
}

function bayPart(job: Job): PartDefinition {
  const common = { id: 'bay', name: say`in the bay`, unit: 'K', required: 0 } as const
  if (!job.fans.length) return { ...common, needs: say`a fan` }
  if (withFans(job).some(({ fan }) => fan.wiresSwapped && fan.part.motor === 'brushless'))
    return { ...common, missing: say`a brushless fan with its wires swapped does not run; put them back` }
  return {
    ...common,
    scale: fixedScale(10),
    compute: (bench) => {
      const gets = bayTemperature(bench, job)
      return following(
        [gets],
        worked(
          say`below the hottest it may get`,
          '{0} − {1}',
          [bench.term('bay.allowedC'), term(say`bay gets`, gets.value, 'temperature')],
          bench.value('bay.allowedC') - gets.value,
          'temperatureDifference',
          '§2.7',
        ),
      )
    },
  }
}

/**
 * Whether the heat is carried away: by the air through a core, or through a bay; none where the fan stays as it is.
 * @see margins.md
 */
export const airMargin = (job: Job): MarginDefinition | null =>
  jobKinds[job.kind].mountsFan ? { id: 'air', name: say`Air`, parts: job.bay ? [bayPart(job)] : coreParts(job) } : null
