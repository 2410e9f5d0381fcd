'use client'

import { type Job, mostOf, type Unknown } from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import Table from 'react-bootstrap/Table'
import {
  expected,
  identifyRelay,
  identifyWires,
  nextPinTest,
  nextWireTest,
  pinExpects,
  rankSources,
  wireIdentities,
  wireTests,
  relayTests,
  type PinRole,
  type WireFound,
  type WireIdentity,
} from '@/core/circuit'
import { addUnknown, changeUnknown, dropUnknown, noteReading, takeAsFeed, takeBackReading } from '@/core/wiring'
import { format, parse, sizesOf, type UnitSystem, type WireSize } from '@/core/units'
import type { StationProps } from '../station'

const kinds = {
  plug: 'an existing plug',
  pigtail: 'a pigtail with several wires',
  relay: 'a relay without a diagram',
} as const

const figure = (value: number, unit: 'V' | 'ohm'): string =>
  value === Infinity
    ? 'open'
    : unit === 'V'
      ? `${Number(value.toPrecision(3))} V`
      : value >= 1000
        ? `${Number((value / 1000).toPrecision(3))} kohm`
        : `${Number(value.toPrecision(3))} ohm`
const rangeWords = ([low, high]: readonly [number, number], unit: 'V' | 'ohm'): string =>
  low === -Infinity
    ? `up to ${figure(high, unit)}`
    : high === Infinity
      ? low >= 1e6
        ? 'open'
        : `${figure(low, unit)} or more`
      : `${figure(Math.max(0, low), unit)} to ${figure(high, unit)}`

const MOST_VOLTS = 100

/** What was typed as volts or ohms; "OL" and "open" are an open meter. */
function readMeter(
  typed: string,
  unit: 'V' | 'ohm',
  units: UnitSystem,
): { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly message: string } {
  if (/^\s*(ol|o\.l\.?|open|none)\s*$/i.test(typed)) return { ok: true, value: null }
  const read = parse(typed, unit === 'V' ? 'voltage' : 'resistance', units)
  if (!read.ok) return { ok: false, message: `${read.message} An open meter is written OL.` }
  return unit === 'V' && Math.abs(read.value) > MOST_VOLTS
    ? { ok: false, message: `No machine of this kind has ${read.value} V: look at the meter's range.` }
    : { ok: true, value: read.value }
}

function Ask({
  unit,
  units,
  label,
  onRead,
}: {
  readonly unit: 'V' | 'ohm'
  readonly units: UnitSystem
  readonly label: string
  readonly onRead: (value: number | null, typed: string) => void
}) {
  const [typed, setTyped] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const settle = (): void => {
    const read = readMeter(typed, unit, units)
    if (!read.ok) {
      setWrong(read.message)
      return
    }
    setWrong(null)
    setTyped('')
    onRead(read.value, typed.trim())
  }
  return (
    <Form
      className="meter-ask"
      onSubmit={(e) => {
        e.preventDefault()
        settle()
      }}
    >
      <Form.Label htmlFor="meter-reading">{label}</Form.Label>
      <div className="d-flex gap-2">
        <Form.Control
          id="meter-reading"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          isInvalid={wrong !== null}
          aria-describedby={wrong ? 'meter-wrong' : undefined}
          placeholder={unit === 'V' ? '12.4 V' : '85 ohm, or OL'}
          maxLength={40}
          autoComplete="off"
        />
        <Button type="submit" variant="outline-dark">
          Note it
        </Button>
      </div>
      {wrong && (
        <div id="meter-wrong" className="verdict-short small">
          {wrong}
        </div>
      )}
    </Form>
  )
}

