import { probePlaces } from '../control'
import { stepsOf } from '../build'
import { type Drawing, placeViews } from '../drawing'
import { circuitsOf, eachOnce } from '../fan-circuit'
import { type Job, jobKinds, typicalMachines } from '../job'
import { CORE_VERSION } from '../margins'
import { calendarDay, format } from '../units'
import { circuitSections, partsAndWire, settingSection } from './circuit-sections'
import { type Section, section } from './section'
import type { Sheet } from './sheet-schema'
import { say, spokenWord } from '../words'

/** Of the circuit's sections those that say how it was built, not how it was proved. */
const built: ReadonlySet<string> = new Set([say`Cut list`, say`Circuit`, say`Labels for the wire ends`])

/** Where what cannot be seen from outside lies. */
function whereSection(job: Job): Section {
  const { units } = job
  const lines = [
    ...eachOnce(job, 'probe').map(([probe, { suffix }]) => {
      const at = probePlaces[probe.place].name
      return say`Probe${suffix}: ${at}${probe.atOutlet ? say`, at the outlet` : ''}.`
    }),
    ...circuitsOf(job).flatMap((c) => [
      ...(c.fuse
        ? [say`Fuse${c.suffix}: ${c.fuse.ratingA} A, ${format(c.fuse.fromPostM.value, 'length', units)} from the post.`]
        : []),
      say`${c.run.switchedBy === 'relay' ? say`Relay` : say`Switch`}${c.suffix}:
        ${format(c.run.switchAtM.value, 'run', units)} along the feed.`,
      ...(c.run.source === 'existing plug' && job.wiring.plugSpeed !== 'one speed'
        ? [
            say`Fed from the ${spokenWord(job.wiring.plugSpeed)} speed of the machine’s own plug${c.suffix}; the other
              is not used.`,
          ]
        : []),
      c.run.frame
        ? say`Return${c.suffix}: through the frame, ${c.run.rings} rings.`
        : say`Return${c.suffix}: a wire of its own back to the battery, ${c.run.rings} rings.`,
    ]),
    ...job.looseJoints.map((j) => say`Held by friction only: ${j.where}.`),
    ...job.build.torques.map((t) => {
      const step = stepsOf(job).find((s) => s.id === t.step)
      return say`${step?.title ?? t.step}: ${format(t.newtonMetres, 'torque', units, 3)}, as its maker gives it.`
    }),
  ]
  return section(say`Where it lies`, lines)
}

/** What was left set, and the numbers of what went in. */
function leftSections(job: Job): Section[] {
  const celsius = (c: number): string => format(c, 'temperature', job.units, 3)
  return [
    ...(job.settings.length
      ? [
          section(
            say`Settings as left`,
            [],
            [say`day`, say`for`, say`starts`, say`stops`, say`why`, say`by`],
            job.settings.map((s) => [calendarDay(s.at), s.purpose, celsius(s.startsC), celsius(s.stopsC), s.why, s.by]),
          ),
        ]
      : []),
    ...(job.bought.length
      ? [
          section(
            say`Parts by number`,
            [],
            [say`part`, say`part no.`, say`bought at`, say`how many`, say`warranty until`],
            job.bought.map((b) => [b.what, b.number, b.from, String(b.count), b.warrantyUntil ?? '']),
          ),
        ]
      : []),
  ]
}

/** What a picture is of, in words of the job. */
function pictureOf(job: Job, of: string): string {
  const [kind, id] = of.split(':')
  if (kind === 'step') return stepsOf(job).find((s) => s.id === id)?.title ?? say`a step`
  if (kind === 'off') return job.ledger.find((e) => e.id === id)?.what ?? say`what came off`
  return kind === 'proof' ? say`a proof` : say`the machine`
}

/**
 * How it was built, for whoever opens it next: what is in it, where it lies, its wires with colours and lengths as they
 * were cut, what was left set, and pictures.
 * @param circuit in its running state, as somebody has laid it out
 */
export function asBuiltSheet(job: Job, circuit: Drawing | null = null): Sheet {
  const pictures = job.photos.map((p) => ({
    id: p.id,
    words: [pictureOf(job, p.of), p.words, calendarDay(p.at)].filter(Boolean).join(', '),
  }))
  const circuits = circuitSections(job, job.units, circuit).filter((s) => built.has(s.heading))
  return {
    title: say`${job.machine.name}: as built`,
    subtitle:
      `${typicalMachines[job.machine.kind].name}${job.machine.owner ? `, ${job.machine.owner}` : ''}. ` +
      (job.signature
        ? say`Signed by ${job.signature.by}, ${calendarDay(job.signature.at)}.`
        : say`NOT SIGNED: as it is planned and ticked so far.`),
    coreVersion: CORE_VERSION,
    sections: [
      partsAndWire(job, job.units),
      whereSection(job),
      settingSection(job, job.units),
      ...leftSections(job),
      ...circuits.filter((s) => !s.drawings),
      ...(jobKinds[job.kind].mountsFan && job.fans.length
        ? [{ ...section(say`Place`, []), drawings: placeViews(job) }]
        : []),
      ...circuits.filter((s) => s.drawings),
      ...(pictures.length ? [{ ...section(say`Pictures`, []), pictures }] : []),
    ],
  }
}
