'use client'

import { clockTime, type LeftOver, type Stint } from '@/core/schedule'
import { say } from '@/core/words'

interface Props {
  readonly stints: readonly Stint[]
  readonly titles: ReadonlyMap<string, string>
  readonly people: 1 | 2
  readonly leftOver: readonly LeftOver[]
}

/** The day as a list, and what no longer fits into it. */
export function Agenda({ stints, titles, people, leftOver }: Props) {
  const over = new Map<string, number>()
  for (const { job, block } of leftOver) over.set(job, (over.get(job) ?? 0) + block.minutes)
  return (
    <section aria-label={say`The day as a list`} className="mt-4">
      <h2>{say`One after the other`}</h2>
      <table className="plain-table">
        <thead>
          <tr>
            <th>{say`when`}</th>
            {people === 2 && <th>{say`who`}</th>}
            <th>{say`job`}</th>
            <th>{say`what`}</th>
          </tr>
        </thead>
        <tbody>
          {stints.map((s) => (
            <tr key={`${s.from} ${s.person}`}>
              <td className="figure-text">
                {clockTime(s.from)}–{clockTime(s.to)}
              </td>
              {people === 2 && <td>{s.person ? say`second` : say`first`}</td>}
              <th scope="row">{titles.get(s.job)}</th>
              <td className="small">
                {s.placed.map((p) => p.block.title).join(', ')}
                {s.waitTo > s.to && <span className="soft">{say`; then it waits until ${clockTime(s.waitTo)}`}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {over.size > 0 && (
        <p className="say mt-2">
          {say`Does not fit into the day: ${[...over]
            .map(([job, minutes]) => say`${titles.get(job)} ${Math.round(minutes)} min of work`)
            .join(', ')}.`}
        </p>
      )}
    </section>
  )
}
