import { outcomeAt } from './outcomes'
import { circuitsOf, type FanCircuit, hasThermostat, kappaAt, pointsOf } from '../fan-circuit'
import { fixedScale, type MarginDefinition, ofRun, type PartDefinition } from './part'
import { boilRule } from '../control'
import { boilsAt, outletDropAt } from '../cooling'
import type { Job } from '../job'
import { type Bench, following, term, worked } from '../reading'
import { air } from '../units'
import { seasons } from './by-season'
import { type Findings } from './findings'
import { say, spokenWord } from '../words'

/** Rule 4 for one fan without a run. */
function byRuleOfThumb(c: FanCircuit, job: Job, keepFreeK: number): PartDefinition[] {
  const common = { name: say`below boiling${c.suffix}`, unit: 'K', required: keepFreeK } as const
  if (!c.controller) return [{ ...common, id: `boil${c.tag}`, needs: say`a controller` }]
  if (!hasThermostat(c))
    return [{ ...common, id: `boil${c.tag}`, needs: say`a run: without a thermostat no rule of thumb will do` }]
  return seasons.map((s) => ({
    ...common,
    id: `boil, ${s.id}${c.tag}`,
    name: say`below boiling on the ${spokenWord(s.id)} day${c.suffix}`,
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
      name: say`Boil`,
      basis: 'run',
      parts: seasons.map((s): PartDefinition => ({
        id: `boil, ${s.id}`,
        name: say`below boiling on the ${spokenWord(s.id)} day`,
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
              say`left below boiling, over what is kept free`,
              '{0} − {1} − {2}',
              [
                term(say`boils`, boils.at.c, 'temperature'),
                term(say`peak of the run on the ${spokenWord(s.id)} day`, peak, 'temperature'),
                term(say`kept free`, keepFreeK, 'temperatureDifference'),
              ],
              boils.at.c - peak - keepFreeK,
              'temperatureDifference',
              say`§3.2 rule 4`,
            ),
          )
        },
      })),
    }
  }
  return {
    id: 'boil',
    name: say`Boil`,
    basis: 'rule of thumb',
    parts: circuitsOf(job).flatMap((c) => ofRun(c, byRuleOfThumb(c, job, keepFreeK))),
  }
}
