import { following, worked, type Bench, type Worked } from '../../reading'
import type { Job } from '../document'
import { jobKinds } from '../kinds'
import { circuitsOf, type FanCircuit } from './circuit'
import { fixedScale, over, type MarginDefinition, type PartDefinition } from './part'

/** What must stay free behind the fan, mm, and what stands there. @see engineering §7 */
export const neighbours = {
  fixed: { name: 'a fixed part', requiredMm: 6 },
  moves: { name: 'something that moves or rocks', requiredMm: 15 },
  exhaust: { name: 'an exhaust or a shield on it', requiredMm: 50 },
} as const

const LEAD_SPARE = 1.05
const SERVICE_LOOP_M = 0.05

/** Lead that a route asks for: + 5 %, a service loop and what steering takes. @see engineering §7 */
const reach = (bench: Bench, route: string): Worked =>
  worked('lead needed', '{0} × 1.05 + 50 mm + {1}', [bench.term(route), bench.term('place.sweepM')], LEAD_SPARE * bench.value(route) + SERVICE_LOOP_M + bench.value('place.sweepM'), 'length', '§7')

const supplied = (bench: Bench, address: string): Worked => worked('lead supplied', '{0}', [bench.term(address)], bench.value(address), 'length', '§7')

/** How much thicker the new core is; 0 where the core stays. */
const thicker = (bench: Bench, job: Job): number => (job.newCore ? bench.value('newCore.thicknessM') - bench.value('cooling.coreThicknessM') : 0)

/** What is left free behind the core that will be there. */
function freeBehind(bench: Bench, job: Job): Worked {
  const free = worked(job.bay ? 'free behind the panel' : 'free behind the core', '{0}', [bench.term('place.freeDepthM')], bench.value('place.freeDepthM'), 'length', '§7')
  if (!job.newCore) return free
  return following([free], worked('free behind the new core', '{0} − ({1} − {2})', [bench.term('place.freeDepthM'), bench.term('newCore.thicknessM'), bench.term('cooling.coreThicknessM')], free.value - thicker(bench, job), 'length', '§7'))
}

/** A gap of the present core, less what the new one takes of it; 6 mm stay. @see engineering §7 */
const gapPart = (id: string, name: string, address: string, job: Job): PartDefinition => ({
  id, name, unit: 'mm', required: neighbours.fixed.requiredMm, scale: fixedScale(10),
  compute: (bench) => {
    const gap = worked('gap now', '{0}', [bench.term(address)], bench.value(address), 'length', '§7')
    const more = worked('new core thicker by', '{0} − {1}', [bench.term('newCore.thicknessM'), bench.term('cooling.coreThicknessM')], thicker(bench, job), 'length', '§7')
    return over(gap, more, neighbours.fixed.requiredMm / 1000, 'length', '§7')
  },
})

function partsOf(job: Job, { fan, probe, suffix }: FanCircuit): PartDefinition[] {
  const { name, requiredMm } = neighbours[job.place.neighbour]
  const depth = { id: `depth${suffix}`, name: `behind the fan${suffix}, to ${name}`, unit: 'mm', required: requiredMm } as const
  const fanLead = { id: `fan lead${suffix}`, name: `of the fan's lead${suffix}`, unit: 'mm', required: 0 } as const
  const probeLead = { id: `probe lead${suffix}`, name: `of the probe's lead${suffix}`, unit: 'mm', required: 0 } as const
  return [
    ...(!jobKinds[job.kind].mountsFan ? [] : [fan ? {
      ...depth, scale: fixedScale(10),
      compute: (bench) => {
        const taken = worked('fan with what holds it', '{0} + {1}', [bench.term(`fans.${fan.id}.part.depthM`), bench.term('place.standOffM')],
          bench.value(`fans.${fan.id}.part.depthM`) + bench.value('place.standOffM'), 'length', '§7')
        return over(freeBehind(bench, job), taken, requiredMm / 1000, 'length', '§7')
      },
    } satisfies PartDefinition : { ...depth, needs: 'a fan' }]),
    fan ? { ...fanLead, scale: fixedScale(100), compute: (b) => over(supplied(b, `fans.${fan.id}.part.leadM`), reach(b, 'place.fanRouteM'), 0, 'length', '§7') } : { ...fanLead, needs: 'a fan' },
    probe.part
      ? { ...probeLead, scale: fixedScale(100), compute: (b) => over(supplied(b, `probes.${probe.id}.part.leadM`), reach(b, 'place.probeRouteM'), 0, 'length', '§7') }
      : { ...probeLead, needs: 'a probe' },
  ]
}

/** Plain depth and lead reach. @see engineering §7, margins.md */
export const fitMargin = (job: Job): MarginDefinition => ({ id: 'fit', name: 'Fit', parts: [...circuitsOf(job).flatMap((c) => partsOf(job, c)), ...(job.newCore ? [gapPart('hoses', 'behind the hoses', 'newCore.hoseGapM', job), gapPart('shroud', 'at the shroud', 'newCore.shroudGapM', job)] : [])] })

/** What stands one behind the other, for the section drawing; metres. `coreM` is the panel's for a bay. */
export interface DepthStack { readonly coreM: number; readonly standOffM: number; readonly fanM: number | null; readonly freeM: number; readonly leftM: number; readonly requiredM: number }

const PANEL_M = 0.003

export function depthStack(job: Job): DepthStack {
  const coreM = (job.newCore?.thicknessM ?? job.cooling?.coreThicknessM)?.value ?? PANEL_M
  const freeM = job.place.freeDepthM.value - (job.newCore && job.cooling ? job.newCore.thicknessM.value - job.cooling.coreThicknessM.value : 0)
  const standOffM = job.place.standOffM.value
  const fanM = job.fans[0]?.part.depthM.value ?? null
  return { coreM, standOffM, fanM, freeM, leftM: freeM - standOffM - (fanM ?? 0), requiredM: neighbours[job.place.neighbour].requiredMm / 1000 }
}

/** Where the mounting pins and their holes come with the new core: moved back by the difference. @returns m, null without a new core @see engineering §7 */
export const holeMove = (job: Job): number | null => (job.newCore ? job.newCore.pinNewM.value - job.newCore.pinOldM.value : null)
