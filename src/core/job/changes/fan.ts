import type { FanPart } from '../../parts'
import type { Fan, Job } from '../document'
import { jobKinds } from '../kinds'
import type { Seat } from '../schema/place'
import { freshId } from './fresh-id'
import { changeRunOf } from './run'

/** The fan of a run, the first if none is said; its part is kept as it is now, whatever the shelf does later. */
export const chooseFan = (job: Job, part: FanPart, n = 0): Job => {
  const run = job.runs[n]!
  const old = job.fans.find((f) => f.id === run.fan)
  const id = old?.id ?? (job.fans.some((f) => f.id === 'fan1') ? freshId('fan', job.fans) : 'fan1')
  const seat =
    job.cooling && jobKinds[job.kind].mountsFan
      ? (old?.seat ?? { core: 0, xM: job.cooling.coreWidthM.value / 2, yM: job.cooling.coreHeightM.value / 2 })
      : null
  const fan = { id, part, seat, wiresSwapped: false, bladeTurned: false, plug: 'not looked' as const }
  const fans = old ? job.fans.map((f) => (f.id === id ? fan : f)) : [...job.fans, fan]
  return changeRunOf({ ...job, fans }, run.id, { fan: id })
}

const changeFan = (
  job: Job,
  id: string,
  change: Partial<Pick<Fan, 'seat' | 'wiresSwapped' | 'bladeTurned' | 'plug'>>,
): Job => ({
  ...job,
  fans: job.fans.map((f) => (f.id === id ? { ...f, ...change } : f)),
})

/** to a tenth of a millimetre: finer than anybody can place a fan */
const settled = ({ core, xM, yM }: Seat): Seat => ({
  core,
  xM: Math.round(xM * 1e4) / 1e4,
  yM: Math.round(yM * 1e4) / 1e4,
})

export const moveFan = (job: Job, id: string, seat: Seat): Job => changeFan(job, id, { seat: settled(seat) })

export const turnFan = (job: Job, id: string, change: Partial<Pick<Fan, 'wiresSwapped' | 'bladeTurned'>>): Job =>
  changeFan(job, id, change)

export const moveProbe = (job: Job, id: string, seat: Seat): Job => ({
  ...job,
  probes: job.probes.map((p) => (p.id === id ? { ...p, seat: settled(seat) } : p)),
})

/** The fan that is there now, to hold the chosen one against. */
export const chooseOldFan = (job: Job, part: FanPart | null): Job => ({ ...job, oldFan: part && { part } })

/** How a fan's own plug goes together. */
export const changePlug = (job: Job, id: string, plug: Fan['plug']): Job => changeFan(job, id, { plug })
