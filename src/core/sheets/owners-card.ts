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
import { say, spokenWord } from '../words'

/** When the fan starts by itself, one line a controller. */
function startsItself(job: Job, units: UnitSystem): string[] {
  return eachOnce(job, 'controller').map(([{ part, setC, bandK }, { suffix }]) => {
    const points = onOffPoints(
      part.band,
      { setC, bandK },
      part.fixed ? { closesC: part.fixed.closesC.value, opensC: part.fixed.opensC.value } : undefined,
    )
    return points && isThermostat(part)
      ? say`${part.name}${suffix}: the fan starts at ${format(points.on.c, 'temperature', units)} and stops at
        ${format(points.off.c, 'temperature', units)}, as its probe feels it.`
      : say`${part.name}${suffix}: the fan runs by hand, or whenever it is fed.`
  })
}

const settingInWords: Readonly<Record<Job['setting']['state'], string>> = {
  test: say`The controller stands on its test setting: NOT FOR DRIVING.`,
  working: say`The controller stands on its working setting.`,
}

const withKeyOff: Readonly<Record<WhenItRuns['keyOff'], string>> = {
  never: say`With the key off it stops.`,
  hot: say`With the key off it may run, and start by itself, whenever its probe is hot.`,
  always: say`THE KEY DOES NOT STOP IT: with the key off it runs on, hot or cold.`,
}

/** What the key does, in words: as the circuit is, not as it was wanted. */
function byKey({ key, keyOff, afterRun, calledKeyOff }: WhenItRuns): string[] {
  if (!key) return []
  if (keyOff !== 'never') return [withKeyOff[keyOff]]
  return [
    afterRun ? say`It may run on for a while after the key is off, and start by itself.` : null,
    calledKeyOff ? say`With the key off its switch still makes it run: nothing else does.` : null,
    !afterRun && !calledKeyOff ? withKeyOff.never : null,
  ].filter((line) => line !== null)
}

function byIsolator({ key, isolator, pastIsolator }: WhenItRuns): string[] {
  if (pastIsolator) return [say`ITS ISOLATOR DOES NOT STOP IT.`]
  if (isolator) return [say`It may start whenever its isolator is on; with it off it stops.`]
  return key ? [] : [say`No switch stops it: it may start at any time.`]
}

const CERTAIN = say`To keep it still for certain:`

/** What keeps it still for certain: its fuses, where nothing leads past them. */
function stillForCertain(job: Job, when: WhenItRuns | null): string {
  const fuses = circuitsOf(job).filter((c) => c.fuse).length
  if (!fuses || when?.pastFuses)
    return say`${CERTAIN} take the battery’s negative lead off${fuses ? say`; its fuse alone does not do it` : ''}.`
  return say`${CERTAIN} take its ${fuses > 1 ? say`fuses` : say`fuse`} out, or the battery’s negative lead
    off.`
}

function howToStop(job: Job): string[] {
  const when = fannedCircuits(job).length ? whenItRuns(job) : null
  return [
    ...(when
      ? [
          ...byKey(when),
          ...byIsolator(when),
          ...(when.coldByOverride ? [say`Its override switch makes it run whatever the temperature.`] : []),
          ...(when.coldByCall ? [say`Another system of the machine calls it too, whatever the temperature.`] : []),
        ]
      : [say`What starts and stops it is not chosen yet.`]),
    stillForCertain(job, when),
  ]
}

/** Where a fuse is found; one at the battery by its way from the post. */
const holderAt: Readonly<Record<Exclude<Job['runs'][number]['source'], 'battery'>, string>> = {
  'key switch': say`in its holder behind the key switch`,
  'accessory block': say`at the accessory block`,
  'existing plug': say`in the machine’s own box, for the plug it uses`,
  'road lights': say`at a lighting wire, where it must not be`,
}

