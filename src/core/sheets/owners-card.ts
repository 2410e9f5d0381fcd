import { openDebts, proofsOf, stateOfProof } from '../build'
import { circuitsOf, eachOnce, fannedCircuits, isThermostat } from '../fan-circuit'
import { onOffPoints } from '../control'
import { cautionInWords, cautions, faultSought, type Job, typicalMachines } from '../job'
import { CORE_VERSION, evaluate } from '../margins'
import { takenOn } from '../plan'
import { calendarDay, format, type UnitSystem } from '../units'
import { whenItRuns, type WhenItRuns } from '../wiring'
import { section } from './section'
import type { Sheet } from './sheet-schema'

/** When the fan starts by itself, one line a controller. */
function startsItself(job: Job, units: UnitSystem): string[] {
  return eachOnce(job, 'controller').map(([{ part, setC, bandK }, { suffix }]) => {
    const points = onOffPoints(
      part.band,
      { setC, bandK },
      part.fixed ? { closesC: part.fixed.closesC.value, opensC: part.fixed.opensC.value } : undefined,
    )
    return points && isThermostat(part)
      ? `${part.name}${suffix}: the fan starts at ${format(points.on.c, 'temperature', units)} and stops at ` +
          `${format(points.off.c, 'temperature', units)}, as its probe feels it.`
      : `${part.name}${suffix}: the fan runs by hand, or whenever it is fed.`
  })
}

const settingInWords: Readonly<Record<Job['setting']['state'], string>> = {
  test: 'The controller stands on its test setting: NOT FOR DRIVING.',
  working: 'The controller stands on its working setting.',
}

const withKeyOff: Readonly<Record<WhenItRuns['keyOff'], string>> = {
  never: 'With the key off it stops.',
  hot: 'With the key off it may run, and start by itself, whenever its probe is hot.',
  always: 'THE KEY DOES NOT STOP IT: with the key off it runs on, hot or cold.',
}

/** What the key does, in words: as the circuit is, not as it was wanted. */
function byKey({ key, keyOff, afterRun, calledKeyOff }: WhenItRuns): string[] {
  if (!key) return []
  if (keyOff !== 'never') return [withKeyOff[keyOff]]
  return [
    afterRun ? 'It may run on for a while after the key is off, and start by itself.' : null,
    calledKeyOff ? 'With the key off its switch still makes it run: nothing else does.' : null,
    !afterRun && !calledKeyOff ? withKeyOff.never : null,
  ].filter((line) => line !== null)
}

function byIsolator({ key, isolator, pastIsolator }: WhenItRuns): string[] {
  if (pastIsolator) return ['ITS ISOLATOR DOES NOT STOP IT.']
  if (isolator) return ['It may start whenever its isolator is on; with it off it stops.']
  return key ? [] : ['No switch stops it: it may start at any time.']
}

const CERTAIN = 'To keep it still for certain:'

/** What keeps it still for certain: its fuses, where nothing leads past them. */
function stillForCertain(job: Job, when: WhenItRuns | null): string {
  const fuses = circuitsOf(job).filter((c) => c.fuse).length
  if (!fuses || when?.pastFuses)
    return `${CERTAIN} take the battery’s negative lead off${fuses ? '; its fuse alone does not do it' : ''}.`
  return `${CERTAIN} take its ${fuses > 1 ? 'fuses' : 'fuse'} out, or the battery’s negative lead off.`
}

function howToStop(job: Job): string[] {
  const when = fannedCircuits(job).length ? whenItRuns(job) : null
  return [
    ...(when
      ? [
          ...byKey(when),
          ...byIsolator(when),
          ...(when.coldByOverride ? ['Its override switch makes it run whatever the temperature.'] : []),
          ...(when.coldByCall ? ['Another system of the machine calls it too, whatever the temperature.'] : []),
        ]
      : ['What starts and stops it is not chosen yet.']),
    stillForCertain(job, when),
  ]
}

/** Where a fuse is found; one at the battery by its way from the post. */
const holderAt: Readonly<Record<Exclude<Job['runs'][number]['source'], 'battery'>, string>> = {
  'key switch': 'in its holder behind the key switch',
  'accessory block': 'at the accessory block',
  'existing plug': 'in the machine’s own box, for the plug it uses',
  'road lights': 'at a lighting wire, where it must not be',
}

function whereItIs({ source }: Job['runs'][number], fuse: Job['fuses'][number], units: UnitSystem): string {
  if (source !== 'battery') return holderAt[source]
  return `in its holder, ${format(fuse.fromPostM.value, 'length', units, 2)} of wire from the battery’s post`
}

