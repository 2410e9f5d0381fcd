'use client'

import ProgressBar from 'react-bootstrap/ProgressBar'
import { alsoTrue, type Found, speaksFor, type Standing, type Table } from '@/core/diagnose'
import type { UnitSystem } from '@/core/units'
import { inWords, shareInWords } from './say'
import { say } from '@/core/words'

/** so many causes are listed, and so many things that a cause would make true besides */
const LISTED = 8
const ALSO = 4
const sideWords = { for: say`speaks for it`, against: say`speaks against it`, neither: say`says neither` } as const

interface Props {
  readonly table: Table
  readonly found: readonly Found[]
  readonly standing: Standing
  readonly units: UnitSystem
}

/** What speaks for a cause and against it, and what it would make true besides. */
function Why({ table, found, units, index }: Props & { readonly index: number }) {
  const cause = table.causes[index]!
  const also = alsoTrue(table, found, index)
    .filter(({ move }) => move.tier === 'look' || move.tier === 'heat')
    .slice(0, ALSO)
  return (
    <div className="small">
      <p className="mb-1 soft">{say`How it comes: ${cause.why}.`}</p>
      <ul className="mb-1">
        {speaksFor(table, found, index).map(({ move, found: f, side, makes }) => (
          <li key={move.id}>
            {move.title}: {inWords(move, f, units)}, {sideWords[side]}
            {side === 'against' && say`: it would be ${inWords(move, makes, units)}`}.
          </li>
        ))}
      </ul>
      {also.length > 0 && (
        <p className="mb-1">
          {say`It would also make this true:
            ${also.map(({ move, makes }) => `${move.title}: ${inWords(move, makes, units)}`).join('; ')}.`}
        </p>
      )}
      <p className="mb-1">{say`Put right by: ${cause.repair.step}.`}</p>
    </div>
  )
}

/** Causes, the likeliest first, with what speaks for each. */
export function Ranking(props: Props) {
  const { standing } = props
  return (
    <section aria-label={say`What it may be`}>
      <h3>{say`What it may be`}</h3>
      <ol className="cause-list">
        {standing.ranked.slice(0, LISTED).map(({ cause, index, share }) => (
          <li key={cause.id}>
            <details>
              <summary>
                <span>{cause.words}</span>
                <span className="figure-text">{shareInWords(share)}</span>
              </summary>
              <Why {...props} index={index} />
            </details>
            <ProgressBar now={share * 100} aria-hidden visuallyHidden />
          </li>
        ))}
      </ol>
    </section>
  )
}
