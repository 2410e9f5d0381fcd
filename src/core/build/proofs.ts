import { type FanPart } from '../parts'
import { corners, NotingBench } from '../reading'
import type { Quantity } from '../units'
import { type Job, lookupOf, typicalMachines, sharesContact } from '../job'
import { circuitsOf, type FanCircuit } from '../fan-circuit'
import { benchFigures, proofId, provedCircuit } from '../wiring'
import { lossFigures, type ProofFigure } from './losses'
import { opensCoolant } from './asks'
import { stateInWords } from '../circuit'
import { say } from '../words'

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
  /** whose figure it is: the run's id; null: of everything together */
  readonly run: string | null
  /** steps of this job that come before it */
  readonly needs: readonly string[]
  /** the engine runs for it */
  readonly engine: boolean
  /** every row of the circuit's table of states is tried: {@link stateRows} */
  readonly states?: true
}

/** The band that a figure can have with the readings as they are. */
function bandFor(job: Job, { at, quantity, slack }: Pick<ProofFigure, 'at' | 'quantity' | 'slack'>): Prediction | null {
  if (!at) return null
  const lookup = lookupOf(job)
  const bench = new NotingBench(lookup)
  const value = at(bench)
  const { worst, best } = corners(at, lookup, bench.touched, value)
  return { value, low: worst - slack, high: best + slack, quantity }
}

const worked = new WeakMap<Job, Map<string, Prediction | null>>()

/** A band is worked out when somebody asks, once a job: most pages only count proofs. */
function predictedOf(job: Job, figure: ProofFigure): Prediction | null {
  const known = worked.get(job) ?? new Map<string, Prediction | null>()
  worked.set(job, known)
  if (!known.has(figure.id)) known.set(figure.id, bandFor(job, figure))
  return known.get(figure.id)!
}

/** Whether a fan's feed carries another's current too, up to where they part. */
const isParted = (job: Job, { run }: FanCircuit): boolean =>
  circuitsOf(job).some(
    (o) => o.run !== run && (sharesContact(o.run, run) || (o.run.fuse !== null && o.run.fuse === run.fuse)),
  )

function howTaken(job: Job, { kind, circuit }: Pick<ProofFigure, 'kind' | 'circuit'>): string {
  const where = job.trailer ? say`battery full, on its charger` : say`engine at cruise`
  const parted = circuit !== null && isParted(job, circuit)
  switch (kind) {
    case 'amps':
      return say`Clamp on ${
        parted ? say`its own wire, where the feeds have parted` : say`the feed`
      }, ${where}, fan held on.`
    case 'volts':
      return say`Across its own plug while it runs, ${where}.`
    case 'starts':
      return say`Working setting, warm it up outdoors and watch the controller.`
    case 'stops':
      return say`Let it run; note where it stops.`
    case 'inrush':
      return say`Clamp that holds the highest, fan switched on from standing: its first instant, not what it settles
        at.`
    case 'loss-plus':
      return say`Battery’s plus against the plus of the fan’s plug while it runs, ${where}.`
    case 'loss-minus':
      return say`The minus of the fan’s plug against battery’s minus while it runs, ${where}.`
    case 'standby':
      return say`Meter in series at the battery, fan still, with its fuse out and in: the difference is the fan’s.`
  }
}

/** the proof that nothing is fed back into the machine's own loom */
export const NOT_FED_BACK = 'not-fed-back'
/** what is measured before any battery: nothing goes in before they are answered */
export const BEFORE_POWER = ['continuity', 'insulation'] as const

type Before = Pick<Proof, 'needs' | 'engine'>
/** live, and nothing turns but the fan */
const live: Before = { needs: ['fuse-in'], engine: false }
const running = (job: Job): Before => ({ needs: ['fuse-in', 'refill'], engine: job.engine !== null })

const figures = (job: Job): Proof[] =>
  [...benchFigures(job), ...lossFigures(job)].map((f) => ({
    id: f.id,
    name: f.name,
    kind: 'figure',
    how: howTaken(job, f),
    get predicted() {
      return predictedOf(job, f)
    },
    run: f.circuit?.run.id ?? null,
    ...(f.kind === 'standby' || f.kind === 'inrush' ? live : running(job)),
  }))

const yes = (id: string, name: string, how: string, before: Before = live): Proof => ({
  id,
  name,
  how,
  kind: 'yes or no',
  predicted: null,
  run: null,
  ...before,
})

/** How the direction of the air is seen. */
function paperTest(job: Job): string {
  const pulls = job.place.side === 'puller'
  if (job.bay)
    return pulls
      ? say`Test setting. A strip of paper at the vent is drawn in, and blown away at the fan.`
      : say`Test setting. A strip of paper at the fan is drawn in, and blown away at the vent.`
  return pulls
    ? say`Test setting. A strip of paper in front of the core is drawn to it.`
    : say`Test setting. A strip of paper behind the core is blown away from it.`
}

