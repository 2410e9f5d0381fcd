import { cureChecks } from './cure'
import { fieldsAt, type Job, jobKinds, wiresInUse } from '../job'
import { type Proof, proofsOf, stateOfProof, plannedSteps } from '../build'
import type { Station } from '../fields'
import { say } from '../words'

export interface Filled {
  readonly done: number
  readonly total: number
  /** what is left, in a few words */
  readonly left: string
}

interface Choice {
  readonly name: string
  readonly made: boolean
}

/** Ticked; what is signed is not asked for steps that came with a newer core. */
const isMade = (job: Job, step: string): boolean =>
  job.signature !== null || job.build.done.some((d) => d.step === step)

/** Answered, and neither failed nor other than predicted. */
const isSettled = (job: Job, proof: Proof): boolean =>
  job.signature !== null || !['open', 'failed', 'differs'].includes(stateOfProof(job, proof))

/** The choices that each station asks for besides its readings. */
const choices: Readonly<Record<Station, (job: Job) => Choice[]>> = {
  machine: (job) => [
    { name: say`whether there is a battery`, made: job.machine.hasBattery !== null },
    { name: say`whether its output is DC`, made: job.machine.outputDc !== null },
    { name: say`the complaint`, made: job.complaint.after !== null },
    { name: say`what a fan would not cure`, made: cureChecks(job).every((c) => job.checks.some((d) => d.id === c.id)) },
    { name: say`the baseline`, made: job.baseline.state !== 'not yet' },
    { name: say`what the owner allows`, made: job.machine.ownerAllows !== null },
    { name: say`where it lives`, made: job.surroundings.livesIn !== null },
    ...(jobKinds[job.kind].mountsFan && job.cooling
      ? [{ name: say`the ground it works on`, made: job.surroundings.ground !== null }]
      : []),
  ],
  measure: () => [],
  place: (job) => [
    { name: say`a fan`, made: job.fans.length > 0 },
    ...(jobKinds[job.kind].mountsFan
      ? [
          { name: say`where the air is drawn in`, made: job.place.inletFrom !== null },
          { name: say`what the hot air blows on`, made: job.place.blowsOn !== null },
        ]
      : []),
    ...(jobKinds[job.kind].mountsFan && job.bay
      ? [{ name: say`where the engine draws its air`, made: job.bay.intakeFrom !== null || job.engine === null }]
      : []),
  ],
  power: (job) => (job.trailer ? [{ name: say`the tow cable's size`, made: job.trailer.cableSize !== null }] : []),
  wire: (job) => [
    { name: say`conductor sizes`, made: wiresInUse(job).every((c) => c.size !== null) },
    { name: say`a fuse`, made: job.runs.every((r) => r.fuse !== null) },
    ...job.runs.filter((r) => r.switchedBy === 'relay').map((r) => ({ name: say`a relay`, made: r.relay !== null })),
    ...job.runs
      .filter((r) => r.source === 'key switch')
      .map((r) => ({ name: say`the key switch`, made: r.keySwitch !== null })),
    ...(job.runs.some((r) => r.source === 'accessory block' || r.source === 'existing plug')
      ? [{ name: say`what that feed may be loaded with`, made: job.wiring.feedRatedA !== null }]
      : []),
  ],
  trigger: (job) => [
    { name: say`a controller`, made: job.controllers.length > 0 },
    { name: say`a probe`, made: job.probes.every((p) => p.part !== null) },
  ],
  build: (job) => plannedSteps(job).map((s) => ({ name: s.title, made: isMade(job, s.id) })),
  prove: (job) => [
    ...proofsOf(job).map((p) => ({ name: p.name, made: isSettled(job, p) })),
    { name: say`the working setting`, made: job.setting.state === 'working' },
  ],
  after: (job) => [
    ...job.after.map((a) => ({ name: a.what, made: a.dueOn !== null })),
    { name: say`the signature`, made: job.signature !== null },
  ],
}

/**
 * How far a station is filled: the share of its readings and choices that are no longer typical or unchosen.
 * @see margins.md
 */
export function filled(job: Job, station: Station): Filled {
  const fields = fieldsAt(job, station).filter((f) => !f.wish)
  const chosen = choices[station](job)
  const open = chosen.filter((c) => !c.made)
  const guessed = fields.filter((f) => f.reading.source === 'typical').length
  const left = [
    ...(open[0] ? [open.length > 1 ? say`${open[0].name} and ${open.length - 1} more` : open[0].name] : []),
    ...(guessed ? [say`${guessed} ${guessed === 1 ? say`reading` : say`readings`} still typical`] : []),
  ]
  return {
    done: fields.length - guessed + chosen.length - open.length,
    total: fields.length + chosen.length,
    left: left.join(', '),
  }
}
