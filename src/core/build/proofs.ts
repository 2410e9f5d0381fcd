import { type FanPart } from '../parts'
import { corners, NotingBench } from '../reading'
import type { Quantity } from '../units'
import { type Job, jobKinds, lookupOf, typicalMachines, sharesContact } from '../job'
import { circuitsOf, type FanCircuit } from '../fan-circuit'
import { type BenchFigure, benchFigures, proofId } from '../wiring'
import { stepsOf } from './steps'

/** What a proof should show: a figure with the band that the readings leave it, or a yes. */
export interface Prediction {
  readonly value: number
  readonly low: number
  readonly high: number
  readonly quantity: Quantity
}

export interface Proof {
  readonly id: string
  readonly name: string
  readonly how: string
  /** null for a yes-or-no proof, or where a choice is still missing */
  readonly predicted: Prediction | null
  readonly kind: 'figure' | 'yes or no'
  /** motor of the fan whose turning is proved */
  readonly turns?: FanPart['motor']
}

/** The band that a figure can have with the readings as they are. */
function bandFor(job: Job, { at, quantity, slack }: BenchFigure): Prediction | null {
  if (!at) return null
  const lookup = lookupOf(job)
  const bench = new NotingBench(lookup)
  const value = at(bench)
  const { worst, best } = corners(at, lookup, bench.touched, value)
  return { value, low: worst - slack, high: best + slack, quantity }
}

/** Whether a fan's feed carries another's current too, up to where they part. */
const isParted = (job: Job, { run }: FanCircuit): boolean =>
  circuitsOf(job).some(
    (o) => o.run !== run && (sharesContact(o.run, run) || (o.run.fuse !== null && o.run.fuse === run.fuse)),
  )

function howTaken(job: Job, { kind, circuit }: BenchFigure): string {
  const where = job.trailer ? 'battery full, on its charger' : 'engine at cruise'
  const parted = circuit !== null && isParted(job, circuit)
  switch (kind) {
    case 'amps':
      return `Clamp on ${parted ? 'its own wire, where the feeds have parted' : 'the feed'}, ${where}, fan held on.`
    case 'volts':
      return `Across its own plug while it runs, ${where}.`
    case 'starts':
      return 'Working setting, warm it up outdoors and watch the controller.'
    case 'stops':
      return 'Let it run; note where it stops.'
    case 'standby':
      return 'Meter in series at the battery, fan still.'
  }
}

const figures = (job: Job): Proof[] =>
  benchFigures(job).map((f) => ({
    id: f.id,
    name: f.name,
    kind: 'figure',
    how: howTaken(job, f),
    predicted: bandFor(job, f),
  }))

/** the proof that nothing is fed back into the machine's own loom */
export const NOT_FED_BACK = 'not-fed-back'

const yes = (id: string, name: string, how: string): Proof => ({ id, name, how, kind: 'yes or no', predicted: null })

/** How the direction of the air is seen. */
const paperTest = (job: Job): string =>
  job.bay
    ? job.place.side === 'puller'
      ? 'Test setting. A strip of paper at the vent is drawn in, and blown away at the fan.'
      : 'Test setting. A strip of paper at the fan is drawn in, and blown away at the vent.'
    : job.place.side === 'puller'
      ? 'Test setting. A strip of paper in front of the core is drawn to it.'
      : 'Test setting. A strip of paper behind the core is blown away from it.'

/** Everything that is proved before covers go back, with what the plan predicts. */
export function proofsOf(job: Job): Proof[] {
  const circuits = circuitsOf(job)
  const opened = stepsOf(job).some((s) => s.id === 'drain')
  const steers = typicalMachines[job.machine.kind].steers
  return [
    ...circuits.map((c, n) => ({
      ...yes(proofId('turns', c, n), `It turns, the right way${c.suffix}`, paperTest(job)),
      ...(c.fan ? { turns: c.fan.part.motor } : {}),
    })),
    ...figures(job),
    job.trailer || job.use.live === 'isolator'
      ? yes('key-off', 'Isolator off: it stops', 'Fan running, isolator off, hands away.')
      : yes(
          'key-off',
          job.use.live === 'key only' ? 'Key off: it stops' : 'Key off: it stops by itself in time',
          'Fan running, key off, hands away.',
        ),
    ...(job.wiring.override !== 'none'
      ? [
          yes(
            'override',
            'Override: it runs cold, and stops with it',
            job.engine && job.wiring.override === 'key'
              ? 'Key on, engine cold: on, then off; then key off with it left on: nothing runs.'
              : 'Cold: on, then off.',
          ),
        ]
      : []),
    ...(job.wiring.call
      ? [
          yes(
            'call',
            'The other system calls it',
            'Air conditioning or hydraulics on as its maker says, engine cold: the fan runs.',
          ),
        ]
      : []),
    ...(job.wiring.diodes.length
      ? [
          yes(
            NOT_FED_BACK,
            'Key off while it runs: nothing else stays alive',
            'Engine hot, key off: lamps, dash and pump of the machine are dead, the fan as it was asked.',
          ),
        ]
      : []),
    yes(
      'clear',
      steers ? 'Nothing caught, lock to lock' : 'Nothing caught, all travel',
      steers
        ? 'Engine off, steering from lock to lock, suspension pressed down.'
        : 'All off: covers, doors and what moves through their travel.',
    ),
    ...(job.cooling && opened ? [yes('leaks', 'No leaks', 'Warm, then cold: hoses, clips and drain.')] : []),
    ...(job.cooling && jobKinds[job.kind].mountsFan
      ? [yes('level', 'Coolant level, after the first heat cycle', 'Cold again: cap off, level as before.')]
      : []),
  ]
}

/** Whether a measured value lies in what was predicted. */
export const asPredicted = (predicted: Prediction, measured: number): boolean =>
  measured >= predicted.low && measured <= predicted.high
