'use client'

import { useState } from 'react'
import type { MarginId } from '@/core/job'
import { type Evaluation, type MarginResult, signedFigure, tally, worstInWords } from '@/core/margins'
import type { UnitSystem } from '@/core/units'
import { MarginBar } from './MarginBar'
import { say, spokenWord } from '@/core/words'

interface Props {
  readonly evaluation: Evaluation
  /** the job has changed since, and is still being worked out */
  readonly behind: boolean
  readonly system: UnitSystem
  readonly selected: MarginId | null
  readonly onSelect: (margin: MarginId | null) => void
}

const withoutFigure = (m: MarginResult): string => (m.verdict === 'short' ? say`none` : '–')

/** The margins, always there, all standing on one water line. */
export function MarginRail({ evaluation, behind, system, selected, onSelect }: Props) {
  // on a phone the rail is a foot that opens into a list
  const [listed, setListed] = useState(false)
  const told = behind ? say`being worked out` : worstInWords(evaluation, system)
  return (
    <section
      className={`rail ${listed ? 'listed' : ''} ${behind ? 'behind' : ''}`}
      aria-label={say`Margins`}
      aria-busy={behind}
    >
      <div className="summary">
        <strong>{say`Margins`}</strong>
        <span className="tally">{behind ? say`being worked out` : tally(evaluation)}</span>
        <button type="button" className="worst" aria-expanded={listed} onClick={() => setListed(!listed)}>
          {listed ? say`Close the list` : told}
          <span className="visually-hidden">{say`, all margins`}</span>
        </button>
      </div>
      <ul>
        {evaluation.margins.map((m) => (
          <li key={m.id}>
            <button
              type="button"
              data-margin={m.id}
              aria-pressed={selected === m.id}
              onClick={() => {
                setListed(false)
                onSelect(selected === m.id ? null : m.id)
              }}
            >
              <svg
                className={m.soft ? 'bar soft-whisker' : 'bar'}
                viewBox="0 0 44 100"
                preserveAspectRatio="xMidYMid meet"
                aria-hidden="true"
              >
                <MarginBar margin={m} left={9} width={24} waterY={61} full={34} />
              </svg>
              <span className="name">{m.name}</span>
              <span className="figure-text">
                {m.value === null ? withoutFigure(m) : signedFigure(m.value, m.unit, system)}
              </span>
              <span className={`word verdict-${m.verdict}`}>
                {spokenWord(m.verdict)}
                {m.warnings.length > 0 && m.verdict !== 'short' ? say`, warns` : ''}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
