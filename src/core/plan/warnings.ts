import { travelWarnings } from './against-travel'
import { flowClaimInWords } from '../parts'
import { holdWarnings } from '../build'
import { type FannedCircuit, fannedCircuits } from '../fan-circuit'
import { type Job, jobKinds, typicalMachines } from '../job'
import { alterationsOf, alterationWords } from './alterations'
import { jointWarnings, kitWarnings, netlistOf, routeOf } from '../wiring'
import { format } from '../units'
import { inletNeeded, tiesOf } from '../build'
import { ingressFaults } from './ingress'
import { say, spokenWord } from '../words'

/** a tie bends round so much beside the middle of its gap, m (estimate) */
const TIE_SLACK_M = 0.003

/** Something about the plan that no margin holds, with what would help; accepted by name before a job is signed. */
export interface PlanWarning {
  readonly id: string
  readonly text: string
  readonly helps: string
}

const blowing: Readonly<Partial<Record<NonNullable<Job['place']['blowsOn']>, readonly [text: string, helps: string]>>> =
  {
    'rider or operator': [
      say`The hot air lands on whoever sits there.`,
      say`Turn the outlet away, or lead it off with a duct.`,
    ],
    'fuel tank or line': [
      say`The hot air lands on the fuel tank or line.`,
      say`A shield or a duct between them; the other side of the core.`,
    ],
    'loom or hoses': [
      say`The hot air lands on the loom or hoses.`,
      say`Sleeve or move them; reckon their wires at that temperature.`,
    ],
    'hot exhaust': [
      say`The fan blows at the exhaust: its heat comes back with the next still air.`,
      say`Another place, or a shield.`,
    ],
    'the inlet again': [
      say`The outlet feeds the inlet: the fan goes round in its own hot air.`,
      say`Part them with a sheet or a duct.`,
    ],
  }

/** What the ties of one fan are warned of; the first fan's keep their own names. */
function tieWarnings(job: Job, circuit: FannedCircuit): PlanWarning[] {
  const ties = tiesOf(job, circuit)
  if (!ties) return []
  const { number } = circuit
  const named = (id: string): string => (number === 1 ? id : `${id}${circuit.tag}`)
  const of = circuit.suffix && say`Fan ${number}: `
  const { rough } = typicalMachines[job.machine.kind]
  const held: PlanWarning[] =
    ties.tooHeavy || rough
      ? [
          {
            id: named('ties'),
            text: `${of}${
              ties.tooHeavy
                ? say`The fan is heavier than four ties through fins should hold.`
                : say`Ties alone, on a machine that shakes.`
            }`,
            helps: say`A bracket that shares the load; else look at the ties after the first hour.`,
          },
        ]
      : []
  if (ties.besideFins)
    return [
      ...held,
      {
        id: named('tie holes'),
        text: say`${of}A fixing hole lies beside the fins: no tie can go through there.`,
        helps: say`Move the fan, take a smaller one, or a bracket.`,
      },
    ]
  if (ties.offM <= TIE_SLACK_M) return held
  return [
    ...held,
    {
      id: named('tie holes'),
      text: say`${of}A tie hole is ${format(ties.offM, 'length', job.units, 2)} off the middle of its gap: the tie
        would press on a tube.`,
      helps:
        ties.snappedOffM < ties.offM - 1e-5
          ? say`Move the fan to ${format(ties.snapped.xM, 'length', job.units, 4)} from the left.`
          : say`Another fan, or a bracket.`,
    },
  ]
}

/** What speaks against how wires lie, are joined and plugged. */
function benchWarnings(job: Job): PlanWarning[] {
  const found: PlanWarning[] = []
  for (const line of routeOf(job))
    if (line.wrong)
      found.push({ id: `route ${line.hazard}`, text: line.wrong, helps: say`Lay the loom another way and look again.` })
  for (const text of jointWarnings(job))
    found.push({ id: 'joints', text, helps: say`Choose it in Wire, beside the way of the loom.` })
  kitWarnings(job).forEach((text, i) =>
    found.push({
      id: `harness ${i}`,
      text,
      helps: say`Wire shows it beside the harness: lengthen it, change the fuse.`,
    }),
  )
  for (const { fan, suffix, tag } of fannedCircuits(job))
    if (fan.plug === 'either way' && fan.part.motor === 'brushless')
      found.push({
        id: `plug${tag}`,
        text: say`The brushless fan's plug goes together either way round${suffix}.`,
        helps: say`A plug that goes together one way only, or + marked on both halves.`,
      })
  const where = job.machine.fanPlug.where ? ` (${job.machine.fanPlug.where})` : ''
  if (job.machine.fanPlug.search === 'found' && !job.runs.some((r) => r.source === 'existing plug'))
    found.push({
      id: 'fan plug',
      text: say`The loom has a fan's plug${where}, and the plan lays a feed of its own.`,
      helps: say`Measure it under unknown wires in Wire: it may be fused and switched already.`,
    })
  return found
}

