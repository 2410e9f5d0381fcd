import {
  breakevenRpm,
  chargeFromPoints,
  chargeFromRating,
  chargeFromTow,
  largestShare,
  netCharge,
  resistancePerMetre,
  restVoltage,
} from '../../electrical'
import { following, term, worked, type Bench, type Worked } from '../../reading'
import type { Job } from '../document'
import { outcomeAt, type Findings, type OutcomeName } from '../run-findings'
import { circuitsOf, runCurrent } from './circuit'
import { fixedScale, type MarginDefinition, type PartDefinition } from './part'

/** A state in which what comes in is held against what goes out. `charge` is null where it waits for a choice. */
interface WorkState {
  readonly id: string
  readonly name: string
  readonly needs: string | null
  readonly rpm: ((bench: Bench) => number) | null
  readonly charge: (bench: Bench) => Worked
  /** whether the margin asks it of the charging system; standing alone is the battery's */
  readonly judged: boolean
}

const engineStates = [
  { id: 'idle', name: 'at idle', rpm: 'engine.idleRpm' },
  { id: 'slow work', name: 'at slow work', rpm: 'engine.slowRpm' },
  { id: 'cruise', name: 'at cruise', rpm: 'engine.cruiseRpm' },
] as const

/** What the tow vehicle brings. @see engineering §1.2 */
function towedCharge(bench: Bench, job: Job): Worked {
  const battery = job.batteries[0]!
  const rest = restVoltage(battery.kind, bench.value(`batteries.${battery.id}.charge`), job.machine.systemV)
  const ohm =
    2 *
    bench.value('trailer.cableM') *
    resistancePerMetre(job.trailer!.cableSize!, bench.value('surroundings.hottestC'))
  return chargeFromTow(bench.value('trailer.pinA'), bench.value('charging.regulatorV'), rest, ohm)
}

/** The states that this machine is looked at in: an engine's speeds, or a trailer's ways of being fed. */
export function statesOf(job: Job): WorkState[] {
  if (job.trailer) {
    return [
      {
        id: 'towed',
        name: 'while towed',
        needs: job.trailer.cableSize ? null : "the tow cable's size",
        rpm: null,
        judged: true,
        charge: (b) => towedCharge(b, job),
      },
      {
        id: 'on its charger',
        name: 'on its charger',
        needs: null,
        rpm: null,
        judged: true,
        charge: (b) =>
          worked('charger', '{0}', [b.term('trailer.chargerA')], b.value('trailer.chargerA'), 'current', '§1.8'),
      },
      {
        id: 'standing alone',
        name: 'standing alone',
        needs: null,
        rpm: null,
        judged: false,
        charge: () => ({ value: 0, lines: [] }),
      },
    ]
  }
  return engineStates.map(({ id, name, rpm }) => ({
    id,
    name,
    needs: null,
    rpm: (b) => b.value(rpm),
    judged: true,
    charge: (b) => chargeAt(b, job, b.value(rpm)),
  }))
}

/** Charging current at an engine speed, however it is known. @see engineering §1.8 */
export function chargeAt(bench: Bench, job: Job, rpm: number): Worked {
  const { charging } = job
  if (charging.known === 'points' && charging.points.length > 0) {
    return chargeFromPoints(
      rpm,
      charging.points.map((p) => ({
        rpm: bench.value(`charging.points.${p.id}.rpm`),
        currentA: bench.value(`charging.points.${p.id}.currentA`),
      })),
    )
  }
  return chargeFromRating(
    rpm,
    bench.value('charging.ratedA'),
    bench.value('charging.ratedRpm'),
    bench.value('engine.idleRpm'),
  )
}

/** What every controller of the job draws, A. */
export const controllersDraw = (bench: Bench, job: Job): number =>
  job.controllers.reduce((sum, c) => sum + bench.value(`controllers.${c.id}.part.standbyA`), 0)

/** All fans at once, at the regulator's voltage. */
function fansCurrent(bench: Bench, job: Job): { total: number; worked: Worked[] } {
  const all = circuitsOf(job).flatMap((c) => (c.fan ? [runCurrent(bench, c.fan)] : []))
  return { total: all.reduce((s, w) => s + w.value, 0), worked: all }
}

/** What comes in and goes out in one state, A. */
export interface Flow {
  readonly id: string
  readonly name: string
  /** null where no engine turns */
  readonly rpm: number | null
  readonly chargeA: number
  readonly loadsA: number
  readonly fanA: number
  readonly controllerA: number
  readonly netA: number
  readonly largestShare: number
}

/**
 * The stacked flows of the Power station.
 * @returns breakeven null where no engine speed carries the fan, or where there is no engine
 * @see engineering §1.8
 */
export function powerFlows(job: Job, bench: Bench): { readonly flows: Flow[]; readonly breakevenRpm: number | null } {
  const loadsA = bench.value('charging.otherLoadsA')
  const fanA = fansCurrent(bench, job).total
  const controllerA = controllersDraw(bench, job)
  const flows = statesOf(job).map(({ id, name, rpm, charge, needs }): Flow => {
    const chargeA = needs ? 0 : charge(bench).value
    return {
      id,
      name,
      rpm: rpm?.(bench) ?? null,
      chargeA,
      loadsA,
      fanA,
      controllerA,
      netA: netCharge(chargeA, loadsA, fanA, 1, controllerA).value,
      largestShare: largestShare(chargeA, loadsA, fanA, controllerA),
    }
  })
  return {
    flows,
    breakevenRpm: job.engine
      ? breakevenRpm(
          (rpm) => chargeAt(bench, job, rpm).value,
          loadsA + fanA + controllerA,
          bench.value('engine.ratedRpm'),
        )
      : null,
  }
}

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
    name: 'Charge',
    basis: run ? 'run' : 'rule of thumb',
    parts: statesOf(job)
      .filter((s) => s.judged)
      .map(({ id, name, needs, charge }): PartDefinition => {
        const common = { id, name, unit: 'A', required: 0 } as const
        if (!chosen || needs) return { ...common, needs: chosen ? needs! : 'a fan' }
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
                  'with the fan on all the time',
                  '{0}',
                  [term('left over', always.value, 'current')],
                  always.value,
                  'current',
                  '§1.8',
                ),
                worked(
                  'the run has the fan on for',
                  '{0} of the time',
                  [term('share', share, 'share')],
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
