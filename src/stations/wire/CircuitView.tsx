'use client'

import { fixed, percent } from '@/core/units'
import { useMemo, useRef, useState } from 'react'
import Form from 'react-bootstrap/Form'
import {
  Circuit,
  faultsAt,
  heatsOf,
  heatWords,
  mismatchInWords,
  solveState,
  stateInWords,
  switchingsOf,
  symptoms,
  runningHot,
  type Conditions,
  type Motor,
  type Solution,
  type Switching,
} from '@/core/circuit'
import { circuitDrawing, circuitGraph, circuitLettering, type Drawing } from '@/core/drawing'
import { blowing } from '@/core/electrical'
import type { Job } from '@/core/job'
import { provedCircuit, provedWithFaults, wireNames } from '@/core/wiring'
import { DrawingView } from '@/ui/DrawingView'
import { StateTable } from './StateTable'
import { useLayout } from './use-layout'
import { say } from '@/core/words'

const switchNames: Readonly<Record<Switching, string>> = {
  key: say`Key`,
  engine: say`Engine runs`,
  override: say`Override`,
  isolator: say`Isolator`,
  call: say`Other system calls`,
  timer: say`Timer runs`,
  hand: say`Hand switch`,
}
/** What goes with a switch: an engine runs only with its key, an after-run begins once the key is off. */
function flipped(c: Conditions, by: Switching, on: boolean, keyed: boolean): Conditions {
  const next = { ...c, [by]: on }
  if (keyed && by === 'engine' && on) return { ...next, key: true, timer: false }
  if (by === 'key') return on ? { ...next, timer: false } : { ...next, engine: false }
  if (by === 'timer' && on) return { ...next, key: false, engine: false }
  return next
}

/** pixels a millimetre, so that the smallest words are 11 high */
const LEAST_WIDE = 11 / circuitLettering.usual
const LEAST_NARROW = 11 / circuitLettering.large

/** Which way the air goes, by wires and blade. @see engineering §1.7 */
const airWay =
  (job: Job) =>
  (motor: Motor, direction: 1 | -1): string | null => {
    const fan = job.fans.find((f) => f.id === motor.fan)
    if (!fan) return null
    const way = blowing(direction < 0, fan.bladeTurned, fan.part.motor)
    if (!way) return say`nothing comes of it`
    const weaker = way.effectiveness < 1 ? say`, at ${percent(way.effectiveness)}` : ''
    return say`air ${way.air === 'as marked' ? say`as marked on it` : say`the other way round`}${weaker}`
  }

