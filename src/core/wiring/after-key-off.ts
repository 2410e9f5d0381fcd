import { motorsOf, turns } from '../circuit'
import { inNumber } from '../fan-circuit'
import type { Job } from '../job'
import { provedCircuit } from './proof'

/** What the fans do by themselves once the key is off, nobody calling them. */
export type AfterKeyOff = 'stops' | 'for a time' | 'while hot' | 'always' | 'until its isolator'

/** What is wanted, as far as it can be had. */
function wish({ use, wiring }: Job): AfterKeyOff {
  if (use.live === 'key only') return 'stops'
  if (use.live === 'isolator') return 'until its isolator'
  return use.live === 'after-run' && wiring.timer ? 'for a time' : 'while hot'
}

function asWired(job: Job): AfterKeyOff {
  const proof = provedCircuit(job)
  const { net } = proof
  if (!motorsOf(net).length || net.problems.some((p) => p.level !== 'warns')) return wish(job)
  const switched = (by: string): boolean => net.elements.some((e) => e.kind === 'switch' && e.by === by)
  const [key, isolator] = [switched('key'), switched('isolator')]
  const running = [...proof.rows.flatMap((r) => r.states), ...proof.latches]
    .filter(
      ({ conditions: c, fans }) => !c.override && !c.call && !c.hand && !(key ? c.key : c.engine) && fans.some(turns),
    )
    .map((s) => s.conditions)
  const left = running.filter((c) => !c.timer)
  // off at the isolator is off: that it does not run past it is told with the circuit
  if (isolator && left.length) return 'until its isolator'
  if (left.some((c) => c.heat === 'cold')) return 'always'
  if (left.length) return 'while hot'
  return running.length ? 'for a time' : 'stops'
}

interface Known {
  readonly of: readonly unknown[]
  readonly told: AfterKeyOff
}
const known = new WeakMap<Job['wiring'], Known>()

/** What of a job decides it: what is joined to what, of which kind, and what is still open; no length, no setting. */
const decidedBy = (job: Job): unknown[] => [
  job.use.live,
  job.machine,
  ...job.runs,
  job.relays,
  job.switches,
  job.fuses,
  job.trailer,
  job.engine === null,
  job.batteries.length,
  ...job.conductors.flatMap((c) => [c.role, c.size === null]),
  ...job.fans.flatMap((f) => [f.part, f.wiresSwapped]),
  ...job.controllers.map((c) => c.part),
  ...job.probes.map((p) => p.part),
]

/**
 * What the fans do once the key is off, as it is wired: a margin or a run that took it from what is wanted would tell
 * of another circuit. As long as something of the circuit is open, it is what is wanted. A circuit without a key is
 * asked with its engine stopped.
 * @see engineering §4, §5
 */
export function afterKeyOff(seen: Job): AfterKeyOff {
  // what hangs on the first fan's feed hangs there, whichever fan is looked at
  const job = inNumber(seen)
  const of = decidedBy(job)
  const before = known.get(job.wiring)
  if (before && before.of.length === of.length && before.of.every((x, i) => x === of[i])) return before.told
  const told = asWired(job)
  known.set(job.wiring, { of, told })
  return told
}

/** Whether the battery carries the fans once the key is off, until they stop by themselves. */
export const goesOn = (after: AfterKeyOff): boolean =>
  after === 'for a time' || after === 'while hot' || after === 'always'
