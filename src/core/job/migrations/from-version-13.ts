import { isRaw, type Raw } from './raw'

/** Version 13 kept no model or serial number, no notes of one's own, and no budget. */
export const fromVersion13 = (job: Raw): Raw => ({
  ...job,
  version: 14,
  identity: { model: '', serial: '' },
  notes: [],
  money: {
    ...(isRaw(job.money) ? job.money : {}),
    budget: { fan: null, wiring: null, coolant: null, consumables: null },
  },
  bought: Array.isArray(job.bought) ? job.bought.map((b: unknown) => (isRaw(b) ? { ...b, of: 'other' } : b)) : [],
})
