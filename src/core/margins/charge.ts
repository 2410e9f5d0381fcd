import { type OutcomeName } from './outcome-names'
import { outcomeAt } from './outcomes'
import { netCharge } from '../electrical'
import { controllersDraw, fansCurrent, statesOf } from '../fan-circuit'
import type { Job } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { type Findings } from './findings'
import { fixedScale, type MarginDefinition, type PartDefinition } from './part'
import { say } from '../words'

/** The share of a state in which the run had the fan on, 0…1; null without such a run. */
const runShare = (bench: Bench, run: Findings | null, state: string): number | null => {
  const share = run && outcomeAt(run, `share, ${state}` as OutcomeName, bench)
  return share === null ? null : Math.min(1, Math.max(0, share))
}

/**
 * What is left over in each state, the fan running all the time until a run says otherwise.
 * @see engineering §1.8, margins.md
 */
export function chargeMargin(job: Job, _nominal: Bench, run: Findings | null): MarginDefinition {
  const chosen = job.fans.length > 0
  return {
    id: 'charge',
    name: say`Charge`,
    basis: run ? 'run' : 'rule of thumb',
    parts: statesOf(job)
      .filter((s) => s.judged)
      .map(({ id, name, needs, charge }): PartDefinition => {
        const common = { id, name, unit: 'A', required: 0 } as const
        if (!chosen || needs) return { ...common, needs: chosen ? needs! : say`a fan` }
        return {
          ...common,
          scale: fixedScale(2),
          compute: (bench) => {
            const comes = charge(bench)
            const fans = fansCurrent(bench, job)
            const net = (share: number): Worked =>
              netCharge(
                comes.value,
                bench.value('charging.otherLoadsA'),
                fans.total,
                share,
                controllersDraw(bench, job),
              )
            const share = runShare(bench, run, id)
            if (share === null) return following([comes, ...fans.worked], net(1))
            const always = net(1)
            return following(
              [
                comes,
                ...fans.worked,
                worked(
                  say`with the fan on all the time`,
                  '{0}',
                  [term(say`left over`, always.value, 'current')],
                  always.value,
                  'current',
                  '§1.8',
                ),
                worked(
                  say`the run has the fan on for`,
                  say`{0} of the time`,
                  [term(say`share`, share, 'share')],
                  share,
                  'share',
                  '§4',
                ),
              ],
              net(share),
            )
          },
        }
      }),
  }
}
