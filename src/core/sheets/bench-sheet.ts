import { fasteningWords, handsOnMinutes, stepsOf } from '../build'
import { type Drawing, placeViews } from '../drawing'
import { askedFields, type Caution, cautionInWords, cautions, type Job, jobKinds, typicalMachines } from '../job'
import { decidingPart, type Evaluation, marginInWords, signedFigure } from '../margins'
import { leadReaches } from '../placing'
import { alterationsOf, alterationWords, complaintInWords, cureChecks, planWarnings, signing, takenOn } from '../plan'
import { spreadOf } from '../reading'
import { calendarDay, format, formatSpread, type UnitSystem } from '../units'
import { benchSection, proofSection } from './bench-record'
import { circuitSections, partsAndWire, settingSection } from './circuit-sections'
import { seenSection } from './seen-section'
import { inAnnex, type Section, section } from './section'
import { type Sheet } from './sheet-schema'
import { say, spokenWord } from '../words'

const sourceWords = {
  measured: say`measured`,
  label: say`label`,
  seen: say`seen`,
  typical: say`typical, a
  guess`,
} as const

function readings(job: Job, units: UnitSystem): Section {
  const rows = askedFields(job)
    .filter((f) => !f.wish)
    .map(({ label, reading, quantity }) => {
      const spread = formatSpread(spreadOf(reading, quantity), quantity, units)
      return [
        label,
        format(reading.value, quantity, units),
        `±${spread.number} ${spread.unit}`.trim(),
        sourceWords[reading.source],
      ]
    })
  return section(say`Readings`, [], [say`reading`, say`value`, say`spread`, say`known by`], rows)
}

function marginSection(evaluation: Evaluation, units: UnitSystem): Section {
  const rows = evaluation.margins.map((m) => {
    const part = decidingPart(m)
    return [
      m.name,
      spokenWord(m.verdict),
      marginInWords(m, units),
      part?.worst != null && part.best !== null
        ? say`${signedFigure(part.worst, part.unit, units)} to ${signedFigure(part.best, part.unit, units)}`
        : '–',
    ]
  })
  const warnings = evaluation.margins.flatMap((m) => [
    ...m.warnings.map((w) => say`Warning, ${m.name}: ${w.text}`),
    ...m.notes.map((n) => `${m.name}: ${n}`),
  ])
  return section(
    say`Margins`,
    [
      ...warnings,
      ...evaluation.margins
        .filter((m) => m.basis === 'rule of thumb')
        .map((m) => say`${m.name} is a rule of thumb until a run is worked out.`),
      ...(evaluation.run
        ? [
            say`${evaluation.margins
              .filter((m) => m.basis === 'run')
              .map((m) => m.name)
              .join(', ')}: from the run of ${evaluation.run.at.slice(0, 16).replace('T', ' ')} UTC through
              “${evaluation.run.day}”.`,
          ]
        : []),
    ],
    [
      say`margin`,
      say`verdict`,
      say`in words`,
      evaluation.margins.some((m) => m.toldFrom) ? say`90 of 100, or corners` : say`worst to best`,
    ],
    rows,
  )
}

/** Where the fan sits, to scale, and how it is held; nothing where it stays where it was. */
function placeSection(job: Job): Section[] {
  if (!jobKinds[job.kind].mountsFan || !job.fans.length) return []
  const drawings = placeViews(job)
  const leads = leadReaches(job).map((r) => [
    r.name,
    format(r.suppliedM, 'length', job.units, 3),
    format(r.neededM, 'length', job.units, 3),
    format(r.overM, 'length', job.units, 2),
  ])
  return [
    {
      ...section(say`Place`, fasteningWords(job), [say`lead`, say`supplied`, say`needed`, say`left`], leads),
      drawings,
    },
  ]
}

function signatureSection(job: Job, evaluation: Evaluation): Section {
  const accepted = takenOn(job, evaluation).map(
    (a) => say`Accepted: ${a.what}. ${a.who}, ${calendarDay(a.at)}: ${a.why}`,
  )
  if (job.signature)
    return section(say`Signature`, [
      ...accepted,
      say`Signed by ${job.signature.by} on ${calendarDay(job.signature.at)}, computed by core
        ${job.signature.coreVersion}.`,
    ])
  const { blockers } = signing(job, evaluation)
  return section(say`Signature`, [
    ...accepted,
    ...blockers.map((b) => say`Not ready: ${b}`),
    say`Signed: ______________________________   Day: ______________`,
  ])
}

const checkWords = { 'ruled out': say`ruled out`, 'looks like it': say`LOOKS LIKE IT` } as const

/** An answer of yes or no. @param no  how it is said */
function answered(answer: boolean | null, no: string): string {
  if (answer === null) return say`not asked`
  return answer ? say`yes` : no
}

