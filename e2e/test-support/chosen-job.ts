import { readFileSync } from 'node:fs'
import { changeMount, type JobKind, type MachineKind, type Mount, startJob } from '../../src/core/job'
import { chosen } from '../../src/core/plan/test-support/chosen'
import { readShelfFile, writeJobFile } from '../../src/formats'

/** Prints a job's file: a new one of a kind of machine and of job, with its parts chosen. Run by tsx. */
const [kind, job, mount] = process.argv.slice(2) as [MachineKind, JobKind, Mount]
const title = `${kind} ${job}`
const begun = startJob({
  title,
  kind,
  job,
  machineName: title,
  owner: '',
  units: 'metric',
  startedOn: '2026-01-15',
  promisedOn: null,
})
const shelf = readShelfFile(readFileSync('examples/shelf.json', 'utf8'))
process.stdout.write(
  writeJobFile(
    changeMount(
      chosen({ ...begun, baseline: { ...begun.baseline, state: 'cannot be had' } }, shelf.ok ? shelf.parts : []),
      mount,
    ),
  ),
)
