import type { Raw } from './raw'

/** Version 11 kept no hours, nothing that was bought, no settings as they were left, no traces, no loose joints. */
export const fromVersion11 = (job: Raw): Raw => ({
  ...job,
  version: 12,
  hours: [],
  money: { currency: '', perHour: null },
  bought: [],
  settings: [],
  looseJoints: [],
  traces: [],
})