/** What was looked at before anything came apart, and what the machine may be done to. */
function beforeSection(job: Job, units: UnitSystem): Section {
  const { baseline, machine, surroundings } = job
  const figures = [
    ...(baseline.hotC ? [say`as hot as ${format(baseline.hotC.value, 'temperature', units)}`] : []),
    ...(baseline.airC ? [say`surroundings ${format(baseline.airC.value, 'temperature', units)}`] : []),
    ...(baseline.touchS ? [say`touched for ${format(baseline.touchS.value, 'seconds', units)}`] : []),
    ...(baseline.load ? [baseline.load] : []),
  ]
  const rows = cureChecks(job).map((c) => {
    const found = job.checks.find((d) => d.id === c.id)
    return [c.name, c.looksLike, found ? checkWords[found.found] : '']
  })
  return section(
    say`Before anything comes apart`,
    [
      say`Baseline: ${spokenWord(baseline.state)}${figures.length ? `: ${figures.join(', ')}` : ''}.`,
      say`Battery: ${answered(machine.hasBattery, say`NONE`)}; output DC: ${answered(machine.outputDc, say`NO`)};
        ${machine.systemV} V.`,
      say`The owner allows: ${spokenWord(machine.ownerAllows ?? 'not asked')}. It lives:
        ${spokenWord(surroundings.livesIn ?? 'not asked')}${surroundings.shielded ? say`, shielded` : ''}.`,
      ...alterationsOf(job).map(
        (a) =>
          say`Marks on the machine: ${alterationWords[a.kind].name}, ${a.what} (${
            a.undoable ? say`can be undone` : say`stays`
          }${a.clashes ? say`; NOT ALLOWED` : ''}).`,
      ),
      ...planWarnings(job).map((w) => say`Warning: ${w.text} ${w.helps}`),
    ],
    [say`is a fan the cure?`, say`would look like`, say`found`],
    rows,
  )
}

const doneOn = (job: Job, id: string): string => {
  const done = job.build.done.find((d) => d.step === id)
  return done ? calendarDay(done.at) : ''
}

/** Of the circuit's sections those that lie on the bench; the rest is looked up. */
const atHand: ReadonlySet<string> = new Set([say`Cut list`, say`Circuit`])

/**
 * What lies on the bench: what it is, how it is set, steps with boxes, wires, proofs with blanks, and the
 * circuit large.
 */
function onTheBench(job: Job, evaluation: Evaluation, circuits: readonly Section[]): Section[] {
  const units = job.units
  const steps = stepsOf(job)
  const named = new Set<Caution>(['maker', ...steps.flatMap((s) => s.cautions)])
  const [drawn, lists] = [true, false].map((d) => circuits.filter((c) => atHand.has(c.heading) && !!c.drawings === d))
  return [
    section(say`Job and complaint`, [
      `${jobKinds[job.kind].name}. ${complaintInWords(job)}.`,
      ...(job.ended
        ? [
            say`Ended without a fan: ${spokenWord(job.ended.why)}. ${job.ended.note} (${job.ended.by},
              ${calendarDay(job.ended.at)})`,
          ]
        : []),
      say`Started ${job.startedOn}${job.promisedOn ? say`, promised ${job.promisedOn}` : ''}.`,
    ]),
    settingSection(job, units),
    section(
      say`Steps, ${handsOnMinutes(steps)} min of hands`,
      [],
      [say`no.`, say`step`, say`minutes`, say`done`],
      steps.map((s, i) => [
        String(i + 1),
        s.title,
        s.waitMinutes ? say`wait ${s.waitMinutes}` : String(s.minutes),
        doneOn(job, s.id) || '[   ]',
      ]),
    ),
    ...lists!,
    ...[benchSection(job, units) ?? []].flat(),
    section(say`Cautions`, [
      (Object.keys(cautions) as Caution[]).flatMap((c) => (named.has(c) ? [cautionInWords(c, units)] : [])).join(' '),
    ]),
    // the second page: the circuit, and what is proved of it
    ...drawn!,
    proofSection(job, units),
    signatureSection(job, evaluation),
  ]
}

/**
 * The bench sheet of a job, in the order in which it is read at the bench.
 * @param evaluation of the same job
 * @param circuit the circuit in its running state, as somebody has laid it out
 */
export function benchSheet(job: Job, evaluation: Evaluation, circuit: Drawing | null = null): Sheet {
  const units = job.units
  const steps = stepsOf(job)
  const circuits = circuitSections(job, units, circuit)
  return {
    title: job.title,
    subtitle:
      `${job.machine.name}, ` +
      `${typicalMachines[job.machine.kind].name}${job.machine.owner ? `, ${job.machine.owner}` : ''}`,
    coreVersion: evaluation.coreVersion,
    sections: [
      ...onTheBench(job, evaluation, circuits),
      ...inAnnex([
        beforeSection(job, units),
        readings(job, units),
        ...seenSection(job, evaluation),
        marginSection(evaluation, units),
        partsAndWire(job, units),
        ...circuits.filter((c) => !atHand.has(c.heading)),
        ...placeSection(job),
        section(
          say`Steps in full`,
          [],
          [say`no.`, say`step`, say`how`, say`done`],
          steps.map((s, i) => [String(i + 1), s.title, s.tell, doneOn(job, s.id)]),
        ),
      ]),
    ],
  }
}
