import { guardParts, pastFuseParts } from './guarded'
import { fixedScale, type MarginDefinition, ofRun, over, type PartDefinition } from './part'
import {
  allowedCurrent,
  fuseCarries,
  fuseGate,
  type FuseNeeds,
  jammedCurrent,
  OPENS_JAMMED_RATIO,
  POST_DISTANCE_M,
  startWear,
  WEAR_ALLOWED,
} from '../electrical'
import {
  ambientAt,
  type ChosenFan,
  circuitsOf,
  conductorAt,
  type FanCircuit,
  ratingOf,
  type RunConductor,
  startCurrent,
  startOf,
  surroundingsOf,
  ohmBefore,
} from '../fan-circuit'
import { type Job, roleNames, sharesContact } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { format, plainNumber } from '../units'
import { currentIn, type Load, loadsOf, startIn } from '../wiring'
import { say } from '../words'

type WithFan = FanCircuit & { readonly fan: ChosenFan }
type Fused = WithFan & { readonly fuse: NonNullable<FanCircuit['fuse']> }

/** Current through the fan held fast, behind its own wires. @see engineering §1.4 */
function jammed(bench: Bench, circuit: WithFan): Worked {
  const ohm = ohmBefore(bench, circuit)
  const volts = bench.value('charging.regulatorV')
  return worked(
    say`current, fan held fast`,
    say`{0} over its winding and {1} of wires`,
    [term(say`regulator`, volts, 'voltage', 'charging.regulatorV'), term(say`run`, ohm, 'resistance')],
    jammedCurrent(ratingOf(bench, circuit.fan), volts, ohm),
    'current',
    '§1.4',
  )
}

const fuseAmbient = (bench: Bench, { id, lies }: Fused['fuse']): number =>
  ambientAt(bench, surroundingsOf(`fuses.${id}`, lies))

const loadOf = (job: Job, fuseId: string): Load => loadsOf(job).fuses.get(fuseId)!

/** What a fuse guards; before one is fitted, what it will. */
const guardedBy = (
  job: Job,
  circuit: FanCircuit,
): readonly { readonly conductor: RunConductor; readonly name: string }[] =>
  (circuit.fuse ? loadsOf(job).guarded.get(circuit.fuse.id) : undefined) ??
  circuit.conductors.map((conductor) => ({ conductor, name: roleNames[conductor.role] }))

/** The conductor downstream that may carry least. */
function leastAllowed(bench: Bench, job: Job, circuit: FanCircuit): Worked {
  const all = guardedBy(job, circuit).map(({ conductor, name }) =>
    allowedCurrent(conductor.size!, conductorAt(bench, conductor), name),
  )
  return all.reduce((least, w) => (w.value < least.value ? w : least))
}

const wearLine = (bench: Bench, job: Job, circuit: Fused, edge: 'middle' | 'fast'): Worked => {
  const load = loadOf(job, circuit.fuse.id)
  const start = startIn(bench, job, load)
  return following(
    [startCurrent(bench, circuit.fan), currentIn(bench, job, load)],
    worked(
      edge === 'middle' ? say`wear at one start` : say`wear of the fastest fuse at one start`,
      say`from {0} down to {1} with {2} through {3}`,
      [
        term(say`starting`, start.startingA, 'current'),
        term(say`running`, start.runningA, 'current'),
        term(say`time constant`, start.timeConstantS, 'seconds'),
        term(say`fuse`, circuit.fuse.ratingA, 'current'),
      ],
      startWear(start, circuit.fuse.ratingA, edge),
      'share',
      '§1.4',
    ),
  )
}

const NO_FUSE = say`no fuse fitted`

/** A run that has no fuse at all. */
export const isFuseMissing = ({ words }: { readonly words: string | null }): boolean =>
  words?.startsWith(NO_FUSE) ?? false

