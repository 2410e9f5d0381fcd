import { mountOf } from '../job'
import { benchSection, proofSection } from './bench-record'
import { inAnnex, section } from './section'
import { seenSection } from './seen-section'
import { type Sheet } from './sheet-schema'
import { circuitsOf, eachOnce, type FanCircuit, isThermostat } from '../fan-circuit'
import { type Drawing, placeViews } from '../drawing'
import { mismatchInWords, stateInWords } from '../circuit'
import { cutList, editInWords, fansInWords, type Guard, guardsOf, provedCircuit } from '../wiring'
import { askedFields, type Job, jobKinds, lookupOf, roleNames, typicalMachines } from '../job'
import { Bench, spreadOf } from '../reading'
import { format, formatSpread, nearestInOtherSystem, type UnitSystem } from '../units'
import { onOffPoints } from '../control'
import { decidingPart, type Evaluation, marginInWords, signedFigure } from '../margins'
import { boilsAt } from '../cooling'
import { cautions, type Caution } from '../job'
import { fasteningWords } from '../build'
import { leadReaches } from '../placing'
import { whatToPress } from '../build'
import { signing } from '../plan'
import { planWarnings } from '../plan'
import { alterationsOf, alterationWords } from '../plan'
import { cureChecks } from '../plan'
import { handsOnMinutes, sideInWords, stepsOf } from '../build'
import { complaintInWords } from '../plan'
type Section = Sheet['sections'][number]

const sourceWords = { measured: 'measured', label: 'label', seen: 'seen', typical: 'typical, a guess' } as const

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
  return section('Readings', [], ['reading', 'value', 'spread', 'known by'], rows)
}

function marginSection(evaluation: Evaluation, units: UnitSystem): Section {
  const rows = evaluation.margins.map((m) => {
    const part = decidingPart(m)
    return [
      m.name,
      m.verdict,
      marginInWords(m, units),
      part?.worst != null && part.best !== null
        ? `${signedFigure(part.worst, part.unit, units)} to ${signedFigure(part.best, part.unit, units)}`
        : '–',
    ]
  })
  const warnings = evaluation.margins.flatMap((m) => [
    ...m.warnings.map((w) => `Warning, ${m.name}: ${w.text}`),
    ...m.notes.map((n) => `${m.name}: ${n}`),
  ])
  return section(
    'Margins',
    [
      ...warnings,
      ...evaluation.margins
        .filter((m) => m.basis === 'rule of thumb')
        .map((m) => `${m.name} is a rule of thumb until a run is worked out.`),
      ...(evaluation.run
        ? [
            `${evaluation.margins
              .filter((m) => m.basis === 'run')
              .map((m) => m.name)
              .join(', ')}: from the run of ${evaluation.run.at.slice(0, 16).replace('T', ' ')} UTC through ` +
              `“${evaluation.run.day}”.`,
          ]
        : []),
    ],
    [
      'margin',
      'verdict',
      'in words',
      evaluation.margins.some((m) => m.toldFrom) ? '90 of 100, or corners' : 'worst to best',
    ],
    rows,
  )
}

const partName = (part: { name: string; maker: string } | null | undefined): string =>
  part ? `${part.name}${part.maker ? ` (${part.maker})` : ''}` : 'not chosen'

