'use client'

import { type Found, type Table } from '@/core/diagnose'
import type { Search } from '@/core/job'
import type { UnitSystem } from '@/core/units'
import { inWords } from './say'
import { say } from '@/core/words'

/** What was found so far, each to be taken back. What is of another circuit than today's is kept and told as such. */
export function Readings({
  table,
  search,
  units,
  doubt,
  onTakeBack,
}: {
  readonly table: Table
  readonly search: Search
  readonly units: UnitSystem
  readonly doubt: string | null
  readonly onTakeBack: (move: string) => void
}) {
  if (!search.found.length) return null
  const named = (f: Found): string => {
    const move = table.moves.find((m) => m.id === f.move)
    return move ? `${move.title}: ${inWords(move, f.found, units)}` : say`${f.move}: not part of this circuit any more`
  }
  return (
    <section aria-label={say`Found so far`}>
      <h3>{say`Found so far`}</h3>
      <ol className="plain-list">
        {search.found.map((f) => (
          <li key={f.move} className={f.move === doubt ? 'say say-unsure' : 'mb-1'}>
            {named(f)}
            {f.move === doubt && say`: look at this one again`}{' '}
            <button
              type="button"
              className="word-button soft"
              aria-label={say`take back: ${named(f)}`}
              onClick={() => onTakeBack(f.move)}
            >
              {say`take back`}
            </button>
          </li>
        ))}
      </ol>
    </section>
  )
}