/** The circuit with current in it: switches to flip, faults to put in anywhere, and the table of all states. */
export function CircuitView({ job, files }: { readonly job: Job; readonly files: string }) {
  const own = useMemo(() => provedCircuit(job), [job])
  const keyed = own.net.elements.some((e) => e.name === 'key')
  const [conditions, setConditions] = useState<Conditions>({ ...runningHot, key: keyed })
  const [faults, setFaults] = useState<readonly string[]>([])
  const [picked, setPicked] = useState<string | null>(null)
  const [figures, setFigures] = useState(false)
  const proof = useMemo(() => provedWithFaults(job, faults), [job, faults])
  const net = proof.net
  // a fault moves nothing: what it takes out is drawn as broken, what it puts in lies over the rest
  const graph = useMemo(() => circuitGraph(own.net), [own])
  const wires = useMemo(() => wireNames(job), [job])
  const { laid, narrow } = useLayout(graph, figures)
  const solution = useMemo(() => solveState(new Circuit(net), conditions), [net, conditions])
  const marks = [
    ...faults.map((f) => f.split(':')[1]!),
    ...own.net.problems.flatMap((p) => (p.at && p.level !== 'waits' ? [p.at] : [])),
    ...proof.switches.flatMap((x) => (x.verdict === 'short' ? [x.name] : [])),
  ]
  const drawn =
    laid &&
    laid !== 'failed' &&
    circuitDrawing(say`Circuit`, net, graph, laid, { conditions, solution, figures, narrow }, marks, wires)
  const before = useRef<Drawing | null>(null)
  if (drawn) before.current = drawn
  const drawing = drawn ?? before.current
  const names = Object.fromEntries(
    [...own.net.elements, ...net.elements].map((e) => [e.name, { name: say`${e.label}: choose it to put a fault in` }]),
  )
  const chosen = own.net.elements.find((e) => e.name === picked)
  const state = proof.rows
    .flatMap((r) => r.states)
    .find(
      (s) => s.conditions.heat === conditions.heat && switchingsOf(net).every((k) => s.conditions[k] === conditions[k]),
    )
  const heats = heatsOf(own.net)
  const refused = own.net.problems.filter((p) => p.level === 'refused')
  return (
    <>
      <fieldset className="state-switches" aria-label={say`State of the circuit`}>
        {switchingsOf(own.net).map((by) => (
          <Form.Check
            key={by}
            type="switch"
            id={`state-${by}`}
            label={by === 'engine' && job.engine === null ? say`Being charged` : switchNames[by]}
            checked={conditions[by]}
            onChange={(e) => setConditions((c) => flipped(c, by, e.target.checked, keyed))}
          />
        ))}
        {heats.length > 1 && (
          <span className="heats" role="radiogroup" aria-label={say`Heat at the probe`}>
            {(['cold', 'rising', 'hot', 'falling'] as const).map((h) => (
              <Form.Check
                inline
                key={h}
                type="radio"
                name="heat"
                id={`heat-${h}`}
                label={heatWords[h]}
                checked={conditions.heat === h}
                onChange={() => setConditions((c) => ({ ...c, heat: h }))}
              />
            ))}
          </span>
        )}
        <Form.Check
          type="checkbox"
          id="state-figures"
          label={say`figures`}
          checked={figures}
          onChange={(e) => setFigures(e.target.checked)}
        />
      </fieldset>
      {refused.map((p) => (
        <p key={p.text} className="say say-short" role="alert">
          {say`${p.text} What is drawn is how it would be joined; no figure of it counts.`}
        </p>
      ))}
      {drawing ? (
        <DrawingView
          drawing={drawing}
          pickable={names}
          picked={picked}
          onPick={setPicked}
          maxHeight={narrow ? 520 : 390}
          leastScale={narrow ? LEAST_NARROW : LEAST_WIDE}
        />
      ) : (
        <div style={{ height: 300 }} className="soft">
          {laid === 'failed'
            ? say`This circuit could not be laid out. What it does in every state is told below all the same.`
            : say`The circuit is being laid out …`}
        </div>
      )}
      <p className={`say ${state?.mismatch ? 'say-short' : ''}`} role="status" data-symptom>
        <strong className="fw-medium">{stateInWords(conditions, own.net)}:</strong>{' '}
        {symptoms(net, solution, airWay(job)).join('; ')}.{' '}
        {state && (state.mismatch ? say`Not as asked: ${state.mismatch}.` : say`As asked.`)}
      </p>
      <section aria-label={say`Faults`} className="faults">
        {chosen ? (
          <p className="mb-1">
            <span className="fw-medium">{chosen.label}</span>
            {say`, ${describe(chosen.name, solution)}. Put in:`}{' '}
            {faultsAt(own.net, chosen.name)
              .filter((f) => !faults.includes(f.id))
              .map((f) => (
                <button
                  key={f.id}
                  type="button"
                  className="word-button"
                  onClick={() => setFaults((now) => [...now, f.id])}
                >
                  {f.words.split(': ')[1] ?? f.words}
                  <span className="visually-hidden">, {chosen.label}</span>
                </button>
              ))}
          </p>
        ) : (
          <p className="soft small mb-1">
            {say`Choose a part or wire in the circuit to see what flows there, or to put a fault in.`}
          </p>
        )}
        {faults.length > 0 && (
          <ul aria-label={say`Faults put in`} className="plain-list">
            {faults.map((id) => {
              const fault = faultsAt(own.net, id.split(':')[1]!).find((f) => f.id === id)
              const words = fault?.words ?? id
              return (
                <li key={id}>
                  <span className="verdict-short">{words}</span>
                  {fault?.note && <span className="soft"> {fault.note}</span>}{' '}
                  <button
                    type="button"
                    className="word-button"
                    onClick={() => setFaults((now) => now.filter((f) => f !== id))}
                  >
                    {say`take it out`}
                    <span className="visually-hidden">: {words}</span>
                  </button>
                </li>
              )
            })}
          </ul>
        )}
      </section>
      {own.net.problems
        .filter((p) => p.level !== 'refused')
        .map((p) => (
          <p key={p.text} className={`say ${p.level === 'warns' ? 'say-short' : 'say-unsure'}`}>
            {p.text}
          </p>
        ))}
      {proof.mismatches.length > 0 && (
        <section aria-label={say`Not as asked`}>
          <h2 className="mt-2">{say`Not as asked`}</h2>
          {proof.mismatches.map((m) => (
            <p key={m.text} className="say say-short">
              {mismatchInWords(net, m)}.
            </p>
          ))}
          {faults.length === 0 && (
            <p className="soft small">{say`The view beside this one shows which ways of wiring do what is wanted.`}</p>
          )}
        </section>
      )}
      <p className="mt-2">
        <a href={`${files}/circuit.svg`}>{say`Circuit as SVG`}</a> ·{' '}
        <a
          href={`${files}/circuit.cir?${new URLSearchParams([
            ['state', stateText(conditions)],
            ...faults.map((f): [string, string] => ['fault', f]),
          ]).toString()}`}
        >
          {say`This state as a netlist for ngspice`}
        </a>
      </p>
      <StateTable job={job} proof={proof} shown={conditions} onShow={setConditions} faulty={faults.length > 0} />
    </>
  )
}

/** "key=on,heat=hot", as the command line reads it */
const stateText = (c: Conditions): string =>
  Object.entries(c)
    .map(([k, v]) => `${k}=${typeof v === 'boolean' ? onOrOff(v) : v}`)
    .join(',')
const onOrOff = (on: boolean): string => (on ? 'on' : 'off')

function describe(name: string, s: Solution): string {
  return say`${fixed(Math.abs(s.amps.get(name) ?? 0), 2)} A through it`
}
