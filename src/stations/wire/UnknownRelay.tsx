'use client'

import Table from 'react-bootstrap/Table'
import { identifyRelay, nextPinTest, pinExpects, type PinRole } from '@/core/circuit'
import type { Job, Unknown } from '@/core/job'
import { noteReading } from '@/core/wiring'
import type { StationProps } from '../station'
import { Ask, rangeWords } from './MeterAsk'
import { say } from '@/core/words'

type Props = { readonly job: Job; readonly unknown: Unknown } & Pick<StationProps, 'settle'>

/** What a range between two pins means. */
function pathOf([, high]: readonly [number, number]): string {
  if (high === Infinity) return say`no path between them`
  return high < 2 ? say`a closed contact` : say`the coil`
}

/** The next pair of pins, with what each naming that is left would show. */
function NextPair({
  job,
  unknown,
  settle,
  next,
}: Props & { readonly next: NonNullable<ReturnType<typeof nextPinTest>> }) {
  const { ways } = identifyRelay(
    unknown.wires.map((w) => w.id),
    unknown.readings,
  )
  const mark = (id: string): string => unknown.wires.find((w) => w.id === id)?.mark ?? id
  const ranges = ways.map((w) => pinExpects(next.test.id, w[next.wire]!, w[next.to]!))
  const options = [...new Map(ranges.map((range) => [JSON.stringify(range), range])).values()]
  return (
    <section className="big-test" aria-label={say`Next test`}>
      <h3>{say`${next.test.title}: pins ${mark(next.wire)} and ${mark(next.to)}`}</h3>
      <p className="mb-1">{next.test.how}</p>
      <Table size="sm" className="expects">
        <tbody>
          {options.map((range) => (
            <tr key={range.join()}>
              <th scope="row" className="fw-normal">
                {pathOf(range)}
              </th>
              <td className="figure-text">{rangeWords(range, 'ohm')}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Ask
        key={`${next.test.id} ${next.wire} ${next.to}`}
        unit="ohm"
        units={job.units}
        label={say`The meter shows, ${mark(next.wire)} to ${mark(next.to)}`}
        onRead={(value, typed) =>
          settle((j) => noteReading(j, unknown.id, { test: next.test.id, wire: next.wire, to: next.to, value, typed }))
        }
      />
    </section>
  )
}

/** A relay without a diagram: the next pair of pins to measure, and what each pin can still be. */
export function UnknownRelay({ job, unknown, settle }: Props) {
  const pins = unknown.wires.map((w) => w.id)
  const found = identifyRelay(pins, unknown.readings)
  const next = nextPinTest(pins, unknown.readings)
  const words = (roles: readonly PinRole[]): string => roles.join(say` or `)
  return (
    <>
      {next ? (
        <NextPair job={job} unknown={unknown} settle={settle} next={next} />
      ) : (
        <p className="say">
          {found.contradiction
            ? say`No relay of this kind shows all of that: measure again, or it is no such relay.`
            : say`Every pin is known. Coil ends, and with four pins the contact’s ends, may be taken either way round;
              with a diode inside, 86 is the positive one.`}
        </p>
      )}
      <Table size="sm" className="align-middle mt-2">
        <thead>
          <tr>
            <th scope="col">{say`pin`}</th>
            <th scope="col">{say`it is, or may still be`}</th>
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
        {say`A relay is drawn from its pin side or its base’s side: turn it over and left and right change places.
          Note which side you look at.`}
      </p>
    </>
  )
}