/** What stands in one fan's path, a row each; what it shares with an earlier fan is said once. */
function circuitRows(job: Job, circuit: FanCircuit, before: readonly FanCircuit[], units: UnitSystem): string[][] {
  const { run, suffix, fan, controller, probe, relay, fuse } = circuit
  const shared = (key: 'controller' | 'probe' | 'relay' | 'fuse'): boolean =>
    circuit[key] !== null && before.some((o) => o[key]?.id === circuit[key]?.id)
  const row = (name: string, what: string, how = ''): string[] => [`${name}${suffix}`, what, how]
  const part = (key: 'controller' | 'probe' | 'relay', of: Parameters<typeof partName>[0]): string[][] =>
    shared(key) ? [] : [row(key, partName(of))]
  return [
    row(
      'fan',
      partName(fan?.part),
      jobKinds[job.kind].mountsFan ? `${mountOf(job).name}. ${sideInWords(job)}` : 'stays as it is',
    ),
    ...part('controller', controller?.part),
    ...part('probe', probe.part),
    ...(run.switchedBy === 'relay' ? part('relay', relay?.part) : []),
    ...(shared('fuse')
      ? []
      : [
          row(
            'fuse',
            fuse ? `${fuse.ratingA} A ${fuse.kind}` : 'NONE FITTED',
            fuse ? `${format(fuse.fromPostM.value, 'length', units)} from the post` : '',
          ),
        ]),
    ...circuit.conductors.map((c) =>
      row(
        roleNames[c.role],
        c.size ? `${c.size} (nearest ${nearestInOtherSystem(c.size)})` : 'size not chosen',
        format(c.lengthM.value, 'run', units),
      ),
    ),
    row('source', feedWords[run.source], run.frame ? 'back through the frame' : 'back to the battery'),
  ]
}

function partsAndWire(job: Job, units: UnitSystem): Section {
  const circuits = circuitsOf(job)
  const rows = circuits.flatMap((c, i) => circuitRows(job, c, circuits.slice(0, i), units))
  return section('Parts and wire', [], ['part', 'what', 'how'], rows)
}

/** Where each kind of feed comes from, in words. */
export const feedWords: Readonly<Record<Job['runs'][number]['source'], string>> = {
  battery: 'fused straight from the battery',
  'key switch': 'through the key switch',
  'accessory block': 'from the accessory block',
  'existing plug': "from the loom's own plug",
  'road lights': 'FROM A ROAD-LIGHTING WIRE',
}

/** What stands before a wire that no fuse guards as it should. */
function guardInWords(g: Guard, units: UnitSystem): string {
  if (g.verdict === 'short by practice') return 'nothing before it; kept short, in a sleeve of its own'
  if (g.verdict === 'unknown') return 'NOT KNOWN what fuse of the machine’s own stands before it'
  const may = `it may carry ${format(g.allowedA, 'current', units, 2)}`
  return g.bare
    ? `NO FUSE before it, it would carry ${format(g.wouldCarryA, 'current', units, 2)}, ${may}`
    : `ITS FUSE IS TOO LARGE, ${format(g.letsThroughA, 'current', units, 3)}, ${may}`
}

/**
 * The circuit as drawn and proved, and every wire as it is cut.
 * @param drawn in its running state; null where nobody has laid it out
 */
