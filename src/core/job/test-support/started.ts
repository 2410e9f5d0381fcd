import { type Job, type JobKind, type MachineKind, startJob, typicalMachines } from '..'

/** A new job of every kind on every machine that it suits. */
export const startedJobs = (): Job[] =>
  Object.entries(typicalMachines).flatMap(([kind, t]) =>
    t.jobs.map((job: JobKind) =>
      startJob({
        title: 't',
        kind: kind as MachineKind,
        job,
        machineName: 'm',
        owner: '',
        units: 'metric',
        startedOn: '2026-01-01',
        promisedOn: null,
      }),
    ),
  )
