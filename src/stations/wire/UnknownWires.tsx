'use client'

import Form from 'react-bootstrap/Form'
import Table from 'react-bootstrap/Table'
import {
  expected,
  identifyWires,
  nextWireTest,
  rankSources,
  type WireFound,
  wireIdentities,
  type WireIdentity,
} from '@/core/circuit'
import type { Job, Unknown } from '@/core/job'
import { changeUnknown, noteReading, takeAsFeed } from '@/core/wiring'
import { format, sizesOf, type UnitSystem, type WireSize } from '@/core/units'
import type { StationProps } from '../station'
import { Ask, rangeWords } from './MeterAsk'
import { say, spokenWord } from '@/core/words'

type Props = { readonly job: Job; readonly unknown: Unknown } & Pick<StationProps, 'settle'>

/** The next test in the safest order, with what each candidate would show. */
function NextWire({
  job,
  unknown,
  settle,
  found,
  next,
}: Props & { readonly found: readonly WireFound[]; readonly next: NonNullable<ReturnType<typeof nextWireTest>> }) {
  const { systemV } = job.machine
  const mark = (id: string): string => unknown.wires.find((w) => w.id === id)?.mark ?? id
  return (
    <section className="big-test" aria-label={say`Next test`}>
      <h3>{say`${next.test.title}: the ${mark(next.wire)} wire`}</h3>
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
                  <td className="figure-text">{range ? rangeWords(range, next.test.unit) : say`says nothing`}</td>
                </tr>
              )
            })}
        </tbody>
      </Table>
      <Ask
        key={`${next.test.id} ${next.wire}`}
        unit={next.test.unit}
        units={job.units}
        label={say`The meter shows, ${mark(next.wire)}`}
        onRead={(value, typed) =>
          settle((j) => noteReading(j, unknown.id, { test: next.test.id, wire: next.wire, to: null, value, typed }))
        }
      />
    </section>
  )
}

/** What a wire is, or may still be. */
function Candidates({ found: f }: { readonly found: WireFound }) {
  if (f.contradiction)
    return <span className="verdict-short">{say`nothing known shows all of that: measure again`}</span>
  if (f.known)
    return (
      <span className="verdict-holds">
        {wireIdentities[f.known].name}
        <span className="soft small">: {wireIdentities[f.known].tell}</span>
      </span>
    )
  const anything = f.candidates.length === Object.keys(wireIdentities).length
  return (
    <span className="soft">
      {anything ? say`anything` : f.candidates.map((c: WireIdentity) => wireIdentities[c].name).join(', ')}
    </span>
  )
}

/** What it may be loaded with, in words. */
function loadOf({ known, mayCarryA }: WireFound, units: UnitSystem): string {
  if (known === null) return '–'
  if (mayCarryA === 0) return say`nothing`
  return mayCarryA === null ? say`see size and fuse` : format(mayCarryA, 'current', units, 2)
}

/** One wire with what is known of it. */
function WireRow({
  job,
  unknown,
  settle,
  found,
  f,
}: Props & { readonly found: readonly WireFound[]; readonly f: WireFound }) {
  const wire = unknown.wires.find((w) => w.id === f.id)!
  const change = (id: string, part: Partial<Unknown['wires'][number]>): void =>
    settle((j) =>
      changeUnknown(j, unknown.id, { wires: unknown.wires.map((w) => (w.id === id ? { ...w, ...part } : w)) }),
    )
  return (
    <tr>
      <th scope="row">{wire.mark}</th>
      <td>
        <Candidates found={f} />
      </td>
      <td>
        <Form.Select
          size="sm"
          aria-label={say`Size of the ${wire.mark} wire`}
          value={wire.size ?? ''}
          onChange={(e) => change(f.id, { size: (e.target.value || null) as WireSize | null })}
        >
          <option value="">?</option>
          {sizesOf(job.units).map((s) => (
            <option key={s} value={s}>
              {spokenWord(s)}
            </option>
          ))}
        </Form.Select>
      </td>
      <td>
        <Form.Select
          size="sm"
          aria-label={say`Fuse of the ${wire.mark} wire`}
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
        {loadOf(f, job.units)}
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
              {say`feed the fan from it`}
              <span className="visually-hidden">, {wire.mark}</span>
            </button>
          </div>
        ) : null}
      </td>
    </tr>
  )
}

/** Unknown wires: the next test, what each can still be, and which to take. */
export function UnknownWires(props: Props) {
  const { job, unknown } = props
  const { systemV } = job.machine
  const found = identifyWires(unknown.wires, unknown.readings, systemV)
  const next = nextWireTest(unknown.wires, unknown.readings, systemV)
  const mark = (id: string): string => unknown.wires.find((w) => w.id === id)?.mark ?? id
  return (
    <>
      {next ? (
        <NextWire {...props} found={found} next={next} />
      ) : (
        <p className="say">
          {found.every((f) => f.known)
            ? say`Every wire is known.`
            : say`No test in the list tells more about what is left.`}
        </p>
      )}
      <Table size="sm" className="align-middle mt-2">
        <thead>
          <tr>
            <th scope="col">{say`wire`}</th>
            <th scope="col">{say`it is, or may still be`}</th>
            <th scope="col">{say`its size`}</th>
            <th scope="col">{say`its fuse`}</th>
            <th scope="col">{say`may be loaded with`}</th>
          </tr>
        </thead>
        <tbody>
          {found.map((f) => (
            <WireRow key={f.id} {...props} found={found} f={f} />
          ))}
        </tbody>
      </Table>
      <Sources found={found} mark={mark} />
    </>
  )
}

/** One speed only, unless the loom has a low one as well. */
function speedOf(known: WireIdentity | null, found: readonly WireFound[]): Job['wiring']['plugSpeed'] {
  if (known === 'fanLow') return 'low'
  return found.some((f) => f.known === 'fanLow') ? 'high' : 'one speed'
}

/** Which of the wires to take, and which to leave alone. */
function Sources({ found, mark }: { readonly found: readonly WireFound[]; readonly mark: (id: string) => string }) {
  const { take, leave } = rankSources(found)
  if (!take.length && !leave.length) return null
  return (
    <section aria-label={say`Which to take`}>
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
          {say`Leave ${mark(s.id)}: ${s.why}.`}
        </p>
      ))}
    </section>
  )
}
