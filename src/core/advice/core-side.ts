import { percent } from '../units'
import { coverage } from '../cooling'
import { firstCircuit } from '../fan-circuit'
import { changePlace, type Job, jobKinds } from '../job'
import { evaluateSome, isOfFace } from '../margins'
import { say } from '../words'

type Side = Job['place']['side']

/** One face of the core for the fan. */
export interface CoreSide {
  readonly side: Side
  /** free over what must stay free where it is tightest, m; negative where it does not fit */
  readonly spareM: number
  /** where that is: "to exhaust" */
  readonly tightest: string
  /** every reading may be off by its spread and it fits all the same */
  readonly surely: boolean
  /** what speaks for and against it here */
  readonly reasons: readonly string[]
  readonly chosen: boolean
}

export interface SideAdvice {
  readonly sides: readonly CoreSide[]
  /** null where it fits on neither */
  readonly better: Side | null
  readonly why: string
}

/** so much of the core behind a fan's hub and blades costs air at speed (estimate) */
const MUCH_COVERED = 0.5

const travels = (job: Job): boolean => Math.max(job.engine?.slowMs.value ?? 0, job.engine?.cruiseMs.value ?? 0) > 0

function reasonsFor(job: Job, side: Side): string[] {
  const covered = coverage(job) ?? 0
  if (side === 'puller')
    return [
      say`pulls the travel’s own air on through the core`,
      say`the core shields it from stones and seeds`,
      ...(travels(job) ? [] : [say`nothing of it stands in the way of the air that comes in`]),
    ]
  return [
    say`pushes: every gap at its rim blows past the core, so its shroud must seal`,
    ...(travels(job)
      ? [say`covers ${percent(covered)} of the core from the wind of travel while it stands still`]
      : []),
    say`stones, mud and seeds meet the blades first`,
  ]
}

/** Room of all fans on one face, at its tightest. */
function roomOn(job: Job): Pick<CoreSide, 'spareM' | 'tightest' | 'surely'> {
  const parts = evaluateSome(job, ['fit']).flatMap((m) => m.parts.filter((p) => isOfFace(p) && p.value !== null))
  const [first, ...rest] = parts
  const least = rest.reduce((a, b) => (b.value! < a!.value! ? b : a), first)
  return {
    // a sum of millimetres that comes to nothing is nothing
    spareM: least ? Math.round(least.value! * 1000) / 1e6 + 0 : 0,
    tightest: least?.name ?? '',
    surely: parts.every((p) => p.verdict === 'holds'),
  }
}

/**
 * Which face of the core the fan goes on: behind, pulling, wherever it fits; before it only where there is no room
 * behind. By what Fit has to spare on either face, and by whether the machine moves.
 * @returns null where no fan on a core is chosen
 * @see engineering §2.3, §7
 */
export function sideAdvice(job: Job): SideAdvice | null {
  if (!job.cooling || !jobKinds[job.kind].mountsFan || !firstCircuit(job).fan) return null
  const sides = (['puller', 'pusher'] as const).map((side): CoreSide => {
    const there = changePlace(job, { side })
    return {
      side,
      ...roomOn(there),
      reasons: reasonsFor(there, side),
      chosen: job.place.side === side,
    }
  })
  const [behind, front] = sides as [CoreSide, CoreSide]
  const unsure = (side: CoreSide): string => (side.surely ? '' : say`, as far as it has been read`)
  if (behind.spareM >= 0)
    return {
      sides,
      better: 'puller',
      why: say`it fits behind${travels(job) ? say`, and travel and fan blow the same way there` : ''}${unsure(behind)}`,
    }
  if (front.spareM < 0)
    return { sides, better: null, why: say`it fits on neither face: a flatter fan, or move what is in the way` }
  const costs = travels(job) && (coverage(job) ?? 0) > MUCH_COVERED
  return {
    sides,
    better: 'pusher',
    why: say`there is no room ${behind.tightest}${
      costs ? say`; a smaller fan would leave more of the core to the wind` : ''
    }${unsure(front)}`,
  }
}
