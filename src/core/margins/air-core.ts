import { heatToCarry } from '../air'
import { boilsAt, type Cooled, cooledAt, dutiesOf, type Duty, fittedCore } from '../cooling'
import { circuitsOf } from '../fan-circuit'
import { type Job, jobKinds } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { over, type PartDefinition } from './part'
import { say } from '../words'

const coreNames = [say`first core`, say`second core`, say`third core`, say`fourth core`]

/** Lines of what one fan does on its core, and of the zone that it leaves to the travel. */
function airLines(bench: Bench, job: Job, { air }: Cooled, duty: Duty): Worked[] {
  const fans = air.fans.map(({ circuit, running, areaM2, flows }) => {
    const { fan, suffix } = circuit
    return worked(
      say`air through the fins by the fan${suffix}`,
      say`fan of {0} and {1} at {2} of its speed, against {3} of core {4} thick with {5} fins per inch, {6} of it
        blocked`,
      [
        term(say`free air-flow`, running.air.freeFlow, 'flow', fan.at.freeFlowM3s),
        term(say`greatest pressure`, running.air.maxPressure, 'airPressure', fan.at.maxPressurePa),
        term(say`relative speed`, running.speed, 'share'),
        term(say`covered`, areaM2, 'opening'),
        bench.term(fittedCore(job) === 'new' ? 'newCore.thicknessM' : 'cooling.coreThicknessM'),
        bench.term(fittedCore(job) === 'new' ? 'newCore.finsPerInch' : 'cooling.finsPerInch'),
        term(say`blocked`, air.blocked, 'share'),
      ],
      flows.covered,
      'flow',
      '§2.6',
    )
  })
  if (duty.speed === null) return fans
  const open = air.zones.reduce((sum, zones) => sum + zones.at(-1)!.flow, 0)
  return [
    ...fans,
    worked(
      say`air through the open part, by the travel`,
      say`{0} of travel presses with {1}`,
      [bench.term(duty.speed), term(say`ram`, air.ramPa, 'airPressure')],
      open,
      'flow',
      '§2.6',
    ),
  ]
}

/** Heat carried with the coolant as hot as it may get, over the heat of the duty. @see margins.md, engineering §2.5 */
function spare(bench: Bench, job: Job, duty: Duty): Worked {
  const boils = boilsAt(bench, job)
  const coolantC = boils.at.c - job.limits.boilKeepK
  const cooled = cooledAt(bench, job, duty, coolantC)
  const coolant = worked(
    say`coolant may reach`,
    '{0} − {1}',
    [
      term(say`boils at`, boils.at.c, 'temperature'),
      term(say`kept free`, job.limits.boilKeepK, 'temperatureDifference'),
    ],
    coolantC,
    'temperature',
    'margins',
  )
  const warmer = job.place.inletFrom !== null && job.place.inletFrom !== 'surroundings'
  const inlet = worked(
    say`air that goes in`,
    warmer ? '{0} + {1}' : '{0}',
    [bench.term('surroundings.hottestC'), ...(warmer ? [bench.term('place.inletRiseK')] : [])],
    cooled.airC,
    'temperature',
    '§2.6',
  )
  const heat = heatToCarry(bench.value('engine.heatShare'), bench.value(duty.share), bench.value('engine.ratedPowerW'))
  const own =
    cooled.core === null
      ? heat
      : following(
          [heat],
          worked(
            say`its part for the ${coreNames[cooled.core]}`,
            '{0} / {1}',
            [term(say`heat`, heat.value, 'cooling'), term(say`cores, each fed by itself`, job.cooling!.cores, 'count')],
            cooled.demandW,
            'cooling',
            '§2.5',
          ),
        )
  const carried = worked(
    cooled.core === null ? say`heat carried off` : say`heat carried off by the ${coreNames[cooled.core]}`,
    say`zone by zone with the coolant {0} over the air, transfer {1} of the estimate`,
    [term(say`over the air`, cooled.overK, 'temperatureDifference'), bench.term('cooling.transferFactor')],
    cooled.carriedW,
    'cooling',
    '§2.5',
  )
  return over(
    following([boils, coolant, inlet, ...airLines(bench, job, cooled, duty)], carried),
    own,
    0,
    'cooling',
    '§2.6',
  )
}

/** {@link spare} without its working. */
function spareW(bench: Bench, job: Job, duty: Duty): number {
  const cooled = cooledAt(bench, job, duty, boilsAt(bench, job).at.c - job.limits.boilKeepK)
  if (cooled.core !== null) return cooled.carriedW - cooled.demandW
  const heat = heatToCarry(bench.value('engine.heatShare'), bench.value(duty.share), bench.value('engine.ratedPowerW'))
  return cooled.carriedW - heat.value
}

/** Standing and moving parts of a core. @see margins.md */
export function coreParts(job: Job): PartDefinition[] {
  const circuits = circuitsOf(job)
  const lost = circuits.find((c) => c.fan !== null && c.fan.seat === null && jobKinds[job.kind].mountsFan)
  const homeless = lost && (lost.suffix.replace(', ', '') || say`the fan`)
  const dead = circuits.find((c) => c.fan?.part.motor === 'brushless' && c.fan.wiresSwapped)
  return dutiesOf(job).map((duty): PartDefinition => {
    const common = { id: duty.id, name: duty.name, unit: 'W', required: 0 } as const
    if (!circuits.some((c) => c.fan)) return { ...common, needs: say`a fan` }
    if (homeless) return { ...common, needs: say`a place on the core for ${homeless}` }
    if (dead) return { ...common, missing: say`a brushless fan with its wires swapped does not run; put them back` }
    return {
      ...common,
      scale: (b) => (b.value('engine.heatShare') * b.value(duty.share) * b.value('engine.ratedPowerW')) / 4,
      compute: (bench) => spare(bench, job, duty),
      figure: (bench) => spareW(bench, job, duty),
    }
  })
}
