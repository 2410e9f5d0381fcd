import {
  breakevenRpm,
  chargeFromPoints,
  chargeFromRating,
  chargeFromTow,
  largestShare,
  netCharge,
  resistancePerMetre,
  restVoltage,
} from '../electrical'
import type { Job } from '../job'
import { type Bench, worked, type Worked } from '../reading'
import { circuitsOf, eachOnce } from './circuit'
import { runCurrent } from './currents'
import { say } from '../words'

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
  { id: 'idle', point: 'idle', name: say`at idle`, rpm: 'engine.idleRpm' },
  { id: 'slow work', point: 'slow', name: say`at slow work`, rpm: 'engine.slowRpm' },
  { id: 'cruise', point: 'cruise', name: say`at cruise`, rpm: 'engine.cruiseRpm' },
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
        name: say`while towed`,
        needs: job.trailer.cableSize ? null : say`the tow cable's size`,
        rpm: null,
        judged: true,
        charge: (b) => towedCharge(b, job),
      },
      {
        id: 'on its charger',
        name: say`on its charger`,
        needs: null,
        rpm: null,
        judged: true,
        charge: (b) =>
          worked(say`charger`, '{0}', [b.term('trailer.chargerA')], b.value('trailer.chargerA'), 'current', '§1.8'),
      },
      {
        id: 'standing alone',
        name: say`standing alone`,
        needs: null,
        rpm: null,
        judged: false,
        charge: () => ({ value: 0, lines: [] }),
      },
    ]
  }
  return engineStates.map(({ id, point, name, rpm }) => ({
    id,
    name,
    needs: null,
    rpm: (b) => b.value(rpm),
    judged: true,
    charge: clampedIn(job, point)
      ? (b) =>
          worked(
            say`clamped in this state`,
            '{0}',
            [b.term(`charging.points.${point}.currentA`)],
            b.value(`charging.points.${point}.currentA`),
            'current',
            '§1.8',
          )
      : (b) => chargeAt(b, job, b.value(rpm)),
  }))
}

/** speeds nearer than that are the same, rpm */
const SAME_RPM = 1

/** Whether a current was clamped in the very state, so that its speed, however sure, does not count once more. */
function clampedIn({ charging, engine }: Job, point: 'idle' | 'slow' | 'cruise'): boolean {
  const own = charging.known === 'points' ? charging.points.find((p) => p.id === point) : undefined
  return !!own && !!engine && Math.abs(own.rpm.value - engine[`${point}Rpm`].value) < SAME_RPM
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

/** What every controller that calls a fan draws, A: one that an older file still has in its list draws nothing. */
export const controllersDraw = (bench: Bench, job: Job): number =>
  eachOnce(job, 'controller').reduce((sum, [c]) => sum + bench.value(`controllers.${c.id}.part.standbyA`), 0)

/** All fans at once, at the regulator's voltage. */
export function fansCurrent(bench: Bench, job: Job): { total: number; worked: Worked[] } {
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