const fuses = (job: Job): string[] => [
  ...circuitsOf(job).flatMap(({ fuse, run, suffix }) =>
    fuse ? [`Fuse${suffix}: ${fuse.ratingA} A, ${whereItIs(run, fuse, job.units)}; never a larger one.`] : [],
  ),
  ...(job.wiring.tapFuseA !== null && job.engine !== null
    ? [`Another of ${job.wiring.tapFuseA} A where its control leaves the switched wire.`]
    : []),
]

/** How a margin stood when somebody took it on by name. */
const acceptedAs: Readonly<Record<Exclude<Job['acceptances'][number]['verdict'], 'warning'>, string>> = {
  short: 'is short',
  unsure: 'is not certain',
  open: 'was not worked out',
}

/** What was taken on by name, each once: one reason may stand for several parts of a margin. */
function takenOnPlainly(job: Job): string[] {
  const lines = takenOn(job, evaluate(job)).map((a) => {
    const margin = a.margin === 'plan' ? 'The plan' : a.margin.charAt(0).toUpperCase() + a.margin.slice(1)
    const what = a.verdict === 'warning' ? a.what : `${margin} ${acceptedAs[a.verdict]}`
    return `${what}: ${a.why.replace(/\.$/, '')} (${a.who}).`
  })
  return [...new Set(lines)]
}

/** What was taken on by name, what was not proved, what is right for now only: said plainly to whoever takes it. */
function honestly(job: Job): string[] {
  const stood = proofsOf(job).map((p) => ({ name: p.name, state: stateOfProof(job, p), id: p.id }))
  const why = (id: string) => job.proofs.find((p) => p.id === id)
  return [
    ...job.place.obstacles
      .filter((o) => o.dealt === 'comes off')
      .map((o) => `Taken off for the fan, and not there any more: ${o.name}.`),
    ...takenOnPlainly(job),
    ...stood
      .filter((p) => p.state === 'accepted')
      .map((p) => `${p.name} is not as predicted: ${why(p.id)?.accepted?.why}.`),
    ...stood.filter((p) => p.state === 'not proved').map((p) => `Not proved, ${p.name}: ${why(p.id)?.notProved}.`),
    ...stood.filter((p) => p.state === 'open').map((p) => `Not proved yet: ${p.name}.`),
    ...stood
      .filter((p) => p.state === 'failed' || p.state === 'differs')
      .map((p) => `NOT RIGHT, ${p.state}: ${p.name}.`),
    ...(faultSought(job) ? [`NOT RIGHT: a fault is being sought, since ${calendarDay(faultSought(job)!.at)}.`] : []),
    ...openDebts(job).map(
      (d) =>
        `Right for now only: ${d.what}${d.until ? `, until ${d.until}` : ''}${d.dangerous ? '. DO NOT DRIVE' : ''}.`,
    ),
  ]
}

/**
 * One page for whoever drives it: what was fitted, what it does by itself, how to stop it, what to look at and
 * when.
 */
export function ownersCard(job: Job): Sheet {
  const units = job.units
  const named = honestly(job)
  const calls = job.after.filter((a) => a.doneOn === null)
  return {
    title: `${job.machine.name}: its fan`,
    subtitle:
      `${typicalMachines[job.machine.kind].name}${job.machine.owner ? `, ${job.machine.owner}` : ''}. ` +
      (job.signature
        ? `Signed by ${job.signature.by}, ${calendarDay(job.signature.at)}.`
        : 'NOT SIGNED: this is how it stands, not a hand-over.'),
    coreVersion: CORE_VERSION,
    sections: [
      section('Fitted', [
        ...circuitsOf(job).flatMap((c) => (c.fan ? [`${c.fan.part.name}${c.suffix}`] : [])),
        ...startsItself(job, units),
        ...(eachOnce(job, 'controller').length ? [settingInWords[job.setting.state]] : []),
      ]),
      section('How to stop it', howToStop(job)),
      section('Fuses', fuses(job).length ? fuses(job) : ['None chosen.']),
      section('Mind', [
        cautions.surprise,
        ...(job.cooling ? [cautionInWords('hotCoolant', units)] : []),
        cautions.maker,
      ]),
      section('Look at', [
        ...(calls.length ? calls.map((a) => `${a.what}${a.dueOn ? `: ${a.dueOn}` : ''}.`) : ['Nothing more is due.']),
        'Blades, ties and leads at each wash; no pressure washer at fan or controller.',
      ]),
      section('Said plainly', named.length ? named : ['All of it was proved, and nothing was left open.']),
    ],
  }
}