function circuitSections(job: Job, units: UnitSystem, drawn: Drawing | null): Section[] {
  const { net, mismatches, rows, latches, switches, liveWhenParked, parkedDrawA } = provedCircuit(job)
  const says = [
    ...net.problems.map((p) => (p.level === 'refused' ? `REFUSED: ${p.text}` : p.text)),
    ...mismatches.map((m) => `Not as asked. ${mismatchInWords(net, m)}.`),
    ...latches
      .filter((l) => !l.mismatch)
      .map(
        (l) => `Holds itself, as asked: from “${stateInWords(l.from, net)}” to “${stateInWords(l.conditions, net)}”.`,
      ),
    ...guardsOf(job)
      .filter((g) => g.verdict !== 'guarded')
      .map((g) => `${g.name}: ${guardInWords(g, units)}.`),
    `Parked it draws ${format(parkedDrawA, 'current', units, 2)}; live then: ` +
      `${liveWhenParked.length ? liveWhenParked.map((n) => n.label).join('; ') : 'nothing'}.`,
    ...switches.map((s) => {
      const mayCarry = s.mayCarryA === null ? ', rating unknown' : ` of ${format(s.mayCarryA, 'current', units, 2)}`
      return `${s.label}: ${format(s.amps, 'current', units, 2)}${mayCarry}${s.verdict === 'short' ? ', SHORT' : ''}.`
    }),
  ]
  const states = rows
    .flatMap((r) => r.states)
    .map((s) => [stateInWords(s.conditions, net), fansInWords(s.fans, units), s.mismatch ? 'not as asked' : 'as asked'])
  const cut = cutList(job, [])
  const wires = cut.wires.map((w) => [
    String(w.number),
    w.label,
    `${w.size ?? 'size?'} ${w.colour}`,
    format(w.cutM, 'run', units, 3),
    w.ends.map((e) => `${e.terminal}, strip ${format(e.stripM, 'length', units, 2)}`).join(' / '),
    `${w.sleeve}; ${w.insulationC} °C`,
  ])
  return [
    section('Circuit, every state', says, ['state', 'fan', 'asked'], states),
    ...(drawn ? [{ ...section('Circuit', []), drawings: [drawn] }] : []),
    section(
      'Cut list',
      [
        ...cut.totals.map(
          (t) => `${t.size} ${t.colour}, ${t.insulationC} °C: ${format(t.metres, 'run', units, 3)} in all.`,
        ),
        ...cut.inline.map((x) => `In the wires, ${x.what}: ${x.from} to ${x.to}.`),
        ...cut.gaps.map((g) => `NO WIRE leads to ${g.at}.`),
        ...job.wiring.edits.map((e) => `Changed: ${editInWords(job, e)}.`),
      ],
      ['no.', 'wire', 'size', 'cut', 'ends', 'sleeve'],
      wires,
    ),
    section(
      'Labels for the wire ends',
      [],
      ['first end', 'other end'],
      cut.wires.map((w) => w.ends.map((e) => `${w.number} · ${e.at}`)),
    ),
  ]
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
  return [{ ...section('Place', fasteningWords(job), ['lead', 'supplied', 'needed', 'left'], leads), drawings }]
}

/** What one controller is set to, and what to press for it. */
function settingLines(controller: Job['controllers'][number], units: UnitSystem): string[] {
  const { part, setC, bandK, spanK } = controller
  const points = onOffPoints(
    part.band,
    { setC, bandK },
    part.fixed ? { closesC: part.fixed.closesC.value, opensC: part.fixed.opensC.value } : undefined,
  )
  return [
    points
      ? `At the probe: on ${format(points.on.c, 'temperature', units)}, off ` +
        `${format(points.off.c, 'temperature', units)}.`
      : 'No thermostat.',
    ...(isThermostat(part) ? [`Probe lead open: ${part.probeOpen}; shorted: ${part.probeShorted}.`] : []),
    ...whatToPress(part, setC, bandK, units, spanK).map((k, i) => `${i + 1}. ${k}`),
  ]
}

function settingSection(job: Job, units: UnitSystem): Section {
  const controllers = eachOnce(job, 'controller')
  if (!controllers.length) return section('Setting', ['No controller chosen.'])
  const boils = job.cooling ? boilsAt(new Bench(lookupOf(job)), job).at : null
  return section('Setting and keys', [
    ...(boils ? [`Coolant boils at ${format(boils.c, 'temperature', units, 3)}.`] : []),
    ...(job.bay ? [`The bay may get as hot as ${format(job.bay.allowedC.value, 'temperature', units)}.`] : []),
    `Now on its ${job.setting.state} setting.`,
    ...controllers.flatMap(([controller, circuit]) => [
      ...(controllers.length > 1 ? [`${controller.part.name}${circuit.suffix}:`] : []),
      ...settingLines(controller, units),
    ]),
  ])
}

function signatureSection(job: Job, evaluation: Evaluation): Section {
  const accepted = job.acceptances.map(
    (a) => `Accepted, ${a.margin} (${a.part}, ${a.verdict}): ${a.who}, ${a.at.slice(0, 10)}: ${a.why}`,
  )
  if (job.signature)
    return section('Signature', [
      ...accepted,
      `Signed by ${job.signature.by} on ${job.signature.at.slice(0, 10)}, computed by core ` +
        `${job.signature.coreVersion}.`,
    ])
  const { blockers } = signing(job, evaluation)
  return section('Signature', [
    ...accepted,
    ...blockers.map((b) => `Not ready: ${b}`),
    'Signed: ______________________________   Day: ______________',
  ])
}

