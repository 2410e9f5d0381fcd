import { changeConductor, freshId, type Job, type Seat } from '../job'
import { firstCircuit, withoutUnused } from '../fan-circuit'
import type { FanPart, RelayPart } from '../parts'
import { typical } from '../reading'

/** Where a second fan goes: the same place on the other core, or the free end of the only one. */
function seatBeside(job: Job, part: FanPart): Seat | null {
  const near = firstCircuit(job).fan?.seat
  if (!near || !job.cooling) return null
  if (job.cooling.cores > 1) return { ...near, core: near.core === 0 ? 1 : 0 }
  const [w, h, half] = [job.cooling.coreWidthM.value, job.cooling.coreHeightM.value, part.housingM.value / 2]
  return w > h ? { ...near, xM: near.xM < w / 2 ? w - half : half } : { ...near, yM: near.yM < h / 2 ? h - half : half }
}

/** A second fan, on the first one's relay or contact until it is given its own. */
export function addSecondFan(job: Job, part: FanPart): Job {
  const [first] = job.runs
  if (job.runs.length > 1)
    return { ...job, fans: job.fans.map((f) => (f.id === job.runs[1]!.fan ? { ...f, part } : f)) }
  const feed = job.conductors.find((c) => first!.conductors.includes(c.id) && c.role === 'feed')
  const back = job.conductors.find((c) => first!.conductors.includes(c.id) && c.role === 'return')
  const id = freshId('fan', job.fans)
  const own = [
    {
      ...(feed ?? job.conductors[0]!),
      id: freshId('feed', job.conductors),
      role: 'feed' as const,
      lengthM: typical(Math.round(100 * (first!.switchedBy === 'relay' ? 0.6 : (feed?.lengthM.value ?? 1.2))) / 100),
    },
    {
      ...(back ?? job.conductors[0]!),
      id: freshId('return', job.conductors),
      role: 'return' as const,
      lengthM: typical(back?.lengthM.value ?? 1.1),
    },
  ]
  const seat = seatBeside(job, part)
  return {
    ...job,
    fans: [...job.fans, { id, part, seat, wiresSwapped: false, bladeTurned: false, plug: 'not looked' as const }],
    conductors: [...job.conductors, ...own],
    runs: [
      first!,
      {
        ...first!,
        id: freshId('run', job.runs),
        fan: id,
        conductors: own.map((c) => c.id),
        crimps: 4,
        rings: 1,
        switchAtM: typical(0.3),
      },
    ],
  }
}

/** Takes the second fan off with all that only it had. */
export function dropSecondFan(job: Job): Job {
  const [first, ...others] = job.runs
  if (!others.length) return job
  const gone = new Set(others.flatMap((r) => [r.fan, ...r.conductors]))
  return withoutUnused({
    ...job,
    runs: [first!],
    fans: job.fans.filter((f) => !gone.has(f.id)),
    conductors: job.conductors.filter((c) => !gone.has(c.id)),
    wiring: {
      ...job.wiring,
      edits: job.wiring.edits.filter(
        (e) => e.kind !== 'second relay' && !(e.kind === 'length' && gone.has(e.conductor)),
      ),
    },
  })
}

/** Feeds that now begin at the battery, as long as the first one until somebody has measured them. */
function withOwnFeeds(job: Job): Job {
  const [first, ...others] = job.runs
  const feedOf = (conductors: readonly string[]) =>
    job.conductors.find((c) => c.role === 'feed' && conductors.includes(c.id))
  const usual = feedOf(first!.conductors)
  if (!usual) return job
  return others.reduce((j, run) => {
    const feed = feedOf(run.conductors)
    return feed?.lengthM.source === 'typical' && feed.lengthM.value < usual.lengthM.value
      ? changeConductor(j, feed.id, { lengthM: typical(usual.lengthM.value) })
      : j
  }, job)
}

/** Each fan with its own relay, fuse and, where triggers are not joined, its own controller. */
export function relayEach(job: Job, relay: RelayPart): Job {
  const withRelays = { ...job, relays: job.runs.map((_, i) => ({ id: `relay${i + 1}`, part: relay })) }
  const { fuse } = firstCircuit(job)
  const own = withOwnFeeds(withRelays)
  const fused = fuse ? { ...own, fuses: job.runs.map((_, i) => ({ ...fuse, id: `fuse${i + 1}` })) } : own
  return {
    ...fused,
    runs: fused.runs.map((r, i) => ({
      ...r,
      switchedBy: 'relay' as const,
      relay: `relay${i + 1}`,
      fuse: fuse ? `fuse${i + 1}` : null,
    })),
  }
}
