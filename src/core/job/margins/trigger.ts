import { coolantBoils, heatToCarry, outletDrop } from '../../air'
import {
  bandRule,
  bayLimitRule,
  bayStopsRule,
  boilRule,
  controllerRule,
  onOffPoints,
  secondFanRule,
  stopsRule,
  warmUpRule,
  type OnOff,
} from '../../control'
import { following, term, worked, type Bench, type Worked } from '../../reading'
import { air, bay, coolant, type AirTemperature } from '../../units'
import type { Job } from '../document'
import { outcomeAt, type Findings } from '../run-findings'
import { circuitsOf, isThermostat, type FanCircuit } from './circuit'
import { fixedScale, type MarginDefinition, type PartDefinition } from './part'

type WithController = FanCircuit & { readonly controller: NonNullable<FanCircuit['controller']> }
const hasThermostat = (c: FanCircuit): c is WithController => c.controller !== null && isThermostat(c.controller.part)

const seasons = [
  { id: 'coldest', address: 'surroundings.coldestC' },
  { id: 'hottest', address: 'surroundings.hottestC' },
] as const

/**
 * The on and off points of a controller with this pass's readings: a fixed switch has points of its own.
 * @see engineering §3.1
 */
export function pointsOf(bench: Bench, { controller }: Pick<WithController, 'controller'>): OnOff {
  const { part, setC, bandK, id } = controller
  const fixed = part.fixed && {
    closesC: bench.value(`controllers.${id}.part.fixed.closesC`),
    opensC: bench.value(`controllers.${id}.part.fixed.opensC`),
  }
  return onOffPoints(part.band, { setC, bandK }, fixed ?? { closesC: setC, opensC: setC - bandK })!
}

const kappaAt = (bench: Bench, { probe }: FanCircuit): number => bench.value(`probes.${probe.id}.kappa`)
const opens = (bench: Bench) => coolant(bench.value('engine.thermostatOpensC'))
const hasEngineThermostat = (job: Job): boolean => job.cooling !== null && job.engine?.thermostatOpensC != null

/**
 * Heat at the heaviest load meant makes the outlet colder than the inlet; 0 unless the probe sits at the outlet.
 * @see engineering §3.2 rule 4
 */
export function outletDropAt(bench: Bench, circuit: FanCircuit, job: Job): Worked {
  if (!circuit.probe.atOutlet || !job.engine) return { value: 0, lines: [] }
  const share = bench.value('engine.heatShare')
  const power = bench.value('engine.ratedPowerW')
  const heat = heatToCarry(share, bench.value('engine.loadShare'), power)
  return following(
    [heat],
    outletDrop(heat.value, share * power, bench.value('engine.slowRpm'), bench.value('engine.ratedRpm')),
  )
}

/** Boiling point of this machine's coolant. @throws TypeError where there is no coolant @see engineering §2.2 */
export function boilsAt(bench: Bench, job: Job) {
  if (!job.cooling) throw new TypeError('this machine has no coolant')
  const { coolant: kind } = job.cooling
  return coolantBoils(
    kind,
    kind === 'water' ? 0 : bench.value('cooling.glycolShare'),
    bench.value('surroundings.heightM'),
    bench.value('cooling.capPa'),
  )
}

const kelvin = (id: string, name: string, required: number, compute: (bench: Bench) => Worked): PartDefinition => ({
  id,
  name,
  unit: 'K',
  required,
  scale: fixedScale(5),
  compute,
})

/** What is left below the hottest that a bay may get, in the run. @see margins.md */
function bayPeak(bench: Bench, run: Findings, season: 'coldest' | 'hottest'): Worked {
  const peak = outcomeAt(run, `peak, ${season}`, bench)!
  const allowed = bench.value('bay.allowedC')
  return worked(
    'left below the hottest it may get',
    '{0} − {1}',
    [
      term('allowed', allowed, 'temperature', 'bay.allowedC'),
      term(`peak of the run on the ${season} day`, peak, 'temperature'),
    ],
    allowed - peak,
    'temperatureDifference',
    '§4',
  )
}

