'use client'

import { useMemo, useState } from 'react'
import Button from 'react-bootstrap/Button'
import {
  areasOf,
  type Found,
  type Move,
  seekingWaitsFor,
  type Standing,
  standingOf,
  type Table,
  within,
} from '@/core/diagnose'
import { beginSearch, dropSearch, endSearch, noteFound, openSearch, type Search, takeFoundBack } from '@/core/job'
import { Coming } from '@/ui/persistently'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { Complaint } from './Complaint'
import { EndSearch } from './EndSearch'
import { NextMove } from './NextMove'
import { Ranking } from './Ranking'
import { Readings } from './Readings'
import { shareInWords } from './say'
import { usePairs, useTable } from './use-search'
import { Day } from '@/ui/Day'
import { say } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

/** How far it has come, in a sentence. */
function Come({ standing, paired }: { readonly standing: Standing; readonly paired: boolean }) {
  const best = standing.ranked[0]!
  switch (standing.word) {
    case 'nothing seen':
      return <p className="say">{say`Say above what it does; then the next move is told here.`}</p>
    case 'likely':
      return (
        <p className="say say-holds">
          {say`Most likely, ${shareInWords(best.share)}: ${best.cause.words}. Look there; it is proved once it is put
            right.`}
        </p>
      )
    case 'alike':
      return (
        <p className="say say-unsure">
          {say`What is left cannot be told apart from outside: look at them one by one, from the top.`}
        </p>
      )
    case 'contradicts':
      return (
        <p className="say say-short">
          {paired
            ? say`No one thing alone makes all of this, and no two together.`
            : say`No one thing alone makes all of this. Two at once are being looked through.`}{' '}
          {standing.doubt
            ? say`One of the answers would have to be wrong: it is marked.`
            : say`Measure again from the fuse on.`}
        </p>
      )
    case 'seeking':
      return (
        <p className="say">
          {say`${
            standing.left === 1 ? say`One cause makes` : say`${standing.left} causes make`
          } all of this. The likeliest, ${shareInWords(best.share)}: ${best.cause.words}.`}
        </p>
      )
  }
}

/** A search under way: what was seen, what to do next, what it may be, and its end. */
function Under({ job, settle, now, search, whole }: Props & { readonly search: Search; readonly whole: Table }) {
  const { full, take } = useTaken({ job, settle })
  const [skipped, setSkipped] = useState<readonly string[]>([])
  // until all of it is said; a search that is taken up again begins with its next move
  const [telling, setTelling] = useState(search.found.every((f) => f.typed !== ''))
  const { found } = search
  const single = useMemo(() => within(whole, areasOf(whole, found)), [whole, found])
  const alone = useMemo(() => standingOf(single, found), [single, found])
  const paired = usePairs(job, whole, found, alone.word === 'contradicts')
  const table = useMemo(() => (paired ? within(paired, areasOf(paired, found)) : single), [paired, single, found])
  const standing = useMemo(() => (paired ? standingOf(table, found) : alone), [paired, table, found, alone])
  const next = standing.next.find((p) => !skipped.includes(p.move.id))
  const find = (found: Found, typed: string): void => {
    const at = now().toISOString()
    take((j) => noteFound(j, search.id, { ...found, typed }, at))
  }
  return (
    <>
      <Complaint
        table={whole}
        found={search.found}
        open={telling}
        onOpen={setTelling}
        onSay={(move, found) =>
          found === null ? settle((j) => takeFoundBack(j, search.id, move.id)) : find({ move: move.id, found }, '')
        }
      />
      {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
      <div aria-live="polite">
        <Come standing={standing} paired={paired !== null} />
      </div>
      {next && standing.word !== 'nothing seen' && (
        <NextMove
          table={table}
          standing={standing}
          units={job.units}
          at={next}
          still={telling}
          onFind={find}
          onSkip={(move: Move) => setSkipped([...skipped, move.id])}
        />
      )}
      {search.found.length > 0 && (
        <>
          <Readings
            table={table}
            search={search}
            units={job.units}
            doubt={standing.word === 'contradicts' ? standing.doubt : null}
            onTakeBack={(move) => settle((j) => takeFoundBack(j, search.id, move))}
          />
          <Ranking table={table} found={search.found} standing={standing} units={job.units} />
          <EndSearch
            key={search.id}
            table={table}
            standing={standing}
            search={search}
            units={job.units}
            now={now}
            onEnd={(ended) => settle((j) => endSearch(j, search.id, ended))}
          />
        </>
      )}
      <button type="button" className="word-button soft mt-3" onClick={() => settle((j) => dropSearch(j, search.id))}>
        {say`drop this search`}
      </button>
    </>
  )
}

/** Searches that have ended: what it was, and how it was put right. */
function Ended({ searches }: { readonly searches: readonly Search[] }) {
  const ended = searches.filter((s) => s.ended !== null)
  if (!ended.length) return null
  return (
    <section aria-label={say`Found before`}>
      <h3 className="mt-3">{say`Found before`}</h3>
      {ended.map(({ id, ended: e }) => (
        <p key={id} className="mb-1">
          <Day at={e!.at} />: {e!.words}. {e!.repair} ({e!.by}). <span className="soft">{e!.proof}</span>
        </p>
      ))}
    </section>
  )
}

/** From what is seen to what is wrong, by the moves that settle most for the least time and danger. */
export function Fault(props: Props) {
  const { job, settle, now } = props
  const waits = seekingWaitsFor(job)
  const search = openSearch(job)
  const { table, share, message } = useTable(job)
  const { full, take } = useTaken({ job, settle })
  if (waits) return <p className="say">{say`Nothing can be sought yet: ${waits}.`}</p>
  if (message) return <p className="say say-short">{message}</p>
  return (
    <>
      <h2>{say`Find the fault`}</h2>
      {search && !table && (
        <>
          <p className="small soft">{say`Every fault is put into the circuit: ${Math.round(share * 100)} % done.`}</p>
          <Coming height={240} />
        </>
      )}
      {search && table && <Under {...props} search={search} whole={table} />}
      {!search && (
        <>
          <p>
            {say`Say what it does. Each cause is put into this very circuit and machine; what it would show decides
              what to look at next, the quick and safe things first.`}
          </p>
          <Button
            variant="dark"
            onClick={() => {
              const at = now().toISOString()
              take((j) => beginSearch(j, [], at))
            }}
          >
            {say`Begin a search`}
          </Button>
          {full && <p className="say say-short">{say`It cannot be begun: ${full}.`}</p>}
        </>
      )}
      <Ended searches={job.searches} />
    </>
  )
}