const beforePower = (): Proof[] => [
  yes(
    'continuity',
    say`Continuity, battery off`,
    say`Every way under 0.5 ohm, each wire to its own label. Meter’s leads held together first: what they show is
      taken off.`,
    { needs: ['fasten'], engine: false },
  ),
  yes(
    'insulation',
    say`Insulation, battery off`,
    say`Feed behind the holder against the frame, fan unplugged: more than 10 000 ohm.`,
    { needs: ['fasten'], engine: false },
  ),
]

const keyOff = (job: Job): Proof =>
  job.trailer || job.use.live === 'isolator'
    ? yes('key-off', say`Isolator off: it stops`, say`Fan running, isolator off, hands away.`)
    : yes(
        'key-off',
        job.use.live === 'key only' ? say`Key off: it stops` : say`Key off: it stops by itself in time`,
        say`Fan running, engine hot, key off, hands away; wait as long as it may take.`,
        running(job),
      )

/** A thermo-switch is found out by bridging it: with it out of the way the rest of the circuit shows itself. */
const bridged = (job: Job): Proof[] =>
  circuitsOf(job).flatMap((c, n) =>
    c.controller?.part.fixed && circuitsOf(job).findIndex((o) => o.controller?.id === c.controller?.id) === n
      ? [
          {
            ...yes(
              proofId('bridge', c, n),
              say`Bridged at its switch, it runs${c.suffix}`,
              say`Plug off the thermo-switch; a short lead with a fuse of its own across the two contacts of that
                plug, and across nothing else: never from a live wire to the frame. Hands away, then the lead off
                again.`,
            ),
            run: c.run.id,
          },
        ]
      : [],
  )

/** What is switched besides the thermostat, each apart from it. */
const switched = (job: Job): Proof[] => [
  ...bridged(job),
  ...(job.wiring.override !== 'none'
    ? [
        yes(
          'override',
          say`Override: it runs cold, and stops with it`,
          job.engine && job.wiring.override === 'key'
            ? say`Key on, engine cold: on, then off; then key off with it left on: nothing runs.`
            : say`Cold: on, then off.`,
        ),
      ]
    : []),
  ...(job.wiring.call
    ? [
        yes(
          'call',
          say`The other system calls it`,
          say`Air conditioning or hydraulics on as its maker says, engine cold: the fan runs.`,
          running(job),
        ),
      ]
    : []),
  ...(job.wiring.diodes.length
    ? [
        yes(
          NOT_FED_BACK,
          say`Key off while it runs: nothing else stays alive`,
          say`Engine hot, key off: lamps, dash and pump of the machine are dead, the fan as it was asked.`,
          running(job),
        ),
      ]
    : []),
]

/** Everything that is proved before covers go back, with what the plan predicts. */
export function proofsOf(job: Job): Proof[] {
  const circuits = circuitsOf(job)
  const steers = typicalMachines[job.machine.kind].steers
  return [
    ...beforePower(),
    ...circuits.map((c, n) => ({
      ...yes(proofId('turns', c, n), say`It turns, the right way${c.suffix}`, paperTest(job)),
      run: c.run.id,
      ...(c.fan ? { turns: c.fan.part.motor } : {}),
    })),
    ...figures(job),
    {
      ...yes(
        'states',
        say`Every row of the table of states`,
        say`Each as it says below; hot ones on the test setting.`,
      ),
      states: true,
    },
    keyOff(job),
    ...switched(job),
    yes(
      'clear',
      steers ? say`Nothing caught, lock to lock` : say`Nothing caught, all travel`,
      steers
        ? say`Fan running on its override or test setting, engine off: from lock to lock, suspension pressed down.`
        : say`Fan running: covers, doors and what moves through their travel; hands away.`,
      { needs: ['fuse-in', 'locks', 'clear', 'core-on'], engine: false },
    ),
    ...(opensCoolant(job)
      ? [
          yes(
            'leaks',
            say`No leaks, cold and hot`,
            say`Cold first, then warm: hoses, clips, drain, probe.`,
            running(job),
          ),
        ]
      : []),
  ]
}

/** A state of the circuit's own table: how the switches stand, and what each is to do there. */
export interface StateRow {
  readonly when: string
  /** null: either will do */
  readonly runs: boolean | null
}

/**
 * The rows that are tried: each combination of switches cold and hot, as the job's own circuit was proved against what
 * was asked.
 * @see engineering §5
 */
export function stateRows(job: Job): StateRow[] {
  const { net, rows } = provedCircuit(job)
  return rows.flatMap(({ states }) =>
    states
      .filter((s) => s.conditions.heat === 'cold' || s.conditions.heat === 'hot')
      .map((s) => ({ when: stateInWords(s.conditions, net), runs: s.wanted })),
  )
}

/** Whether a measured value lies in what was predicted. */
export const asPredicted = (predicted: Prediction, measured: number): boolean =>
  measured >= predicted.low && measured <= predicted.high