function partsOf(job: Job, circuit: FanCircuit): PartDefinition[] {
  const { suffix, tag, fuse, fan } = circuit
  const carries = { id: `carries${tag}`, name: say`in what it carries${suffix}`, unit: 'A', required: 0 } as const
  if (!fuse) return [{ ...carries, missing: `${NO_FUSE}${suffix}` }]
  if (!fan) return [{ ...carries, needs: say`a fan` }]
  const fused: Fused = { ...circuit, fuse, fan }
  const rating = fuse.ratingA
  const load = loadOf(job, fuse.id)
  const guards = {
    id: `guards the wire${tag}`,
    name: say`in guarding the wire${suffix}`,
    unit: 'A',
    required: 0,
  } as const
  const bare = guardedBy(job, circuit).some((c) => c.conductor.size === null) || circuit.conductors.length === 0
  const jam = {
    id: `jammed fan${tag}`,
    name: say`with the fan held fast${suffix}`,
    unit: '–',
    required: OPENS_JAMMED_RATIO,
    warns: say`A fan held fast may not open this fuse: the wire is guarded, the motor is not.`,
  } as const
  return [
    {
      ...carries,
      scale: (bench) => currentIn(bench, job, load).value / 4,
      compute: (bench) =>
        over(fuseCarries(rating, fuseAmbient(bench, fuse)), currentIn(bench, job, load), 0, 'current', '§1.4'),
    },
    {
      id: `survives starting${tag}`,
      name: say`in surviving starts${suffix}`,
      unit: '–',
      required: 0,
      scale: fixedScale(0.3),
      compute: (bench) =>
        over(
          { name: say`wear allowed`, value: WEAR_ALLOWED },
          wearLine(bench, job, fused, 'middle'),
          0,
          'share',
          '§1.4',
        ),
    },
    bare
      ? { ...guards, needs: say`sizes for the conductors` }
      : {
          ...guards,
          scale: fixedScale(rating / 4),
          compute: (bench) =>
            over(leastAllowed(bench, job, circuit), { name: say`fuse`, value: rating }, 0, 'current', '§1.4'),
        },
    {
      id: `fast edge${tag}`,
      name: say`at the fast edge${suffix}`,
      unit: '–',
      required: 0,
      scale: fixedScale(1),
      warns: say`A fuse at the fast edge of the standard could open at the first start.`,
      compute: (bench) =>
        over({ name: say`opens at`, value: 1 }, wearLine(bench, job, fused, 'fast'), 0, 'share', '§1.4'),
    },
    bare
      ? { ...jam, needs: say`sizes for the conductors` }
      : {
          ...jam,
          scale: fixedScale(1),
          compute: (bench) => {
            const current = jammed(bench, fused)
            const ratio = following(
              [current],
              worked(
                say`held fast, times the rating`,
                '{0} / {1}',
                [term(say`held fast`, current.value, 'current'), term(say`fuse`, rating, 'current')],
                current.value / rating,
                'share',
                '§1.4',
              ),
            )
            return over(ratio, { name: say`nothing`, value: 0 }, OPENS_JAMMED_RATIO, 'share', '§1.4')
          },
        },
    {
      id: `near the post${tag}`,
      name: say`near the post${suffix}`,
      unit: 'mm',
      required: 0,
      scale: fixedScale(100),
      warns: say`The fuse sits further than ${format(POST_DISTANCE_M, 'length', job.units, 2)} from the battery post:
        the piece before it needs a sleeve of its own.`,
      compute: (bench) =>
        over(
          { name: say`allowed`, value: POST_DISTANCE_M },
          worked(
            say`along the wire`,
            '{0}',
            [bench.term(`fuses.${fuse.id}.fromPostM`)],
            bench.value(`fuses.${fuse.id}.fromPostM`),
            'length',
            '§1.4',
          ),
          0,
          'length',
          '§1.4',
        ),
    },
  ]
}

/** Longest time a fan held fast can take to open its fuse, in words. @see engineering §1.4 */
function jamNote(bench: Bench, circuit: FanCircuit): string[] {
  const { fan, fuse, conductors } = circuit
  if (!fan || !fuse || conductors.some((c) => c.size === null) || conductors.length === 0) return []
  const { longestS } = fuseGate(jammed(bench, { ...circuit, fan }).value / fuse.ratingA)
  return [
    Number.isFinite(longestS)
      ? say`A fan held fast opens it in ${plainNumber(longestS, 2)} s at the longest.`
      : say`A fan held fast may never open it.`,
  ]
}

export const breakerCautions = [
  say`A breaker that resets itself goes on closing into a short for ever.`,
  say`A breaker with bare studs is a live terminal: cover it.`,
] as const

/** What a fuse of a run must do, for choosing one; null until fan and conductors are chosen. */
export function fuseNeeds(bench: Bench, job: Job, circuit: FanCircuit): FuseNeeds | null {
  const { fan, fuse, conductors } = circuit
  if (!fan || conductors.length === 0 || guardedBy(job, circuit).some((c) => c.conductor.size === null)) return null
  return {
    ...(fuse ? startIn(bench, job, loadOf(job, fuse.id)) : startOf(bench, fan)),
    jammedA: jammed(bench, { ...circuit, fan }).value,
    leastAllowedA: leastAllowed(bench, job, circuit).value,
    ambientC: fuse ? fuseAmbient(bench, fuse) : 40,
  }
}

/** Circuits whose fuse is not an earlier one's: two fans on one contact or one fuse are guarded by it together. */
const ownFuses = (circuits: readonly FanCircuit[]): FanCircuit[] =>
  circuits.filter(
    (c, i) =>
      !circuits.slice(0, i).some((o) => sharesContact(o.run, c.run) || (c.fuse !== null && o.fuse?.id === c.fuse.id)),
  )

/** The fuse or breaker of every run. @see engineering §1.4, margins.md */
export function fuseMargin(job: Job, bench: Bench): MarginDefinition {
  const circuits = circuitsOf(job)
  const breaker = circuits.some((c) => c.fuse?.kind === 'breaker')
  return {
    id: 'fuse',
    name: say`Fuse`,
    parts: [
      ...ownFuses(circuits).flatMap((c) => ofRun(c, partsOf(job, c))),
      ...circuits.flatMap((c) => pastFuseParts(job, c)),
      ...guardParts(job),
    ],
    notes: [...circuits.flatMap((c) => jamNote(bench, c)), ...(breaker ? breakerCautions : [])],
  }
}
