import { mismatchInWords, stateInWords } from '../circuit'
import { onOffPoints } from '../control'
import { boilsAt } from '../cooling'
import { type Drawing } from '../drawing'
import { sideInWords, whatToPress } from '../build'
import { circuitsOf, eachOnce, type FanCircuit, isThermostat } from '../fan-circuit'
import { type Job, jobKinds, lookupOf, mountOf, roleNames } from '../job'
import { Bench } from '../reading'
import { format, nearestInOtherSystem, type UnitSystem } from '../units'
import { cutList, editInWords, fansInWords, type Guard, guardsOf, provedCircuit } from '../wiring'
import { type Section, section } from './section'
import { say, spokenWord } from '../words'

const partName = (part: { name: string; maker: string } | null | undefined): string =>
  part ? `${part.name}${part.maker ? ` (${part.maker})` : ''}` : say`not chosen`

/** What stands in one fan's path, a row each; what it shares with an earlier fan is said once. */
function circuitRows(job: Job, circuit: FanCircuit, before: readonly FanCircuit[], units: UnitSystem): string[][] {
  const { run, suffix, fan, controller, probe, relay, fuse } = circuit
  const shared = (key: 'controller' | 'probe' | 'relay' | 'fuse'): boolean =>
    circuit[key] !== null && before.some((o) => o[key]?.id === circuit[key]?.id)
  const row = (name: string, what: string, how = ''): string[] => [`${name}${suffix}`, what, how]
  const part = (key: 'controller' | 'probe' | 'relay', of: Parameters<typeof partName>[0]): string[][] =>
    shared(key) ? [] : [row(spokenWord(key), partName(of))]
  return [
    row(
      say`fan`,
      partName(fan?.part),
      jobKinds[job.kind].mountsFan ? `${mountOf(job).name}. ${sideInWords(job)}` : say`stays as it is`,
    ),
    ...part('controller', controller?.part),
    ...part('probe', probe.part),
    ...(run.switchedBy === 'relay' ? part('relay', relay?.part) : []),
    ...(shared('fuse')
      ? []
      : [
          row(
            say`fuse`,
            fuse ? `${fuse.ratingA} A ${spokenWord(fuse.kind)}` : say`NONE FITTED`,
            fuse ? say`${format(fuse.fromPostM.value, 'length', units)} from the post` : '',
          ),
        ]),
    ...circuit.conductors.map((c) =>
      row(
        roleNames[c.role],
        c.size ? say`${c.size} (nearest ${nearestInOtherSystem(c.size)})` : say`size not chosen`,
        format(c.lengthM.value, 'run', units),
      ),
    ),
    row(say`source`, feedWords[run.source], run.frame ? say`back through the frame` : say`back to the battery`),
  ]
}

/** What was chosen, in each fan's path. */
export function partsAndWire(job: Job, units: UnitSystem): Section {
  const circuits = circuitsOf(job)
  const rows = circuits.flatMap((c, i) => circuitRows(job, c, circuits.slice(0, i), units))
  return section(say`Parts and wire`, [], [say`part`, say`what`, say`how`], rows)
}

/** Where each kind of feed comes from, in words. */
export const feedWords: Readonly<Record<Job['runs'][number]['source'], string>> = {
  battery: say`fused straight from the battery`,
  'key switch': say`through the key switch`,
  'accessory block': say`from the accessory block`,
  'existing plug': say`from the loom's own plug`,
  'road lights': say`FROM A ROAD-LIGHTING WIRE`,
}

/** What stands before a wire that no fuse guards as it should. */
function guardInWords(g: Guard, units: UnitSystem): string {
  if (g.verdict === 'short by practice') return say`nothing before it; kept short, in a sleeve of its own`
  if (g.verdict === 'unknown') return say`NOT KNOWN what fuse of the machine’s own stands before it`
  const may = say`it may carry ${format(g.allowedA, 'current', units, 2)}`
  return g.bare
    ? say`NO FUSE before it, it would carry ${format(g.wouldCarryA, 'current', units, 2)}, ${may}`
    : say`ITS FUSE IS TOO LARGE, ${format(g.letsThroughA, 'current', units, 3)}, ${may}`
}

/**
 * The circuit as drawn and proved, and every wire as it is cut.
 * @param drawn in its running state; null where nobody has laid it out
 */