function whereItIs({ source }: Job['runs'][number], fuse: Job['fuses'][number], units: UnitSystem): string {
  if (source !== 'battery') return holderAt[source]
  return say`in its holder, ${format(fuse.fromPostM.value, 'length', units, 2)} of wire from the battery’s post`
}

const fuses = (job: Job): string[] => [
  ...circuitsOf(job).flatMap(({ fuse, run, suffix }) =>
    fuse ? [say`Fuse${suffix}: ${fuse.ratingA} A, ${whereItIs(run, fuse, job.units)}; never a larger one.`] : [],
  ),
  ...(job.wiring.tapFuseA !== null && job.engine !== null
    ? [say`Another of ${job.wiring.tapFuseA} A where its control leaves the switched wire.`]
    : []),
]

/** How a margin stood when somebody took it on by name. */
const acceptedAs: Readonly<Record<Exclude<Job['acceptances'][number]['verdict'], 'warning'>, string>> = {
  short: say`is short`,
  unsure: say`is not certain`,
  open: say`was not worked out`,
}

/** What was taken on by name, each once: one reason may stand for several parts of a margin. */
function takenOnPlainly(job: Job): string[] {
  const lines = takenOn(job, evaluate(job)).map((a) => {
    const margin =
      a.margin === 'plan' ? say`The plan` : spokenWord(a.margin.charAt(0).toUpperCase() + a.margin.slice(1))
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
      .map((o) => say`Taken off for the fan, and not there any more: ${o.name}.`),
    ...takenOnPlainly(job),
    ...stood
      .filter((p) => p.state === 'accepted')
      .map((p) => say`${p.name} is not as predicted: ${why(p.id)?.accepted?.why}.`),
    ...stood.filter((p) => p.state === 'not proved').map((p) => say`Not proved, ${p.name}: ${why(p.id)?.notProved}.`),
    ...stood.filter((p) => p.state === 'open').map((p) => say`Not proved yet: ${p.name}.`),
    ...stood
      .filter((p) => p.state === 'failed' || p.state === 'differs')
      .map((p) => say`NOT RIGHT, ${spokenWord(p.state)}: ${p.name}.`),
    ...(faultSought(job) ? [say`NOT RIGHT: a fault is being sought, since ${calendarDay(faultSought(job)!.at)}.`] : []),
    ...openDebts(job).map(
      (d) =>
        say`Right for now only: ${d.what}${d.until ? say`, until ${d.until}` : ''}${
          d.dangerous ? say`. DO NOT DRIVE` : ''
        }.`,
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
    title: say`${job.machine.name}: its fan`,
    subtitle:
      `${typicalMachines[job.machine.kind].name}${job.machine.owner ? `, ${job.machine.owner}` : ''}. ` +
      (job.signature
        ? say`Signed by ${job.signature.by}, ${calendarDay(job.signature.at)}.`
        : say`NOT SIGNED: this is how it stands, not a hand-over.`),
    coreVersion: CORE_VERSION,
    sections: [
      section(say`Fitted`, [
        ...circuitsOf(job).flatMap((c) => (c.fan ? [`${c.fan.part.name}${c.suffix}`] : [])),
        ...startsItself(job, units),
        ...(eachOnce(job, 'controller').length ? [settingInWords[job.setting.state]] : []),
      ]),
      section(say`How to stop it`, howToStop(job)),
      section(say`Fuses`, fuses(job).length ? fuses(job) : [say`None chosen.`]),
      section(say`Mind`, [
        cautions.surprise,
        ...(job.cooling ? [cautionInWords('hotCoolant', units)] : []),
        cautions.maker,
      ]),
      section(say`Look at`, [
        ...(calls.length
          ? calls.map((a) => `${a.what}${a.dueOn ? `: ${a.dueOn}` : ''}.`)
          : [say`Nothing more is due.`]),
        say`Blades, ties and leads at each wash; no pressure washer at fan or controller.`,
      ]),
      section(say`Said plainly`, named.length ? named : [say`All of it was proved, and nothing was left open.`]),
    ],
  }
}
