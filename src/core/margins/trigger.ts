import { outcomeAt } from './outcomes'
import {
  circuitsOf,
  type FanCircuit,
  hasThermostat,
  isSettable,
  isThermostat,
  kappaAt,
  pointsOf,
  type WithController,
} from '../fan-circuit'
import {
  bandRule,
  bayLimitRule,
  bayStopsRule,
  controllerRule,
  MOST_STARTS,
  type OnOff,
  secondFanRule,
  stopsRule,
  warmUpRule,
} from '../control'
import { fixedScale, type MarginDefinition, ofRun, type PartDefinition } from './part'
import type { Job } from '../job'
import { type Bench, term, worked, type Worked } from '../reading'
import { air, type AirTemperature, bay, coolant } from '../units'
import { kelvin, seasons } from './by-season'
import { type Findings } from './findings'
import { say, spokenWord } from '../words'

const opens = (bench: Bench) => coolant(bench.value('engine.thermostatOpensC'))
const hasEngineThermostat = (job: Job): boolean => job.cooling !== null && job.engine?.thermostatOpensC != null

/** What is left below the hottest that a bay may get, in the run. @see margins.md */
function bayPeak(bench: Bench, run: Findings, season: 'coldest' | 'hottest'): Worked {
  const peak = outcomeAt(run, `peak, ${season}`, bench)!
  const allowed = bench.value('bay.allowedC')
  return worked(
    say`left below the hottest it may get`,
    '{0} − {1}',
    [
      term(say`allowed`, allowed, 'temperature', 'bay.allowedC'),
      term(say`peak of the run on the ${spokenWord(season)} day`, peak, 'temperature'),
    ],
    allowed - peak,
    'temperatureDifference',
    '§4',
  )
}

/** What a bay asks of a setting: that the fan can stop, and that it starts in time. @see engineering §3.2 */
const bayRules = (circuit: WithController, run: Findings | null): PartDefinition[] =>
  seasons.flatMap((s): PartDefinition[] => [
    kelvin(
      `stops, ${s.id}${circuit.tag}`,
      say`for the fan to stop on the ${spokenWord(s.id)} day${circuit.suffix}`,
      2,
      (b) => bayStopsRule(pointsOf(b, circuit), air(b.value(s.address))),
    ),
    kelvin(
      `in time, ${s.id}${circuit.tag}`,
      say`for starting in time on the ${spokenWord(s.id)} day${circuit.suffix}`,
      0,
      (b) =>
        run
          ? bayPeak(b, run, s.id)
          : bayLimitRule(
              pointsOf(b, circuit),
              bay(b.value('bay.allowedC')),
              air(b.value(s.address)),
              kappaAt(b, circuit),
              b.value(`probes.${circuit.probe.id}.overshootK`),
            ),
    ),
  ])

function rulesOf(circuit: WithController, job: Job, run: Findings | null): PartDefinition[] {
  const { controller, suffix, tag } = circuit
  const inSeason = (
    id: string,
    name: string,
    required: number,
    rule: (p: OnOff, o: ReturnType<typeof opens>, a: AirTemperature, kappa: number) => Worked,
  ): PartDefinition[] =>
    seasons.map((s) =>
      kelvin(`${id}, ${s.id}${tag}`, say`${name} on the ${spokenWord(s.id)} day${suffix}`, required, (b) =>
        rule(pointsOf(b, circuit), opens(b), air(b.value(s.address)), kappaAt(b, circuit)),
      ),
    )
  const programmable = isSettable(controller.part)
  return [
    kelvin(`band${tag}`, say`in the band${suffix}`, 2, (b) => bandRule(pointsOf(b, circuit))),
    ...(hasEngineThermostat(job)
      ? [
          ...inSeason('stops', say`for the fan to stop`, 2, stopsRule),
          ...inSeason('warm-up', say`for warm-up`, 0, warmUpRule),
        ]
      : []),
    ...(job.bay ? bayRules(circuit, run) : []),
    ...(programmable
      ? [
          kelvin(`controller${tag}`, say`in what the controller can be set to${suffix}`, 0, () =>
            controllerRule(controller.setC, controller.bandK, controller.part.range!),
          ),
        ]
      : []),
  ]
}

const startsPart = (run: Findings): PartDefinition => ({
  id: 'starts',
  name: say`in starts an hour`,
  unit: '/h',
  required: 0,
  scale: fixedScale(10),
  compute: (bench) => {
    const starts = Math.max(0, outcomeAt(run, 'starts', bench)!)
    return worked(
      say`starts an hour that are left`,
      '{0} − {1}',
      [term(say`may start`, MOST_STARTS, 'perHour'), term(say`starts in the run’s busiest leg`, starts, 'perHour')],
      MOST_STARTS - starts,
      'perHour',
      say`§3.2 rule 1`,
    )
  },
})

/** What is asked of one fan's setting; nothing without a thermostat. */
function settingParts(c: FanCircuit, job: Job, run: Findings | null): PartDefinition[] {
  if (hasThermostat(c)) return rulesOf(c, job, run)
  if (c.controller) return []
  return [
    {
      id: `setting${c.tag}`,
      name: say`of the setting${c.suffix}`,
      unit: 'K',
      required: 0,
      needs: say`a controller`,
    },
  ]
}

/** Rules 1, 2, 3, 5 and 6 of a setting; none without a thermostat. @see engineering §3.2, margins.md */
export function triggerMargin(job: Job, _nominal: Bench, run: Findings | null): MarginDefinition | null {
  const circuits = circuitsOf(job)
  if (circuits.every((c) => c.controller && !isThermostat(c.controller.part))) return null
  const own = circuits.flatMap((c) => ofRun(c, settingParts(c, job, run)))
  // in the order of their numbers, whichever of them the job is seen from
  const [first, second] = circuits.filter(hasThermostat).sort((a, b) => a.number - b.number)
  const staged: PartDefinition[] =
    first && second && first.controller.id !== second.controller.id
      ? [
          kelvin(
            say`second on`,
            say`between the two fans coming on`,
            4,
            (b) => secondFanRule(pointsOf(b, first), pointsOf(b, second)).on,
          ),
          kelvin(
            say`second off`,
            say`between the two fans going off`,
            0,
            (b) => secondFanRule(pointsOf(b, first), pointsOf(b, second)).off,
          ),
        ]
      : []
  return {
    id: 'trigger',
    name: say`Trigger`,
    parts: [...own, ...staged, ...(run ? [startsPart(run)] : [])],
    ...(run ? { basis: 'run' as const } : {}),
  }
}
