'use client'

import { useEffect, useState } from 'react'
import { dayInWords, longDayInWords } from '@/ui/days'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { persistently } from '@/ui/persistently'
import type { Summary } from '@/core/plan'
import { dueOn } from '@/core/plan/due-on'
import { FindButton } from '@/ui/Find'
import { HatchDefinitions, SmallRail } from '@/ui/MarginBar'
import { Silhouette } from '@/ui/Silhouette'
import { ThemeButton } from '@/ui/ThemeButton'
import { BringIn } from './BringIn'

const StartJob = dynamic(() => persistently(() => import('./StartJob')).then((m) => m.StartJob), { ssr: false })

export interface YardLine {
  readonly id: string
  readonly title: string
  readonly summary: Summary | null
}

interface Props {
  readonly lines: readonly YardLine[]
  readonly today: string
  readonly open: number
  readonly total: number
  /** the first line shown, and how many a page holds */
  readonly from: number
  readonly page: number
  readonly machines: readonly string[]
  readonly due: readonly { readonly id: string; readonly title: string; readonly what: string }[]
  readonly promised: readonly { readonly id: string; readonly title: string; readonly promisedOn: string }[]
}

function Ticks({ ticks }: Pick<Summary, 'ticks'>) {
  return (
    <svg
      width="150"
      height="20"
      role="img"
      aria-label={`${ticks.filter((t) => t === 'full').length} of 9 stations filled`}
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
  if (signedOn) return `signed ${dayInWords(signedOn)}`
  if (endedOn) return `ended ${dayInWords(endedOn)}`
  if (!promisedOn) return 'no day'
  return promisedOn === today ? 'today' : `${promisedOn < today ? 'was due ' : ''}${dayInWords(promisedOn)}`
}

function JobLine({ line: { id, title, summary }, today }: { readonly line: YardLine; readonly today: string }) {
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
      <SmallRail margins={summary.margins} says={summary.margins.map((m) => `${m.name} ${m.verdict}`).join(', ')} />
      <span>
        <span className="d-block fs-6">{summary.worst}</span>
        <span className="soft">{due ?? summary.next}</span>
      </span>
      <span className="condensed fs-5 text-end">{whenOf(summary, today)}</span>
    </Link>
  )
}

/** Every job as one broad line, what is due beside them. */
export function Yard({ lines, today, open, total, from, page, machines, due, promised }: Props) {
  const [starting, setStarting] = useState(false)
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  return (
    <>
      <HatchDefinitions />
      <header className="masthead">
        <span className="wordmark">PYRAXIS</span>
        <h1>Tarn Yard</h1>
        <span className="under">
          {total === 0
            ? 'no job yet'
            : `${open} open ${open === 1 ? 'job' : 'jobs'}${due.length ? `, ${due.length} due` : ''}`}
        </span>
        <span className="right">
          <FindButton />
          <Link href="/day" prefetch={false}>
            Day
          </Link>
          <Link href="/shelf" prefetch={false}>
            Shelf
          </Link>
          <ThemeButton />
        </span>
      </header>
      <div className="yard">
        <main>
          {total === 0 && (
            <div className="py-5" style={{ maxWidth: 520 }}>
              <h2>The yard is empty</h2>
              <p>
                Start a job for the first machine: say what kind it is, and everything that can be guessed about it
                stands there as <em>typical</em> until you know better. A file from another yard can be brought in, too.
              </p>
            </div>
          )}
          {lines.map((line) => (
            <JobLine key={line.id} line={line} today={today} />
          ))}
          {total > page && (
            <nav aria-label="Pages of the yard" className="d-flex gap-4 pt-3">
              {from > 0 && (
                <Link href={`/?from=${Math.max(0, from - page)}`} prefetch={false}>
                  Earlier lines
                </Link>
              )}
              <span className="soft">
                {from + 1} to {Math.min(total, from + page)} of {total}
              </span>
              {from + page < total && (
                <Link href={`/?from=${from + page}`} prefetch={false}>
                  Further lines
                </Link>
              )}
            </nav>
          )}
          <p className="pt-3 mb-0 d-flex flex-wrap gap-4">
            <Link href="/fault" prefetch={false}>
              A fan that does not do as it should
            </Link>
            <Link href="/practice" prefetch={false}>
              Practice
            </Link>
          </p>
          <p className="pt-3 d-flex flex-wrap gap-4 align-items-start">
            <button type="button" className="word-button condensed fs-5" onClick={() => setStarting(true)}>
              Start a job
            </button>
            <BringIn />
            {total > 0 && (
              <a className="word-link" href="/api/export">
                Take all jobs out as a file
              </a>
            )}
          </p>
        </main>
        <aside aria-label="Due">
          <h2 suppressHydrationWarning>{longDayInWords(today)}</h2>
          {due.length === 0 && promised.length === 0 && <p className="soft">Nothing is due today.</p>}
          {promised.map((l) => (
            <p key={l.id} className="border-top pt-2 mb-2">
              <Link href={`/jobs/${l.id}`} prefetch={false}>
                {l.title}
              </Link>
              : promised {l.promisedOn === today ? 'for today' : `for ${dayInWords(l.promisedOn)}`}
            </p>
          ))}
          {due.map((d) => (
            <p key={d.id + d.what} className="border-top pt-2 mb-2">
              <Link href={`/jobs/${d.id}?station=after`} prefetch={false}>
                {d.title}
              </Link>
              : {d.what}
            </p>
          ))}
        </aside>
      </div>
      {starting && <StartJob machines={machines} onHide={() => setStarting(false)} />}
    </>
  )
}
