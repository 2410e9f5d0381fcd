import { controlKindOf } from '../control'
import { TAP_FUSE_A } from '../electrical'
import { changeWiring, type DiodePlace, type Job, type Wiring } from '../job'
import { guardsOf } from '../wiring'

/** Whether a hand is wanted to be able to make the fans run. */
const wantsOverride = ({ wiring: { intent } }: Job): boolean =>
  intent.control === 'thermostat and override' || intent.ifControllerDies === 'the override'

/** Whether the fans' own current goes through what the thermostat closes, and so through whatever is beside it. */
const isDirect = (job: Job): boolean =>
  job.runs.some(
    (r) =>
      r.switchedBy === 'controller' &&
      // a controller with inputs of its own is only told
      !job.controllers.some(
        (c) => c.id === r.controller && controlKindOf(c.part).electronic && c.part.inputs.length > 0,
      ),
  )

/** Whether the fan is alive without the key by wish. */
const isKeyless = ({ use }: Job): boolean => use.live === 'isolator' || use.live === 'whenever hot'

/**
 * Where an override takes its current: with the key where it carries a coil only; from behind the fan's own fuse where
 * it carries the fan, or must work without the key.
 */
function overrideOf(job: Job): Wiring['override'] {
  if (!wantsOverride(job)) return 'none'
  const keyless = job.engine === null || isKeyless(job) || job.wiring.intent.overrideLive === 'always'
  return keyless || isDirect(job) ? 'feed' : 'key'
}

/** Diodes where ways join that could feed one another, or the ignition behind an open key. */
function diodesOf(job: Job): DiodePlace[] {
  const { wiring, engine } = job
  // what carries the fan itself is joined by no diode: it stands behind the fan's own fuse
  if (isDirect(job)) return wiring.timer && engine !== null && wiring.controlFrom === 'key' ? ['control'] : []
  const keyed = engine !== null && wiring.controlFrom === 'key'
  const several = new Set(job.runs.map((r) => r.controller)).size > 1
  const fromFeed = wiring.override === 'feed' || (wiring.call && wiring.callFrom === 'feed')
  const positive = wiring.side === 'positive'
  const backIntoKey = wiring.timer || (positive && fromFeed)
  return [
    ...(keyed && backIntoKey ? (['control'] as const) : []),
    ...(wiring.override !== 'none' && (several || (positive && wiring.timer) || (positive && wiring.call))
      ? (['override'] as const)
      : []),
    ...(wiring.call ? (['call'] as const) : []),
  ]
}

/** A fuse of the job's own where wires leave the switched wire, unless the machine's own guards them. */
function withTapFuse(job: Job): Job {
  if (job.engine === null) return changeWiring(job, { tapFuseA: null })
  const bare = changeWiring(job, { tapFuseA: null })
  const guarded = guardsOf(bare).every((g) => !g.fuses.includes('loom_fuse') || g.letsThroughA <= SURELY * g.allowedA)
  const known = guardsOf(bare).every((g) => g.verdict !== 'unknown')
  return known && guarded ? bare : changeWiring(job, { tapFuseA: TAP_FUSE_A })
}

/** of what a wire may carry, so much is left at the hot end of its way (estimate) */
const SURELY = 0.75

/**
 * What the intent asks besides the way itself: override, after-run, isolator, the other system's call; with the diodes
 * and the fuse that they need where they join.
 * @see engineering §1.4, §5
 */
export function meeting(job: Job, controlFrom: Wiring['controlFrom']): Job {
  const { intent } = job.wiring
  const trailer = job.engine === null
  const keyless = isKeyless(job) || trailer
  const wished = changeWiring(job, {
    controlFrom: keyless ? 'feed' : controlFrom,
    override: overrideOf(job),
    isolator: job.use.live === 'isolator' || trailer,
    timer: job.use.live === 'after-run' && !trailer,
    timerFrom: 'feed',
    call: intent.alsoFor !== 'nothing',
    callFrom: keyless || isDirect(job) ? 'feed' : 'key',
    diodes: [],
  })
  return withTapFuse(changeWiring(wished, { diodes: diodesOf(wished) }))
}