/** What a bay asks of a setting: that the fan can stop, and that it starts in time. @see engineering §3.2 */
const bayRules = (circuit: WithController, run: Findings | null): PartDefinition[] =>
  seasons.flatMap((s): PartDefinition[] => [
    kelvin(`stops, ${s.id}${circuit.suffix}`, `for the fan to stop on the ${s.id} day${circuit.suffix}`, 2, (b) =>
      bayStopsRule(pointsOf(b, circuit), air(b.value(s.address))),
    ),
    kelvin(`in time, ${s.id}${circuit.suffix}`, `for starting in time on the ${s.id} day${circuit.suffix}`, 0, (b) =>
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
  const { controller, suffix } = circuit
  const inSeason = (
    id: string,
    name: string,
    required: number,
    rule: (p: OnOff, o: ReturnType<typeof opens>, a: AirTemperature, kappa: number) => Worked,
  ): PartDefinition[] =>
    seasons.map((s) =>
      kelvin(`${id}, ${s.id}${suffix}`, `${name} on the ${s.id} day${suffix}`, required, (b) =>
        rule(pointsOf(b, circuit), opens(b), air(b.value(s.address)), kappaAt(b, circuit)),
      ),
    )
  const programmable = controller.part.range !== null && controller.part.band !== 'fixed'
  return [
    kelvin(`band${suffix}`, `in the band${suffix}`, 2, (b) => bandRule(pointsOf(b, circuit))),
    ...(hasEngineThermostat(job)
      ? [
          ...inSeason('stops', 'for the fan to stop', 2, stopsRule),
          ...inSeason('warm-up', 'for warm-up', 0, warmUpRule),
        ]
      : []),
    ...(job.bay ? bayRules(circuit, run) : []),
    ...(programmable
      ? [
          kelvin(`controller${suffix}`, `in what the controller can be set to${suffix}`, 0, () =>
            controllerRule(controller.setC, controller.bandK, controller.part.range!),
          ),
        ]
      : []),
  ]
}

/** starts an hour that a fan and its relay may be asked for. @see engineering §3.2 rule 1 */
const MOST_STARTS = 30
const startsPart = (run: Findings): PartDefinition => ({
  id: 'starts',
  name: 'in starts an hour',
  unit: '/h',
  required: 0,
  scale: fixedScale(10),
  compute: (bench) => {
    const starts = Math.max(0, outcomeAt(run, 'starts', bench)!)
    return worked(
      'starts an hour that are left',
      '{0} − {1}',
      [term('may start', MOST_STARTS, 'perHour'), term('starts in the run’s busiest leg', starts, 'perHour')],
      MOST_STARTS - starts,
      'perHour',
      '§3.2 rule 1',
    )
  },
})

/** Rules 1, 2, 3, 5 and 6 of a setting; none without a thermostat. @see engineering §3.2, margins.md */
export function triggerMargin(job: Job, _nominal: Bench, run: Findings | null): MarginDefinition | null {
  const circuits = circuitsOf(job)
  if (circuits.every((c) => c.controller && !isThermostat(c.controller.part))) return null
  const own = circuits.flatMap((c): PartDefinition[] =>
    c.controller === null
      ? [{ id: `setting${c.suffix}`, name: `of the setting${c.suffix}`, unit: 'K', required: 0, needs: 'a controller' }]
      : hasThermostat(c)
        ? rulesOf(c, job, run)
        : [],
  )
  const [first, second] = circuits.filter(hasThermostat)
  const staged: PartDefinition[] =
    first && second && first.controller.id !== second.controller.id
      ? [
          kelvin(
            'second on',
            'between the two fans coming on',
            4,
            (b) => secondFanRule(pointsOf(b, first), pointsOf(b, second)).on,
          ),
          kelvin(
            'second off',
            'between the two fans going off',
            0,
            (b) => secondFanRule(pointsOf(b, first), pointsOf(b, second)).off,
          ),
        ]
      : []
  return {
    id: 'trigger',
    name: 'Trigger',
    parts: [...own, ...staged, ...(run ? [startsPart(run)] : [])],
    ...(run ? { basis: 'run' as const } : {}),
  }
}

/**
 * Rule 4 of a setting: none without coolant. Without a run, the coolant when the fan starts, its outlet's drop and an
 * overshoot.
 * @see engineering §3.2, margins.md
 */
export function boilMargin(job: Job, _nominal: Bench, run: Findings | null): MarginDefinition | null {
  if (!job.cooling) return null
  const keepFreeK = job.limits.boilKeepK
  if (run) {
    return {
      id: 'boil',
      name: 'Boil',
      basis: 'run',
      parts: seasons.map((s): PartDefinition => ({
        id: `boil, ${s.id}`,
        name: `below boiling on the ${s.id} day`,
        unit: 'K',
        required: keepFreeK,
        scale: fixedScale(5),
        compute: (bench) => {
          const boils = boilsAt(bench, job)
          // coolant that boils gets no hotter
          const peak = Math.min(boils.at.c, outcomeAt(run, `peak, ${s.id}`, bench)!)
          return following(
            [boils],
            worked(
              'left below boiling, over what is kept free',
              '{0} − {1} − {2}',
              [
                term('boils', boils.at.c, 'temperature'),
                term(`peak of the run on the ${s.id} day`, peak, 'temperature'),
                term('kept free', keepFreeK, 'temperatureDifference'),
              ],
              boils.at.c - peak - keepFreeK,
              'temperatureDifference',
              '§3.2 rule 4',
            ),
          )
        },
      })),
    }
  }
  return {
    id: 'boil',
    name: 'Boil',
    basis: 'rule of thumb',
    parts: circuitsOf(job).flatMap((c): PartDefinition[] => {
      const common = { name: `below boiling${c.suffix}`, unit: 'K', required: keepFreeK } as const
      if (!c.controller) return [{ ...common, id: `boil${c.suffix}`, needs: 'a controller' }]
      if (!hasThermostat(c))
        return [{ ...common, id: `boil${c.suffix}`, needs: 'a run: without a thermostat no rule of thumb will do' }]
      return seasons.map((s) => ({
        ...common,
        id: `boil, ${s.id}${c.suffix}`,
        name: `below boiling on the ${s.id} day${c.suffix}`,
        scale: fixedScale(5),
        compute: (b: Bench) => {
          const boils = boilsAt(b, job)
          const drop = outletDropAt(b, c, job)
          return following(
            [boils, drop],
            boilRule({
              points: pointsOf(b, c),
              surroundings: air(b.value(s.address)),
              kappa: kappaAt(b, c),
              outletDropK: drop.value,
              overshootK: b.value(`probes.${c.probe.id}.overshootK`),
              boils: boils.at,
              keepFreeK,
            }),
          )
        },
      }))
    }),
  }
}
