'use client'

import { Fragment, useEffect, useState } from 'react'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { dayInWords, longDayInWords } from '@/ui/days'
import { FindButton } from '@/ui/Find'
import { HatchDefinitions } from '@/ui/MarginBar'
import { persistently } from '@/ui/persistently'
import { ThemeButton } from '@/ui/ThemeButton'
import type { Workshop } from '../workshop/SaysOfItself'
import { BringIn } from './BringIn'
import { keepPages } from './keep-pages'
import { JobLine, type YardLine } from './JobLine'
import type { PutAway } from './LineDialog'
import { addressOf, type Looking } from './address'
import { type KindName, YardBar } from './YardBar'
import { say } from '@/core/words'

const EmptyYard = dynamic(() => persistently(() => import('./EmptyYard')).then((m) => m.EmptyYard))
const StartJob = dynamic(() => persistently(() => import('./StartJob')).then((m) => m.StartJob), { ssr: false })
const LineDialog = dynamic(() => persistently(() => import('./LineDialog')).then((m) => m.LineDialog), { ssr: false })
const Undo = dynamic(() => persistently(() => import('./LineDialog')).then((m) => m.Undo), { ssr: false })

interface Props {
  readonly lines: readonly YardLine[]
  readonly today: string
  readonly workshop: Pick<Workshop, 'name' | 'units' | 'heightM'>
  /** open jobs in the yard, and all that the view shows */
  readonly open: number
  readonly total: number
  readonly looking: Looking
  readonly kinds: readonly KindName[]
  /** others are let in over the network */
  readonly network: boolean
  /** how many lines a page holds */
  readonly page: number
  /** jobs with something due, of which the first are listed */
  readonly dueInAll: number
  readonly due: readonly { readonly id: string; readonly title: string; readonly what: string }[]
  readonly promised: readonly { readonly id: string; readonly title: string; readonly promisedOn: string }[]
}

/** What stands between two lines where a view has them by machine or owner. */
const groupOf = (line: YardLine, { sort }: Looking): string | null => {
  if (sort === 'machine') return line.machine
  return sort === 'owner' ? line.owner || say`no owner named` : null
}

function Pages({ looking, page, total }: Pick<Props, 'looking' | 'page' | 'total'>) {
  const { from } = looking
  if (total <= page) return null
  const last = Math.floor((total - 1) / page) * page
  const to = (at: number): string => addressOf({ ...looking, from: at })
  return (
    <nav aria-label={say`Pages of the yard`} className="d-flex flex-wrap gap-4 pt-3">
      {from > 0 && (
        <>
          <Link href={to(0)} prefetch={false}>
            {say`First`}
          </Link>
          <Link href={to(Math.max(0, from - page))} prefetch={false}>
            {say`Earlier lines`}
          </Link>
        </>
      )}
      <span className="soft">
        {say`${from + 1} to ${Math.min(total, from + page)} of ${total}, page ${Math.floor(from / page) + 1} of
          ${Math.ceil(total / page)}`}
      </span>
      {from + page < total && (
        <>
          <Link href={to(from + page)} prefetch={false}>
            {say`Further lines`}
          </Link>
          <Link href={to(last)} prefetch={false}>
            {say`Last`}
          </Link>
        </>
      )}
    </nav>
  )
}