const checkWords = { 'ruled out': 'ruled out', 'looks like it': 'LOOKS LIKE IT' } as const

/** What was looked at before anything came apart, and what the machine may be done to. */
function beforeSection(job: Job, units: UnitSystem): Section {
  const { baseline, machine, surroundings } = job
  const figures = [
    ...(baseline.hotC ? [`as hot as ${format(baseline.hotC.value, 'temperature', units)}`] : []),
    ...(baseline.airC ? [`surroundings ${format(baseline.airC.value, 'temperature', units)}`] : []),
    ...(baseline.touchS ? [`touched for ${format(baseline.touchS.value, 'seconds', units)}`] : []),
    ...(baseline.load ? [baseline.load] : []),
  ]
  const rows = cureChecks(job).map((c) => {
    const found = job.checks.find((d) => d.id === c.id)
    return [c.name, c.looksLike, found ? checkWords[found.found] : '']
  })
  return section(
    'Before anything comes apart',
    [
      `Baseline: ${baseline.state}${figures.length ? `: ${figures.join(', ')}` : ''}.`,
      `Battery: ${machine.hasBattery === null ? 'not asked' : machine.hasBattery ? 'yes' : 'NONE'}; output DC: ` +
        `${machine.outputDc === null ? 'not asked' : machine.outputDc ? 'yes' : 'NO'}; ${machine.systemV} V.`,
      `The owner allows: ${machine.ownerAllows ?? 'not asked'}. It lives: ` +
        `${surroundings.livesIn ?? 'not asked'}${surroundings.shielded ? ', shielded' : ''}.`,
      ...alterationsOf(job).map(
        (a) =>
          `Marks on the machine: ${alterationWords[a.kind].name}, ${a.what} ` +
          `(${a.undoable ? 'can be undone' : 'stays'}${a.clashes ? '; NOT ALLOWED' : ''}).`,
      ),
      ...planWarnings(job).map((w) => `Warning: ${w.text} ${w.helps}`),
    ],
    ['is a fan the cure?', 'would look like', 'found'],
    rows,
  )
}

const doneOn = (job: Job, id: string): string => job.build.done.find((d) => d.step === id)?.at.slice(0, 10) ?? ''

/** Of the circuit's sections those that lie on the bench; the rest is looked up. */
const atHand: ReadonlySet<string> = new Set(['Cut list', 'Circuit'])

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
    section('Job and complaint', [
      `${jobKinds[job.kind].name}. ${complaintInWords(job)}.`,
      ...(job.ended
        ? [`Ended without a fan: ${job.ended.why}. ${job.ended.note} (${job.ended.by}, ${job.ended.at.slice(0, 10)})`]
        : []),
      `Started ${job.startedOn}${job.promisedOn ? `, promised ${job.promisedOn}` : ''}.`,
    ]),
    settingSection(job, units),
    section(
      `Steps, ${handsOnMinutes(steps)} min of hands`,
      [],
      ['no.', 'step', 'minutes', 'done'],
      steps.map((s, i) => [
        String(i + 1),
        s.title,
        s.waitMinutes ? `wait ${s.waitMinutes}` : String(s.minutes),
        doneOn(job, s.id) || '[   ]',
      ]),
    ),
    ...lists!,
    ...[benchSection(job, units) ?? []].flat(),
    proofSection(job, units),
    section(
      'Cautions',
      (Object.keys(cautions) as Caution[]).filter((c) => named.has(c)).map((c) => cautions[c]),
    ),
    signatureSection(job, evaluation),
    ...drawn!,
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
          'Steps in full',
          [],
          ['no.', 'step', 'how', 'done'],
          steps.map((s, i) => [String(i + 1), s.title, s.tell, doneOn(job, s.id)]),
        ),
      ]),
    ],
  }
}
