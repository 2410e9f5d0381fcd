'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { motorsOf, type Netlist, switchingsOf } from '@/core/circuit'
import type { Act, PracticeBench } from '@/core/practice'
import { type Names, switchNames } from './say'
import type { Terminal } from './Board'
import { say } from '@/core/words'

interface Props {
  readonly net: Netlist
  readonly bench: PracticeBench
  readonly names: Names
  readonly cooled: boolean
  readonly terminals: readonly Terminal[]
  readonly onAct: (act: Act) => void
}

function Does({ words, act, onAct }: { readonly words: string; readonly act: Act } & Pick<Props, 'onAct'>) {
  return (
    <Button variant="outline-dark" onClick={() => onAct(act)}>
      {words}
    </Button>
  )
}

/** Key, engine and what else is switched; warm or cold. */
function Switches({ net, bench, onAct }: Props) {
  const { conditions: c } = bench
  const there = switchingsOf(net)
  return (
    <section aria-label={say`Switches`}>
      <h2>{say`Switches`}</h2>
      <div className="hands">
        {there.map((by) => (
          <Button
            key={by}
            variant={c[by] ? 'dark' : 'outline-dark'}
            aria-pressed={c[by]}
            disabled={by === 'engine' && there.includes('key') && !c.key}
            onClick={() => onAct({ do: 'switch', by, on: !c[by] })}
          >
            {switchNames[by]} {c[by] ? say`on` : say`off`}
          </Button>
        ))}
        <Button
          variant={c.heat === 'hot' ? 'dark' : 'outline-dark'}
          aria-pressed={c.heat === 'hot'}
          onClick={() => onAct({ do: 'warm', hot: c.heat !== 'hot' })}
        >
          {c.heat === 'hot' ? say`hot` : say`cold`}
        </Button>
      </div>
    </section>
  )
}

/** Eyes and ears. */
function Senses({ net, names, onAct }: Props) {
  const shown = net.controls.filter((k) => k.supply !== null)
  return (
    <section aria-label={say`Look, listen, feel`}>
      <h2>{say`Look, listen, feel`}</h2>
      <div className="hands">
        {motorsOf(net).map((m) => (
          <Does key={m.name} words={say`watch ${m.label}`} act={{ do: 'watch', fan: m.name }} onAct={onAct} />
        ))}
        {net.elements.map(
          (e) =>
            e.kind === 'coil' && (
              <Does
                key={e.name}
                words={say`listen at the relay`}
                act={{ do: 'listen', relay: e.relay }}
                onAct={onAct}
              />
            ),
        )}
        {shown.flatMap((k) => [
          <Does
            key={`d${k.id}`}
            words={say`${k.label}: display`}
            act={{ do: 'display', controller: k.id }}
            onAct={onAct}
          />,
          <Does
            key={`s${k.id}`}
            words={say`${k.label}: setting`}
            act={{ do: 'setting', controller: k.id }}
            onAct={onAct}
          />,
          <Does
            key={`t${k.id}`}
            words={say`${k.label}: what it shows`}
            act={{ do: 'shown', controller: k.id }}
            onAct={onAct}
          />,
        ])}
      </div>
      <Pick
        id="feel"
        label={say`Feel along`}
        options={net.elements
          .filter((e) => e.kind === 'wire' || e.kind === 'contact')
          .map((e) => [e.name, names.element(e.name)])}
        act={say`feel it`}
        onPick={(name) => onAct({ do: 'feel', name })}
      />
    </section>
  )
}

function Pick({
  id,
  label,
  options,
  act,
  onPick,
}: {
  readonly id: string
  readonly label: string
  readonly options: readonly (readonly [value: string, words: string])[]
  readonly act: string
  readonly onPick: (value: string) => void
}) {
  const [value, setValue] = useState(options[0]?.[0] ?? '')
  return (
    <div className="pick-line">
      <Form.Label htmlFor={id} className="mb-0">
        {label}
      </Form.Label>
      <Form.Select id={id} value={value} onChange={(e) => setValue(e.target.value)}>
        {options.map(([v, w]) => (
          <option key={v} value={v}>
            {w}
          </option>
        ))}
      </Form.Select>
      <Button variant="outline-dark" onClick={() => onPick(value)}>
        {act}
      </Button>
    </div>
  )
}

/** Fuses, and what hands can do, right or wrong. */
function Tools({ net, bench, names, cooled, terminals, onAct }: Props) {
  return (
    <section aria-label={say`Hands`}>
      <h2>{say`Hands`}</h2>
      {net.elements.map(
        (e) =>
          e.kind === 'fuse' && (
            <div key={e.name} className="hands" role="group" aria-label={names.element(e.name)}>
              <span className="fw-medium">
                {names.element(e.name)}
                {bench.out.has(e.name) ? say`, out` : ''}
              </span>
              {bench.out.has(e.name) ? (
                <Does words={say`put it back`} act={{ do: 'fuse', name: e.name, how: 'put back' }} onAct={onAct} />
              ) : (
                <Does words={say`pull it`} act={{ do: 'fuse', name: e.name, how: 'pull' }} onAct={onAct} />
              )}
              <Does words={say`a new one`} act={{ do: 'fuse', name: e.name, how: 'new' }} onAct={onAct} />
              <Does words={say`a bigger one`} act={{ do: 'fuse', name: e.name, how: 'bigger' }} onAct={onAct} />
            </div>
          ),
      )}
      <div className="hands">
        {motorsOf(net).map((m) => (
          <Does
            key={m.name}
            words={say`turn ${m.label} by hand`}
            act={{ do: 'turn by hand', fan: m.name }}
            onAct={onAct}
          />
        ))}
        {cooled && <Does words={say`open the cap`} act={{ do: 'open the cap' }} onAct={onAct} />}
      </div>
      <Pick
        id="jumper"
        label={say`A lead from battery + to`}
        options={terminals.map((t) => [t.name, t.words])}
        act={say`hold it there`}
        onPick={(to) => onAct({ do: 'jumper', to })}
      />
    </section>
  )
}

/** Everything that can be done at the bench but measuring. */
export function Hands(props: Props) {
  return (
    <>
      <Switches {...props} />
      <Senses {...props} />
      <Tools {...props} />
    </>
  )
}
