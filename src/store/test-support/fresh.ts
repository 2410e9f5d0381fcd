import { startJob } from '../../core/job'

/** A moment at which tests write, and the job that they begin with. */
export const AT = '2026-01-15T10:00:00.000Z'
export const fresh = startJob({
  title: 'One',
  kind: 'trail-bike',
  machineName: 'Bike',
  owner: '',
  units: 'metric',
  startedOn: '2026-01-15',
  promisedOn: null,
})