function Wires({
  job,
  unknown,
  settle,
}: { readonly job: Job; readonly unknown: Unknown } & Pick<StationProps, 'settle'>) {
  const { systemV } = job.machine
  const found = identifyWires(unknown.wires, unknown.readings, systemV)
  const next = nextWireTest(unknown.wires, unknown.readings, systemV)
  const mark = (id: string): string => unknown.wires.find((w) => w.id === id)?.mark ?? id
  const change = (id: string, part: Partial<Unknown['wires'][number]>): void =>
    settle((j) =>
      changeUnknown(j, unknown.id, { wires: unknown.wires.map((w) => (w.id === id ? { ...w, ...part } : w)) }),
    )
  return (
    <>
      {next ? (
        <section className="big-test" aria-label="Next test">
          <h3>
            {next.test.title}: the {mark(next.wire)} wire
          </h3>
          <p className="mb-1">{next.test.how}</p>
          {next.test.caution && <p className="caution">{next.test.caution}</p>}
          <Table size="sm" className="expects">
            <tbody>
              {found
                .find((f) => f.id === next.wire)!
                .candidates.map((c) => {
                  const range = expected(next.test, c, systemV)
                  return (
                    <tr key={c}>
                      <th scope="row" className="fw-normal">
                        {wireIdentities[c].name}
                      </th>
                      <td className="figure-text">{range ? rangeWords(range, next.test.unit) : 'says nothing'}</td>
                    </tr>
                  )
                })}
            </tbody>
          </Table>
          <Ask
            key={`${next.test.id} ${next.wire}`}
            unit={next.test.unit}
            units={job.units}
            label={`The meter shows, ${mark(next.wire)}`}
            onRead={(value, typed) =>
              settle((j) => noteReading(j, unknown.id, { test: next.test.id, wire: next.wire, to: null, value, typed }))
            }
          />
        </section>
      ) : (
        <p className="say">
          {found.every((f) => f.known) ? 'Every wire is known.' : 'No test in the list tells more about what is left.'}
        </p>
      )}
      <Table size="sm" className="align-middle mt-2">
        <thead>
          <tr>
            <th scope="col">wire</th>
            <th scope="col">it is, or may still be</th>
            <th scope="col">its size</th>
            <th scope="col">its fuse</th>
            <th scope="col">may be loaded with</th>
          </tr>
        </thead>
        <tbody>
          {found.map((f) => {
            const wire = unknown.wires.find((w) => w.id === f.id)!
            return (
              <tr key={f.id}>
                <th scope="row">{wire.mark}</th>
                <td>
                  {f.contradiction ? (
                    <span className="verdict-short">nothing known shows all of that: measure again</span>
                  ) : f.known ? (
                    <span className="verdict-holds">
                      {wireIdentities[f.known].name}
                      <span className="soft small">: {wireIdentities[f.known].tell}</span>
                    </span>
                  ) : (
                    <span className="soft">
                      {f.candidates.length === Object.keys(wireIdentities).length
                        ? 'anything'
                        : f.candidates.map((c: WireIdentity) => wireIdentities[c].name).join(', ')}
                    </span>
                  )}
                </td>
                <td>
                  <Form.Select
                    size="sm"
                    aria-label={`Size of the ${wire.mark} wire`}
                    value={wire.size ?? ''}
                    onChange={(e) => change(f.id, { size: (e.target.value || null) as WireSize | null })}
                  >
                    <option value="">?</option>
                    {sizesOf(job.units).map((s) => (
                      <option key={s} value={s}>
                        {s}
                      </option>
                    ))}
                  </Form.Select>
                </td>
                <td>
                  <Form.Select
                    size="sm"
                    aria-label={`Fuse of the ${wire.mark} wire`}
                    value={wire.fuseA ?? ''}
                    onChange={(e) => change(f.id, { fuseA: e.target.value ? Number(e.target.value) : null })}
                  >
                    <option value="">?</option>
                    {[3, 5, 7.5, 10, 15, 20, 25, 30].map((a) => (
                      <option key={a} value={a}>
                        {a} A
                      </option>
                    ))}
                  </Form.Select>
                </td>
                <td className="figure-text">
                  {f.known === null
                    ? '–'
                    : f.mayCarryA === 0
                      ? 'nothing'
                      : f.mayCarryA === null
                        ? 'see size and fuse'
                        : format(f.mayCarryA, 'current', job.units, 2)}
                  {(f.known === 'switched' || f.known === 'fan' || f.known === 'fanLow') && f.mayCarryA ? (
                    <div>
                      <button
                        type="button"
                        className="word-button"
                        onClick={() =>
                          settle((j) =>
                            f.known === 'switched'
                              ? takeAsFeed(j, 'key switch', wire.fuseA)
                              : takeAsFeed(j, 'existing plug', wire.fuseA, speedOf(f.known, found)),
                          )
                        }
                      >
                        feed the fan from it<span className="visually-hidden">, {wire.mark}</span>
                      </button>
                    </div>
                  ) : null}
                </td>
              </tr>
            )
          })}
        </tbody>
      </Table>
      <Sources found={found} mark={mark} />
    </>
  )
}