/** What goes in: room for it, and whether it is as cool as the air outside. */
function inletWarnings(job: Job): PlanWarning[] {
  const found: PlanWarning[] = []
  const inlet = inletNeeded(job)
  if (inlet && inlet.haveM2 < inlet.needM2 && jobKinds[job.kind].mountsFan)
    found.push({
      id: 'inlet',
      text: say`The inlet is smaller than 1.2 × the fan's annulus: ${format(inlet.haveM2, 'opening', job.units, 2)}
        for ${format(inlet.needM2, 'opening', job.units, 2)}.`,
      helps: say`Open another vent low down, or take the next smaller fan.`,
    })
  if (job.place.inletFrom === 'near an exhaust')
    found.push({
      id: 'inlet air',
      text: say`The inlet draws near an exhaust: hot gas goes through the core or into the bay.`,
      helps: say`Lead the exhaust away, or draw from the other side.`,
    })
  if (job.place.inletFrom === 'its own outlet')
    found.push({
      id: 'inlet air',
      text: say`The inlet draws the fan’s own hot outlet air.`,
      helps: say`Part inlet and outlet with a sheet or a duct.`,
    })
  return found
}

/** nobody wants heat in the cab from here on, °C */
const WARM_C = 22

/** What speaks against the plan besides its margins. */
export function planWarnings(job: Job): PlanWarning[] {
  const found: PlanWarning[] = []
  for (const { name, short } of ingressFaults(job)) {
    found.push({
      id: `ingress ${name}`.slice(0, 60),
      text: say`${name} is not rated for where this machine lives: ${short}.`,
      helps: say`A part of a higher class, a dry place or a shield for it.`,
    })
  }
  const allowed = spokenWord(job.machine.ownerAllows ?? 'not asked')
  for (const a of alterationsOf(job).filter((x) => x.clashes)) {
    found.push({
      id: `owner ${a.id}`.slice(0, 60),
      text: say`The owner allows ${allowed}; the plan has a ${alterationWords[a.kind].name}: ${a.what}.`,
      helps: say`Ask the owner, or choose another way of fastening or feeding it.`,
    })
  }
  if (job.baseline.state === 'cannot be had') {
    found.push({
      id: 'baseline',
      text: say`Stripped without a baseline: before and after will not be comparable.`,
      helps: say`Nothing gives it back; say so to the owner now.`,
    })
  }
  const lands = job.place.blowsOn && jobKinds[job.kind].mountsFan ? blowing[job.place.blowsOn] : undefined
  if (lands) found.push({ id: 'blows on', text: lands[0], helps: lands[1] })
  found.push(...fannedCircuits(job).flatMap((c) => tieWarnings(job, c)))
  const { duct } = job.place
  if (duct.splitter && duct.leadsTo === 'the cab' && job.surroundings.hottestC.value > WARM_C && job.bay)
    found.push({
      id: 'flap',
      text: say`The flap leads to the cab, and the machine works on warm days too: then the heat goes where somebody
        sits.`,
      helps: say`Two days of the year stand in After: to the cab before the cold ones, outside before the warm ones.`,
    })
  for (const { fan, tag } of fannedCircuits(job)) {
    const claim = flowClaimInWords(fan.part)
    if (claim)
      found.push({
        id: `flow claim${tag}`,
        text: `${fan.part.name}: ${claim}`,
        helps: say`Bag test or anemometer at its outlet, in Place; a clamp on its feed.`,
      })
  }
  found.push(...inletWarnings(job))
  netlistOf(job)
    .problems.filter((p) => p.level === 'warns')
    .forEach((p, i) =>
      found.push({
        id: `circuit ${p.at ?? i}`,
        text: p.text,
        helps: say`Wire shows it in the circuit; mend it there.`,
      }),
    )
  found.push(...benchWarnings(job), ...holdWarnings(job), ...travelWarnings(job))
  const likely = job.checks.find((c) => c.found === 'looks like it')
  if (likely)
    found.push({
      id: `cure ${likely.id}`.slice(0, 60),
      text: say`Something else looks like the cause; a fan may not be the cure.`,
      helps: say`Mend that first and run it again; the job can end there.`,
    })
  return found
}