export function circuitSections(job: Job, units: UnitSystem, drawn: Drawing | null): Section[] {
  const { net, mismatches, rows, latches, switches, liveWhenParked, parkedDrawA } = provedCircuit(job)
  const says = [
    ...net.problems.map((p) => (p.level === 'refused' ? say`REFUSED: ${p.text}` : p.text)),
    ...mismatches.map((m) => say`Not as asked. ${mismatchInWords(net, m)}.`),
    ...latches
      .filter((l) => !l.mismatch)
      .map(
        (l) =>
          say`Holds itself, as asked: from “${stateInWords(l.from, net)}” to “${stateInWords(l.conditions, net)}”.`,
      ),
    ...guardsOf(job)
      .filter((g) => g.verdict !== 'guarded')
      .map((g) => `${g.name}: ${guardInWords(g, units)}.`),
    say`Parked it draws ${format(parkedDrawA, 'current', units, 2)}; live then:
      ${liveWhenParked.length ? liveWhenParked.map((n) => n.label).join('; ') : say`nothing`}.`,
    ...switches.map((s) => {
      const mayCarry =
        s.mayCarryA === null ? say`, rating unknown` : say` of ${format(s.mayCarryA, 'current', units, 2)}`
      return `${s.label}: ${format(s.amps, 'current', units, 2)}${mayCarry}${
        s.verdict === 'short'
          ? say`,
        SHORT`
          : ''
      }.`
    }),
  ]
  const states = rows
    .flatMap((r) => r.states)
    .map((s) => [
      stateInWords(s.conditions, net),
      fansInWords(s.fans, units),
      s.mismatch ? say`not as asked` : say`as asked`,
    ])
  const cut = cutList(job, [])
  const wires = cut.wires.map((w) => [
    String(w.number),
    w.label,
    `${w.size ?? say`size?`} ${w.colour}`,
    format(w.cutM, 'run', units, 3),
    w.ends.map((e) => say`${e.terminal}, strip ${format(e.stripM, 'length', units, 2)}`).join(' / '),
    `${spokenWord(w.sleeve)}; ${w.insulationC} °C`,
  ])
  return [
    section(say`Circuit, every state`, says, [say`state`, say`fan`, say`asked`], states),
    ...(drawn ? [{ ...section(say`Circuit`, []), drawings: [drawn] }] : []),
    section(
      say`Cut list`,
      [
        ...(cut.totals.length
          ? [
              say`In all: ${cut.totals
                .map((t) => `${t.size} ${t.colour}, ${t.insulationC} °C, ${format(t.metres, 'run', units, 3)}`)
                .join('; ')}.`,
            ]
          : []),
        ...cut.inline.map((x) => say`In the wires, ${x.what}: ${x.from} to ${x.to}.`),
        ...cut.gaps.map((g) => say`NO WIRE leads to ${g.at}.`),
        ...job.wiring.edits.map((e) => say`Changed: ${editInWords(job, e)}.`),
      ],
      [say`no.`, say`wire`, say`size`, say`cut`, say`ends`, say`sleeve`],
      wires,
    ),
    section(
      say`Labels for the wire ends`,
      [],
      [say`first end`, say`other end`],
      cut.wires.map((w) => w.ends.map((e) => `${w.number} · ${e.at}`)),
    ),
  ]
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
      ? say`At the probe: on ${format(points.on.c, 'temperature', units)}, off
        ${format(points.off.c, 'temperature', units)}.`
      : say`No thermostat.`,
    ...(isThermostat(part)
      ? [say`Probe lead open: ${spokenWord(part.probeOpen)}; shorted: ${spokenWord(part.probeShorted)}.`]
      : []),
    ...whatToPress(part, setC, bandK, spanK).map((k, i) => `${i + 1}. ${k}`),
  ]
}

/** What the controllers are set to, and what to press for it. */
export function settingSection(job: Job, units: UnitSystem): Section {
  const controllers = eachOnce(job, 'controller')
  if (!controllers.length) return section(say`Setting`, [say`No controller chosen.`])
  const boils = job.cooling ? boilsAt(new Bench(lookupOf(job)), job).at : null
  return section(say`Setting and keys`, [
    [
      ...(boils ? [say`Coolant boils at ${format(boils.c, 'temperature', units, 3)}.`] : []),
      ...(job.bay ? [say`The bay may get as hot as ${format(job.bay.allowedC.value, 'temperature', units)}.`] : []),
      say`Now on its ${spokenWord(job.setting.state)} setting.`,
    ].join(' '),
    ...controllers.flatMap(([controller, circuit]) => [
      ...(controllers.length > 1 ? [`${controller.part.name}${circuit.suffix}:`] : []),
      ...settingLines(controller, units),
    ]),
  ])
}