/** One speed only, unless the loom has a low one as well. */
const speedOf = (known: WireIdentity | null, found: readonly WireFound[]): Job['wiring']['plugSpeed'] =>
  known === 'fanLow' ? 'low' : found.some((f) => f.known === 'fanLow') ? 'high' : 'one speed'

/** Which of the wires to take, and which to leave alone. */
function Sources({ found, mark }: { readonly found: readonly WireFound[]; readonly mark: (id: string) => string }) {
  const { take, leave } = rankSources(found)
  if (!take.length && !leave.length) return null
  return (
    <section aria-label="Which to take">
      {take.length > 0 && (
        <ol className="mb-1">
          {take.map((s) => (
            <li key={s.id}>
              <span className="fw-medium">{mark(s.id)}</span>, {wireIdentities[s.identity].name}: {s.why}.
            </li>
          ))}
        </ol>
      )}
      {leave.map((s) => (
        <p key={s.id} className="say say-short">
          Leave {mark(s.id)}: {s.why}.
        </p>
      ))}
    </section>
  )
}

function Pins({
  job,
  unknown,
  settle,
}: { readonly job: Job; readonly unknown: Unknown } & Pick<StationProps, 'settle'>) {
  const pins = unknown.wires.map((w) => w.id)
  const found = identifyRelay(pins, unknown.readings)
  const next = nextPinTest(pins, unknown.readings)
  const mark = (id: string): string => unknown.wires.find((w) => w.id === id)?.mark ?? id
  const options = next
    ? [
        ...new Map(
          found.ways.map((w) => {
            const range = pinExpects(next.test.id, w[next.wire]!, w[next.to]!)
            return [JSON.stringify(range), { range, pair: [w[next.wire]!, w[next.to]!].sort().join(' and ') }] as const
          }),
        ).values(),
      ]
    : []
  const words = (roles: readonly PinRole[]): string => roles.join(' or ')
  return (
    <>
      {next ? (
        <section className="big-test" aria-label="Next test">
          <h3>
            {next.test.title}: pins {mark(next.wire)} and {mark(next.to)}
          </h3>
          <p className="mb-1">{next.test.how}</p>
          <Table size="sm" className="expects">
            <tbody>
              {options.map((o) => (
                <tr key={o.pair}>
                  <th scope="row" className="fw-normal">
                    {o.range[1] === Infinity
                      ? 'no path between them'
                      : o.range[1] < 2
                        ? 'a closed contact'
                        : 'the coil'}
                  </th>
                  <td className="figure-text">{rangeWords(o.range, 'ohm')}</td>
                </tr>
              ))}
            </tbody>
          </Table>
          <Ask
            key={`${next.test.id} ${next.wire} ${next.to}`}
            unit="ohm"
            units={job.units}
            label={`The meter shows, ${mark(next.wire)} to ${mark(next.to)}`}
            onRead={(value, typed) =>
              settle((j) =>
                noteReading(j, unknown.id, { test: next.test.id, wire: next.wire, to: next.to, value, typed }),
              )
            }
          />
        </section>
      ) : (
        <p className="say">
          {found.contradiction
            ? 'No relay of this kind shows all of that: measure again, or it is no such relay.'
            : 'Every pin is known. Coil ends, and with four pins the contact’s ends, may be taken either way round; ' +
              'with a diode inside, 86 is the positive one.'}
        </p>
      )}
      <Table size="sm" className="align-middle mt-2">
        <thead>
          <tr>
            <th scope="col">pin</th>
            <th scope="col">it is, or may still be</th>
          </tr>
        </thead>
        <tbody>
          {unknown.wires.map((w) => (
            <tr key={w.id}>
              <th scope="row">{w.mark}</th>
              <td className={found.settled ? 'verdict-holds' : ''}>
                {found.contradiction ? '–' : words(found.roles[w.id]!)}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      <p className="soft small">
        A relay is drawn from its pin side or its base’s side: turn it over and left and right change places. Note which
        side you look at.
      </p>
    </>
  )
}

function One({
  job,
  unknown,
  settle,
}: { readonly job: Job; readonly unknown: Unknown } & Pick<StationProps, 'settle'>) {
  const mark = (id: string | null): string => unknown.wires.find((w) => w.id === id)?.mark ?? ''
  const title = (test: string): string => [...wireTests, ...relayTests].find((t) => t.id === test)?.title ?? test
  return (
    <section className="unknown" aria-label={unknown.name}>
      <h2 className="mt-3">
        {unknown.name}{' '}
        <button type="button" className="word-button" onClick={() => settle((j) => dropUnknown(j, unknown.id))}>
          forget it<span className="visually-hidden">: {unknown.name}</span>
        </button>
      </h2>
      {unknown.kind === 'relay' ? (
        <Pins job={job} unknown={unknown} settle={settle} />
      ) : (
        <Wires job={job} unknown={unknown} settle={settle} />
      )}
      {unknown.readings.length > 0 && (
        <details>
          <summary>
            {unknown.readings.length} {unknown.readings.length === 1 ? 'reading' : 'readings'} noted
          </summary>
          <ul className="plain-list">
            {unknown.readings.map((r, i) => (
              <li key={i}>
                {title(r.test)}, {mark(r.wire)}
                {r.to ? ` to ${mark(r.to)}` : ''}: <span className="figure-text">{r.typed}</span>{' '}
                <button
                  type="button"
                  className="word-button"
                  onClick={() => settle((j) => takeBackReading(j, unknown.id, i))}
                >
                  take back<span className="visually-hidden"> reading {i + 1}</span>
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  )
}

/** Unknown wires and relays of the machine, found out with a meter in the safest order. */
export function FindWire({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const [kind, setKind] = useState<keyof typeof kinds>('pigtail')
  const [marks, setMarks] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const add = (): void => {
    const list = marks
      .split(/[,;]/)
      .map((m) => m.trim())
      .filter(Boolean)
    const [least, most] = kind === 'relay' ? [4, 5] : [2, 8]
    if (list.length < least || list.length > most) {
      setWrong(
        `Name ${least} to ${most} ${kind === 'relay' ? 'pins' : 'wires'}, with commas between: ` +
          `${kind === 'relay' ? 'a, b, c, d' : 'red, black, yellow/blue'}.`,
      )
      return
    }
    if (list.some((m) => m.length > 30)) {
      setWrong('A name has at most 30 letters.')
      return
    }
    setWrong(null)
    setMarks('')
    settle((j) => addUnknown(j, kind, list))
  }
  return (
    <>
      <p className="say">
        For a plug, pigtail or relay that nobody has a diagram of: the tests come in the safest order, each with what
        every candidate would show.
      </p>
      <Form
        className="new-unknown"
        onSubmit={(e) => {
          e.preventDefault()
          add()
        }}
      >
        <Form.Group controlId="unknown-kind">
          <Form.Label>There is</Form.Label>
          <Form.Select
            value={kind}
            onChange={(e) => {
              setKind(e.target.value as keyof typeof kinds)
              setWrong(null)
            }}
          >
            {(Object.keys(kinds) as (keyof typeof kinds)[]).map((k) => (
              <option key={k} value={k}>
                {kinds[k]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="unknown-marks">
          <Form.Label>{kind === 'relay' ? 'Its pins, as marked or a, b, c …' : 'Its wires, by colour'}</Form.Label>
          <Form.Control
            value={marks}
            onChange={(e) => setMarks(e.target.value)}
            isInvalid={wrong !== null}
            aria-describedby={wrong ? 'unknown-wrong' : undefined}
            maxLength={200}
          />
        </Form.Group>
        <Button type="submit" variant="outline-dark" disabled={job.wiring.unknowns.length >= mostOf('unknowns')}>
          Find out
        </Button>
        {wrong && (
          <div id="unknown-wrong" className="verdict-short">
            {wrong}
          </div>
        )}
      </Form>
      {job.wiring.unknowns.map((x) => (
        <One key={x.id} job={job} unknown={x} settle={settle} />
      ))}
    </>
  )
}
