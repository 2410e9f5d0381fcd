'use client'

import { useEffect, useRef, useState } from 'react'
import { format, parseISO } from 'date-fns'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import type { MachineKind, MarginResult } from '@/core/job'
import { HatchDefinitions, SmallRail } from '@/ui/MarginBar'
import { Silhouette } from '@/ui/Silhouette'
import { StartJob } from './StartJob'

export interface YardLine {
  readonly id: string
  readonly title: string
  readonly kind: MachineKind
  readonly complaint: string
  readonly promisedOn: string | null
  readonly signedOn: string | null
  readonly margins: readonly Pick<MarginResult, 'id' | 'name' | 'verdict' | 'x' | 'xWorst' | 'xBest'>[]
  readonly worst: string
  readonly next: string
  readonly ticks: readonly ('full' | 'begun' | 'empty')[]
  readonly due: readonly string[]
}

const day = (iso: string): string => format(parseISO(iso), 'EEE d MMM')

function Ticks({ ticks }: Pick<YardLine, 'ticks'>) {
  return (
    <svg width="150" height="20" role="img" aria-label={`${ticks.filter((t) => t === 'full').length} of 9 stations filled`}>
      {ticks.map((t, i) => (
        <g key={i}>
          <rect x={0.8 + i * 16} y="4" width="10" height="12" fill="none" stroke="var(--ink)" strokeWidth="1.4" />
          {t !== 'empty' && <rect x={0.8 + i * 16} y={t === 'full' ? 4 : 10} width="10" height={t === 'full' ? 12 : 6} fill="var(--ink)" />}
        </g>
      ))}
    </svg>
  )
}

function JobLine({ line, today }: { readonly line: YardLine; readonly today: string }) {
  const when = line.signedOn ? `signed ${day(line.signedOn)}` : line.promisedOn ? (line.promisedOn === today ? 'today' : `${line.promisedOn < today ? 'was due ' : ''}${day(line.promisedOn)}`) : 'no day'
  return (
    <Link href={`/jobs/${line.id}`} className="yard-line" prefetch={false}>
      <Silhouette kind={line.kind} />
      <span>
        <span className="title">{line.title}</span>
        <span className="soft d-block mb-2">{line.complaint}</span>
        <Ticks ticks={line.ticks} />
      </span>
      <SmallRail margins={line.margins} says={line.margins.map((m) => `${m.name} ${m.verdict}`).join(', ')} />
      <span><span className="d-block fs-6">{line.worst}</span><span className="soft">{line.next}</span></span>
      <span className="condensed fs-5 text-end">{when}</span>
    </Link>
  )
}

/** Brings a job file in; what cannot be read is told beside the button. */
function BringIn() {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const bring = async (file: File): Promise<void> => {
    setTrouble(null)
    try {
      const answer = await fetch('/api/import', { method: 'POST', body: await file.text() })
      const { id, message } = (await answer.json()) as { id?: string; message?: string }
      if (id) router.push(`/jobs/${id}`)
      else setTrouble(`${file.name}: ${message ?? 'it was not taken.'}`)
    } catch {
      setTrouble(`${file.name} could not be handed over. Is Pyraxis still running?`)
    }
  }
  return (
    <>
      <button type="button" className="word-button" onClick={() => input.current?.click()}>Bring in a job file</button>
      <input ref={input} type="file" accept=".json,application/json" className="visually-hidden" tabIndex={-1} aria-label="Job file" onChange={(e) => {
        const file = e.target.files?.[0]
        if (file) void bring(file)
        e.target.value = ''
      }} />
      {trouble && <p className="say say-short" role="alert">{trouble}</p>}
    </>
  )
}

export function Yard({ lines, today, machines }: { readonly lines: readonly YardLine[]; readonly today: string; readonly machines: readonly string[] }) {
  const [starting, setStarting] = useState(false)
  const due = lines.flatMap((l) => l.due.map((what) => ({ id: l.id, title: l.title, what })))
  const promised = lines.filter((l) => l.signedOn === null && l.promisedOn !== null && l.promisedOn <= today)
  const open = lines.filter((l) => l.signedOn === null).length
  useEffect(() => { document.documentElement.dataset.ready = 'yes' }, [])
  return (
    <>
      <HatchDefinitions />
      <header className="masthead">
        <span className="wordmark">PYRAXIS</span>
        <h1>Tarn Yard</h1>
        <span className="under">{lines.length === 0 ? 'no job yet' : `${open} open ${open === 1 ? 'job' : 'jobs'}${due.length ? `, ${due.length} due` : ''}`}</span>
      </header>
      <div className="yard">
        <main>
          {lines.length === 0 && (
            <div className="py-5" style={{ maxWidth: 520 }}>
              <h2>The yard is empty</h2>
              <p>Start a job for the first machine: say what kind it is, and everything that can be guessed about it stands there as <em>typical</em> until you know better.</p>
            </div>
          )}
          {lines.map((line) => <JobLine key={line.id} line={line} today={today} />)}
          <p className="pt-3 d-flex flex-wrap gap-4">
            <button type="button" className="word-button condensed fs-5" onClick={() => setStarting(true)}>Start a job</button>
            <BringIn />
          </p>
        </main>
        <aside aria-label="Due">
          <h2 suppressHydrationWarning>{format(parseISO(today), 'EEEE d MMMM')}</h2>
          {due.length === 0 && promised.length === 0 && <p className="soft">Nothing is due today.</p>}
          {promised.map((l) => <p key={l.id} className="border-top pt-2 mb-2"><Link href={`/jobs/${l.id}`} prefetch={false}>{l.title}</Link>: promised {l.promisedOn === today ? 'for today' : `for ${day(l.promisedOn!)}`}</p>)}
          {due.map((d) => <p key={d.id + d.what} className="border-top pt-2 mb-2"><Link href={`/jobs/${d.id}?station=after`} prefetch={false}>{d.title}</Link>: {d.what}</p>)}
        </aside>
      </div>
      {starting && <StartJob machines={machines} onHide={() => setStarting(false)} />}
    </>
  )
}
