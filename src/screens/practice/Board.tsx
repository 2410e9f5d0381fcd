'use client'

import { useDrag } from '@use-gesture/react'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { say, spokenWord } from '@/core/words'

export interface Terminal {
  readonly name: string
  readonly words: string
}
type Lead = 'red' | 'black'
const leads = ['red', 'black'] as const

/** A lead that is dragged onto a terminal; by keyboard it is chosen beside. */
function LeadEnd({ lead, onDrop }: { readonly lead: Lead; readonly onDrop: (terminal: string) => void }) {
  const [at, setAt] = useState<readonly [number, number] | null>(null)
  const drag = useDrag(
    ({ active, movement, xy: [x, y] }) => {
      setAt(active ? movement : null)
      if (active) return
      const under = document.elementsFromPoint(x, y).find((e) => e instanceof HTMLElement && e.dataset.terminal)
      if (under instanceof HTMLElement) onDrop(under.dataset.terminal!)
    },
    { pointer: { keys: false } },
  )
  return (
    <span
      {...drag()}
      className={`lead-end lead-${lead}`}
      style={at ? { transform: `translate(${at[0]}px, ${at[1]}px)` } : undefined}
      aria-hidden
    >
      {spokenWord(lead)}
    </span>
  )
}

/** The terminals of a circuit, and a meter with two leads. */
export function Board({
  terminals,
  shown,
  onRead,
}: {
  readonly terminals: readonly Terminal[]
  /** what the meter showed last */
  readonly shown: string
  readonly onRead: (red: string, black: string) => void
}) {
  const [held, setHeld] = useState<Readonly<Record<Lead, string>>>({ red: 'bat_plus', black: 'gnd' })
  const hold = (lead: Lead, terminal: string): void => setHeld((h) => ({ ...h, [lead]: terminal }))
  return (
    <section aria-label={say`Meter`}>
      <h2>{say`Meter, 20 V DC`}</h2>
      <p className="meter-face figure-text" aria-live="polite">
        {shown || '–.–– V'}
      </p>
      <ul className="terminals" aria-label={say`Terminals`}>
        {terminals.map((t) => (
          <li key={t.name} data-terminal={t.name} className="terminal">
            {t.words}
            {leads.map(
              (l) =>
                held[l] === t.name && (
                  <span key={l} className={`lead-at lead-${l}`}>
                    {l}
                  </span>
                ),
            )}
          </li>
        ))}
      </ul>
      <div className="lead-lines">
        {leads.map((lead) => (
          <Form.Group key={lead} controlId={`lead-${lead}`} className="lead-line">
            <LeadEnd lead={lead} onDrop={(t) => hold(lead, t)} />
            <Form.Label className="visually-hidden">{say`${spokenWord(lead)} lead on`}</Form.Label>
            <Form.Select value={held[lead]} onChange={(e) => hold(lead, e.target.value)}>
              {terminals.map((t) => (
                <option key={t.name} value={t.name}>
                  {t.words}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        ))}
      </div>
      <p className="small soft mb-1">{say`Drag a lead onto a terminal, or choose beside it.`}</p>
      <Button variant="dark" onClick={() => onRead(held.red, held.black)}>
        {say`Read the meter`}
      </Button>
    </section>
  )
}