function Aside({ today, due, promised, dueInAll }: Pick<Props, 'today' | 'due' | 'promised' | 'dueInAll'>) {
  const more = dueInAll - new Set(due.map((d) => d.id)).size
  return (
    <aside aria-label={say`Due`}>
      <h2 suppressHydrationWarning>{longDayInWords(today)}</h2>
      {due.length === 0 && promised.length === 0 && <p className="soft">{say`Nothing is due today.`}</p>}
      {promised.map((l) => (
        <p key={l.id} className="border-top pt-2 mb-2">
          <Link href={`/jobs/${l.id}`} prefetch={false}>
            {l.title}
          </Link>
          {say`: promised ${l.promisedOn === today ? say`for today` : say`for ${dayInWords(l.promisedOn)}`}`}
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
      {more > 0 && (
        <p className="border-top pt-2">
          {say`and ${more} more:`}{' '}
          <Link href="/?sort=due" prefetch={false}>
            {say`all by what is due`}
          </Link>
        </p>
      )}
    </aside>
  )
}

/** open jobs that a device keeps for later */
const KEPT_JOBS = 12

/** The yard, its first open jobs and the shelf can be opened on this device when the server is away. */
function useKeptPages(lines: readonly YardLine[]): void {
  const open = lines.filter((l) => l.summary && !l.summary.signedOn && !l.summary.endedOn).slice(0, KEPT_JOBS)
  const wanted = ['/', '/shelf', '/day', ...open.map((l) => `/jobs/${l.id}`)].join(' ')
  useEffect(() => {
    let here = true
    const idle = window.requestIdleCallback ?? ((then: () => void) => window.setTimeout(then, 2000))
    idle(() => void keepPages(wanted.split(' '), () => here).catch(() => null))
    return () => {
      here = false
    }
  }, [wanted])
}

const nothing = (looking: Looking): string => {
  if (looking.show === 'archived') return say`Nothing is archived.`
  if (looking.show === 'deleted') return say`Nothing was deleted in the last 30 days.`
  return say`No job is so. Show all of them, or write other letters.`
}

/** Every job as one broad line, what is due beside them. */
export function Yard(props: Props) {
  const { lines, today, workshop, open, total, looking, page, dueInAll } = props
  const [starting, setStarting] = useState(false)
  const [chosen, setChosen] = useState<YardLine | null>(null)
  const [gone, setGone] = useState<PutAway | null>(null)
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  useKeptPages(lines)
  const empty = total === 0 && looking.show === 'all' && !looking.text && !looking.kind
  return (
    <>
      <HatchDefinitions />
      <header className="masthead yard-head">
        <span className="wordmark">PYRAXIS</span>
        <h1>{workshop.name}</h1>
        <span className="under">
          {empty
            ? say`no job yet`
            : say`${open} open ${open === 1 ? say`job` : say`jobs`}${dueInAll ? say`, ${dueInAll} due` : ''}`}
        </span>
        <span className="right">
          <button type="button" className="start-job" onClick={() => setStarting(true)}>
            {say`Start a job`}
          </button>
          <FindButton />
          <Link href="/day" prefetch={false}>
            {say`Day`}
          </Link>
          <Link href="/shelf" prefetch={false}>
            {say`Shelf`}
          </Link>
          <Link href="/workshop" prefetch={false}>
            {say`Workshop`}
          </Link>
          <ThemeButton />
        </span>
      </header>
      <div className="yard">
        <main>
          {empty ? <EmptyYard /> : <YardBar looking={looking} kinds={props.kinds} />}
          {gone && <Undo {...gone} onEnd={() => setGone(null)} />}
          {!empty && total === 0 && <p className="soft py-3">{nothing(looking)}</p>}
          {lines.map((line, i) => {
            const group = groupOf(line, looking)
            return (
              <Fragment key={line.id}>
                {group !== null && (i === 0 || groupOf(lines[i - 1]!, looking) !== group) && (
                  <h2 className="yard-group">{group}</h2>
                )}
                <JobLine line={line} today={today} onMore={setChosen} />
              </Fragment>
            )
          })}
          <Pages looking={looking} page={page} total={total} />
          <p className="pt-3 mb-0 d-flex flex-wrap gap-4">
            <Link href="/fault" prefetch={false}>
              {say`A fan that does not do as it should`}
            </Link>
            <Link href="/fits" prefetch={false}>
              {say`What fits what`}
            </Link>
            <Link href="/practice" prefetch={false}>
              {say`Practice`}
            </Link>
          </p>
          <p className="pt-3 d-flex flex-wrap gap-4 align-items-start">
            <BringIn />
            {!empty && (
              <a className="word-link" href="/api/export">
                {say`Take all jobs out as a file`}
              </a>
            )}
          </p>
        </main>
        <Aside {...props} />
      </div>
      {starting && <StartJob workshop={workshop} onHide={() => setStarting(false)} />}
      {chosen && (
        <LineDialog
          line={chosen}
          putAway={looking.show === 'archived' || looking.show === 'deleted'}
          network={props.network}
          onHide={() => setChosen(null)}
          onGone={setGone}
        />
      )}
    </>
  )
}
