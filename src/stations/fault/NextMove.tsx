'use client'

import { useEffect, useRef } from 'react'
import Button from 'react-bootstrap/Button'
import { type Found, type Move, type Proposed, type Standing, type Table } from '@/core/diagnose'
import type { UnitSystem } from '@/core/units'
import { QuantityField } from '@/ui/QuantityField'
import { inWords, shareInWords, tierWords } from './say'
import { say } from '@/core/words'

/** so many of the likelier causes are told with what they would show */
const TOLD = 5
/** what stands over everything at the top, px */
const MASTHEAD_PX = 80

interface Props {
  readonly table: Table
  readonly standing: Standing
  readonly units: UnitSystem
  readonly at: Proposed
  /** more is being said above: it stays where it is */
  readonly still: boolean
  readonly onFind: (found: Found, typed: string) => void
  readonly onSkip: (move: Move) => void
}

/** What each cause that is still believed would show at a move. */
function Predicted({ table, standing, units, at }: Pick<Props, 'table' | 'standing' | 'units' | 'at'>) {
  const column = table.moves.indexOf(at.move)
  return (
    <table className="plain-table small mb-2">
      <thead>
        <tr>
          <th>{say`if it is`}</th>
          <th>{say`it shows`}</th>
        </tr>
      </thead>
      <tbody>
        {standing.ranked.slice(0, TOLD).map(({ cause, index, share }) => (
          <tr key={cause.id}>
            <th scope="row" className="fw-normal">
              {cause.words} <span className="soft">({shareInWords(share)})</span>
            </th>
            <td>{inWords(at.move, table.cells[index]![column]!, units)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** The next thing to do: where, how, with what, and what it would show. */
export function NextMove(props: Props) {
  const { units, at, still, onFind, onSkip } = props
  const { move } = at
  const card = useRef<HTMLElement>(null)
  const { id } = move
  // the next one begins at its title, wherever the last one was answered
  useEffect(() => {
    if (still) return
    const top = card.current?.getBoundingClientRect().top ?? 0
    if (top < MASTHEAD_PX || top > window.innerHeight / 2) card.current?.scrollIntoView({ block: 'start' })
  }, [id, still])
  const minutes = move.minutes < 1 ? say`under a minute` : say`about ${Math.round(move.minutes)} min`
  return (
    <section ref={card} className="big-step next-move" aria-label={say`Next`}>
      <p className="soft small mb-1">{say`Next: ${tierWords[move.tier]}, ${minutes}`}</p>
      <h2>{move.title}</h2>
      <p>{move.how}</p>
      {move.caution && <p className="caution small">{move.caution}</p>}
      <Predicted {...props} />
      {move.answers ? (
        <div className="d-flex flex-wrap gap-2">
          {move.answers.map((a) => (
            <Button
              key={a.id}
              variant="outline-dark"
              aria-label={`${a.words}: ${move.title}`}
              onClick={() => onFind({ move: move.id, found: a.id }, '')}
            >
              {a.words}
            </Button>
          ))}
        </div>
      ) : (
        <QuantityField
          key={move.id}
          name={`seek.${move.id}`}
          label={say`it shows`}
          value={null}
          quantity={move.figure!.quantity}
          system={units}
          range={move.figure!.ends}
          onSettle={(value, typed) => onFind({ move: move.id, found: value }, typed)}
        />
      )}
      <button type="button" className="word-button soft mt-2" onClick={() => onSkip(move)}>
        {say`cannot be done here: another`}
      </button>
    </section>
  )
}
