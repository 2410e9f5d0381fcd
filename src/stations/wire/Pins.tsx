'use client'

import { useMemo, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Table from 'react-bootstrap/Table'
import { circuitsOf } from '@/core/fan-circuit'
import { changePlug, type Job } from '@/core/job'
import { type Held, type Hole, pinDrawing, plugDrawing, type RelayPin, relayPins } from '@/core/drawing'
import { cutList, type CutWire } from '@/core/wiring'
import { ChoiceField } from '@/ui/ChoiceField'
import { DrawingView } from '@/ui/DrawingView'
import type { StationProps } from '../station'
import { say } from '@/core/words'

/** Wires of the list that end at a pin of one relay. */
const wiresAt = (wires: readonly CutWire[], relay: number, pin: RelayPin): CutWire[] =>
  wires.filter((w) => w.ends.some((e) => e.at === `relay ${relay}, ${pin}`))

const inShort = (wires: readonly CutWire[]): string => wires.map((w) => `${w.number} ${w.colour}`).join(', ')

/** How a relay or plug is held: onto its pins or its wires, turned by quarters. */
function Turning({ held, onHold }: { readonly held: Held; readonly onHold: (held: Held) => void }) {
  return (
    <div className="d-flex flex-wrap gap-2 mb-2" role="group" aria-label={say`How it is held`}>
      {(['pin side', 'wire side'] as const).map((seen) => (
        <Button
          key={seen}
          variant={held.seen === seen ? 'primary' : 'outline-dark'}
          aria-pressed={held.seen === seen}
          onClick={() => onHold({ ...held, seen })}
        >
          {seen === 'pin side' ? say`onto its pins` : say`onto the wires`}
        </Button>
      ))}
      <Button variant="outline-dark" onClick={() => onHold({ ...held, quarters: (held.quarters + 1) % 4 })}>
        {say`turn it`}
      </Button>
    </div>
  )
}

/** A plug, to be turned until it lies as it does in the hand. */
function Plug({ title, holes }: { readonly title: string; readonly holes: readonly Hole[] }) {
  const [held, setHeld] = useState<Held>({ seen: 'pin side', quarters: 0 })
  return (
    <section aria-label={title} className="mb-3">
      <h3>{title}</h3>
      <Turning held={held} onHold={setHeld} />
      <div style={{ maxWidth: 220 }}>
        <DrawingView drawing={plugDrawing(title, holes, held)} maxHeight={170} />
      </div>
    </section>
  )
}

/** One relay, to be turned until it lies as it does in the hand. */
function Relay({
  wires,
  n,
  several,
}: {
  readonly wires: readonly CutWire[]
  readonly n: number
  readonly several: boolean
}) {
  const [held, setHeld] = useState<Held>({ seen: 'pin side', quarters: 0 })
  const pins = relayPins.filter((p) => p !== '87a')
  const words = Object.fromEntries(pins.map((p) => [p, inShort(wiresAt(wires, n, p))]))
  return (
    <section aria-label={several ? say`Relay ${n}` : say`Relay`} className="mb-4">
      <h2>{several ? say`Relay ${n}` : say`Relay`}</h2>
      <Turning held={held} onHold={setHeld} />
      <div style={{ maxWidth: 460 }}>
        <DrawingView drawing={pinDrawing(say`Relay ${n}`, words, held, pins)} maxHeight={250} />
      </div>
      <Table size="sm" className="mt-2">
        <thead>
          <tr>
            <th scope="col">{say`pin`}</th>
            <th scope="col">{say`wire`}</th>
            <th scope="col">{say`other end`}</th>
          </tr>
        </thead>
        <tbody>
          {pins.map((pin) => (
            <tr key={pin}>
              <th scope="row" className="figure-text">
                {pin}
              </th>
              <td>{inShort(wiresAt(wires, n, pin)) || <span className="verdict-short">{say`no wire`}</span>}</td>
              <td>
                {wiresAt(wires, n, pin)
                  .map((w) => w.ends.find((e) => e.at !== `relay ${n}, ${pin}`)?.at)
                  .join('; ')}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </section>
  )
}

const plugNames = [
  { value: 'not looked', name: say`nobody has looked` },
  { value: 'one way', name: say`one way only` },
  { value: 'either way', name: say`either way round` },
] as const

function FanPlug({
  job,
  settle,
  n,
  wires,
}: Pick<StationProps, 'job' | 'settle'> & { readonly n: number; readonly wires: readonly CutWire[] }) {
  const fan = circuitsOf(job)[n]!.fan
  if (!fan) return null
  const which = job.runs.length > 1 ? say`, fan ${n + 1}` : ''
  const at = (pole: '+' | '−'): string =>
    inShort(wires.filter((w) => w.ends.some((e) => e.at === `fan ${n + 1}, ${pole}`)))
  return (
    <>
      <Plug
        title={say`Plug of the fan${which}`}
        holes={[
          { name: '+', words: at('+') },
          { name: '−', words: at('−') },
        ]}
      />
      <ChoiceField
        label={say`Its plug goes together${which}`}
        value={fan.plug}
        options={plugNames}
        onChange={(plug) => settle((j) => changePlug(j, fan.id, plug))}
      />
      {fan.plug === 'either way' && (
        <p className={fan.part.motor === 'brushless' ? 'say say-short' : 'say say-unsure'}>
          {say`Mark + on both halves, and hold a strip of paper to the fan when it first runs${
            fan.part.motor === 'brushless'
              ? say`: a brushless fan does not survive being plugged the wrong way round.`
              : '.'
          }`}
        </p>
      )}
    </>
  )
}

/** Which wire goes to which pin, as it lies in the hand. */
export function Pins({ job, settle }: { readonly job: Job } & Pick<StationProps, 'settle'>) {
  const { wires } = useMemo(() => cutList(job, []), [job])
  const relays = job.runs.flatMap((r, n) =>
    r.switchedBy === 'relay' && job.runs.findIndex((o) => o.relay === r.relay && o.switchedBy === 'relay') === n
      ? [n + 1]
      : [],
  )
  return (
    <>
      {relays.map((n) => (
        <Relay key={n} wires={wires} n={n} several={relays.length > 1} />
      ))}
      {relays.length === 0 && <p className="soft">{say`There is no relay in this circuit.`}</p>}
      {relays.length > 0 && (
        <p className="soft small">
          {say`Pins stand where they usually do. The number stamped beside a pin counts, not its place: look at every
            one.`}
        </p>
      )}
      <h2>{say`The fan’s own plug`}</h2>
      {job.fans.length === 0 && <p className="soft">{say`Choose the fan first (station 3).`}</p>}
      {job.runs.map((r, n) => (
        <FanPlug key={r.id} job={job} settle={settle} n={n} wires={wires} />
      ))}
      {job.wiring.edits.map(
        (e) =>
          e.kind === 'move pins' && (
            <Plug
              key={e.id}
              title={say`${e.what}, pins moved`}
              holes={e.moves.map((m) => ({ name: m.cavity, words: m.after }))}
            />
          ),
      )}
    </>
  )
}
