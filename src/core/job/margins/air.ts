import { airDensity, bayResistance, bayRise, fanThrough, heatToCarry, ventsInSeries } from '../../air'
import { following, term, worked, type Bench, type Worked } from '../../reading'
import type { Job } from '../document'
import { jobKinds } from '../kinds'
import { circuitsOf, fanSpeed, type ChosenFan, type FanCircuit } from './circuit'
import { fixedScale, type MarginDefinition, type PartDefinition } from './part'

const throughFins = 'the air that really goes through the fins, which is not worked out yet'

/** Heat given into the air of the bay: of the engine at its heaviest work, or of what stands in it. @see engineering §2.8 */
function heatInto(bench: Bench, job: Job): Worked {
  if (job.bay?.heatW) return worked('heat given off inside', '{0}', [bench.term('bay.heatW')], bench.value('bay.heatW'), 'power', '§2.8')
  return heatToCarry(bench.value('engine.heatShare'), bench.value('engine.loadShare'), bench.value('engine.ratedPowerW'))
}

/** Air that the fan brings through the vents at the voltage that reaches it. @see engineering §2.3, §2.7 */
function fanFlow(bench: Bench, circuit: FanCircuit, fan: ChosenFan, ventM2: number, density: number): Worked {
  const speed = fanSpeed(bench, circuit)
  const [freeFlow, maxPressure] = [bench.value(`fans.${fan.id}.part.freeFlowM3s`), bench.value(`fans.${fan.id}.part.maxPressurePa`)]
  return worked(`fan against the vents${circuit.suffix}`, 'fan of {0} and {1} at {2}, through {3}', [
    term('free air-flow', freeFlow, 'flow', `fans.${fan.id}.part.freeFlowM3s`), term('greatest pressure', maxPressure, 'airPressure', `fans.${fan.id}.part.maxPressurePa`), term('relative speed', speed, 'share'), term('vents in series', ventM2, 'opening'),
  ], fanThrough({ freeFlow, maxPressure }, speed, density, bayResistance(ventM2, density, null)), 'flow', '§2.7')
}

/** a bay that nothing cools at all is told as this much too hot, K: endless is no figure */
const NO_END_K = 5000

/** How hot the bay gets on the hottest day with the fan running, no breeze. @see engineering §2.7 */
function bayTemperature(bench: Bench, job: Job): Worked {
  const outsideC = bench.value('surroundings.hottestC')
  const density = airDensity(bench.value('surroundings.heightM'), outsideC)
  const ventM2 = ventsInSeries(bench.value('bay.ventInM2'), bench.value('bay.ventOutM2'))
  const heat = heatInto(bench, job)
  const flows = circuitsOf(job).flatMap((c) => (c.fan ? [fanFlow(bench, c, c.fan, ventM2, density)] : []))
  const total = flows.reduce((sum, f) => sum + f.value, 0)
  const { riseK, flow } = bayRise(heat.value, { ventM2, heightM: bench.value('bay.ventHeightM'), breezeMs: 0, fanFlow: total, extracts: job.place.side === 'puller' }, outsideC, density)
  const rise = worked('bay over the air outside', '{0} / ({1} × 1006 × {2})', [
    term('heat', heat.value, 'power'), term('density of the air, kg/m³', density, 'count'), term('air in all, buoyancy with it', flow, 'flow'),
  ], Math.min(riseK, NO_END_K), 'temperatureDifference', '§2.7')
  return following([heat, ...flows, rise], worked('bay gets', '{0} + {1}', [bench.term('surroundings.hottestC'), term('rise', rise.value, 'temperatureDifference')], outsideC + rise.value, 'temperature', '§2.7'))
}

function bayPart(job: Job): PartDefinition {
  const common = { id: 'bay', name: 'in the bay', unit: 'K', required: 0 } as const
  if (!job.fans.length) return { ...common, needs: 'a fan' }
  return {
    ...common, scale: fixedScale(10),
    compute: (bench) => {
      const gets = bayTemperature(bench, job)
      return following([gets], worked('below the hottest it may get', '{0} − {1}', [bench.term('bay.allowedC'), term('bay gets', gets.value, 'temperature')], bench.value('bay.allowedC') - gets.value, 'temperatureDifference', '§2.7'))
    },
  }
}

/** Whether a bay stays as cool as it must; left open for a core until its flow is worked out; none where the fan stays as it is. @see margins.md */
export const airMargin = (job: Job): MarginDefinition | null => (jobKinds[job.kind].mountsFan ? {
  id: 'air', name: 'Air',
  parts: job.bay ? [bayPart(job)] : [
    { id: 'standing', name: 'standing', unit: 'W', required: 0, needs: throughFins },
    { id: 'moving', name: 'moving', unit: 'W', required: 0, needs: throughFins },
  ],
} : null)
