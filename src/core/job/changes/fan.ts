import type { FanPart } from '../../parts'
import type { Fan, Job } from '../document'
import { jobKinds } from '../kinds'
import type { Seat } from '../schema/place'
import { replaceRun } from './run'

/** The fan of the first run; its part is kept as it is now, whatever the shelf does later. */
export const chooseFan = (job: Job, part: FanPart): Job => {
  const old = job.fans.find((f) => f.id === 'fan1')
  const seat =
    job.cooling && jobKinds[job.kind].mountsFan
      ? (old?.seat ?? { core: 0, xM: job.cooling.coreWidthM.value / 2, yM: job.cooling.coreHeightM.value / 2 })
      : null
  const fan = { id: 'fan1', part, seat, wiresSwapped: false, bladeTurned: false }
  return replaceRun({ ...job, fans: [fan, ...job.fans.filter((f) => f.id !== 'fan1')] }, { fan: 'fan1' })
}

const changeFan = (job: Job, id: string, change: Partial<Pick<Fan, 'seat' | 'wiresSwapped' | 'bladeTurned'>>): Job => ({
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
