'use client'

import Link from 'next/link'
import type { Summary } from '@/core/plan'
import { dueOn } from '@/core/plan/due-on'
import { dayInWords } from '@/ui/days'
import { SmallRail } from '@/ui/MarginBar'
import { Silhouette } from '@/ui/Silhouette'
import { say, spokenWord } from '@/core/words'

export interface YardLine {
  readonly id: string
  readonly title: string
  readonly machine: string
  readonly owner: string
  readonly summary: Summary | null
}

function Ticks({ ticks }: Pick<Summary, 'ticks'>) {
  return (
    <svg
      width="150"
      height="20"
      role="img"
      aria-label={say`${ticks.filter((t) => t === 'full').length} of 9 stations filled`}
    >
      {ticks.map((t, i) => (
        <g key={i}>
          <rect x={0.8 + i * 16} y="4" width="10" height="12" fill="none" stroke="var(--ink)" strokeWidth="1.4" />
          {t !== 'empty' && (
            <rect
              x={0.8 + i * 16}
              y={t === 'full' ? 4 : 10}
              width="10"
              height={t === 'full' ? 12 : 6}
              fill="var(--ink)"
            />
          )}
        </g>
      ))}
    </svg>
  )
}

function whenOf({ signedOn, endedOn, promisedOn }: Summary, today: string): string {
  if (signedOn) return say`signed ${dayInWords(signedOn)}`
  if (endedOn) return say`ended ${dayInWords(endedOn)}`
  if (!promisedOn) return say`no day`
  return promisedOn === today ? say`today` : `${promisedOn < today ? say`was due ` : ''}${dayInWords(promisedOn)}`
}

interface Props {
  readonly line: YardLine
  readonly today: string
  readonly onMore: (line: YardLine) => void
}

/** A job as one broad line, and what else can be done with it at its end. */
export function JobLine({ line, today, onMore }: Props) {
  return (
    <div className="yard-row">
      <LineLink line={line} today={today} />
      <button
        type="button"
        className="word-button more"
        aria-label={say`more: ${line.title}`}
        title={say`rename, copy, put away`}
        onClick={() => onMore(line)}
      >
        {say`more`}
      </button>
    </div>
  )
}

function LineLink({ line: { id, title, summary }, today }: Omit<Props, 'onMore'>) {
  if (!summary)
    return (
      <Link href={`/jobs/${id}`} className="yard-line" prefetch={false}>
        <span />
        <span className="title">{title}</span>
      </Link>
    )
  const [due] = dueOn(summary, today)
  return (
    <Link href={`/jobs/${id}`} className="yard-line" prefetch={false}>
      <Silhouette kind={summary.kind} />
      <span>
        <span className="title">{title}</span>
        <span className="soft d-block">{summary.about}</span>
        <span className="soft d-block mb-2 small">{summary.complaint}</span>
        <Ticks ticks={summary.ticks} />
      </span>
      <SmallRail
        margins={summary.margins}
        says={summary.margins.map((m) => `${m.name} ${spokenWord(m.verdict)}`).join(', ')}
      />
      <span>
        <span className="d-block fs-6">{summary.worst}</span>
        <span className="soft">{due ?? summary.next}</span>
      </span>
      <span className="condensed fs-5 text-end">{whenOf(summary, today)}</span>
    </Link>
  )
}
