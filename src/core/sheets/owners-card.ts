import { openDebts, proofsOf, stateOfProof } from '../build'
import { circuitsOf, eachOnce, isThermostat } from '../fan-circuit'
import { onOffPoints } from '../control'
import { cautionInWords, cautions, faultSought, type Job, typicalMachines } from '../job'
import { CORE_VERSION } from '../margins'
import { format, type UnitSystem } from '../units'
import { section } from './section'
import type { Sheet } from './sheet-schema'

const day = (moment: string): string => moment.slice(0, 10)

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

const liveInWords: Readonly<Record<Job['use']['live'], string>> = {
  'key only': 'With the key off it stops.',
  'after-run': 'It may run on after the key is off, and start by itself.',
  'whenever hot': 'It runs whenever its probe is hot, key or no key: it may start by itself at any time.',
  isolator: 'It may start whenever its isolator is on.',
}

function howToStop(job: Job): string[] {
  return [
    liveInWords[job.use.live],
    ...(job.wiring.override !== 'none' ? ['Its override switch makes it run whatever the temperature.'] : []),
    'To keep it still for certain: take its fuse out, or the battery’s negative lead off.',
  ]
}

const holderAt: Readonly<Record<Job['runs'][number]['source'], string>> = {
  battery: 'in its holder beside the battery',
  'key switch': 'in its holder behind the key switch',
  'accessory block': 'at the accessory block',
  'existing plug': 'in the machine’s own box, for the plug it uses',
  'road lights': 'at a lighting wire, where it must not be',
}

const fuses = (job: Job): string[] => [
  ...circuitsOf(job).flatMap((c) =>
    c.fuse ? [`Fuse${c.suffix}: ${c.fuse.ratingA} A, ${holderAt[c.run.source]}; never a larger one.`] : [],
  ),
  ...(job.wiring.tapFuseA !== null && job.engine !== null
    ? [`Another of ${job.wiring.tapFuseA} A where its control leaves the switched wire.`]
    : []),
]

/** What was taken on by name, what was not proved, what is right for now only: said plainly to whoever takes it. */
function honestly(job: Job): string[] {
  const stood = proofsOf(job).map((p) => ({ name: p.name, state: stateOfProof(job, p), id: p.id }))
  const why = (id: string) => job.proofs.find((p) => p.id === id)
  return [
    ...job.place.obstacles
      .filter((o) => o.dealt === 'comes off')
      .map((o) => `Taken off for the fan, and not there any more: ${o.name}.`),
    ...job.acceptances
      .filter((a) => a.verdict === 'short')
      .map(
        (a) =>
          `${a.margin === 'plan' ? 'The plan' : a.margin.charAt(0).toUpperCase() + a.margin.slice(1)} is short: ` +
          `${a.why} (${a.who}).`,
      ),
    ...stood
      .filter((p) => p.state === 'accepted')
      .map((p) => `${p.name} is not as predicted: ${why(p.id)?.accepted?.why}.`),
    ...stood.filter((p) => p.state === 'not proved').map((p) => `Not proved, ${p.name}: ${why(p.id)?.notProved}.`),
    ...stood.filter((p) => p.state === 'open').map((p) => `Not proved yet: ${p.name}.`),
    ...stood
      .filter((p) => p.state === 'failed' || p.state === 'differs')
      .map((p) => `NOT RIGHT, ${p.state}: ${p.name}.`),
    ...(faultSought(job) ? [`NOT RIGHT: a fault is being sought, since ${day(faultSought(job)!.at)}.`] : []),
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
        ? `Signed by ${job.signature.by}, ${day(job.signature.at)}.`
        : 'NOT SIGNED: this is how it stands, not a hand-over.'),
    coreVersion: CORE_VERSION,
    sections: [
      section('Fitted', [
        ...circuitsOf(job).flatMap((c) => (c.fan ? [`${c.fan.part.name}${c.suffix}`] : [])),
        ...startsItself(job, units),
        job.setting.state === 'test'
          ? 'The controller stands on its test setting: NOT FOR DRIVING.'
          : 'The controller stands on its working setting.',
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
