'use client'

import { useMemo, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { switchingsOf } from '@/core/circuit'
import { rowOf, type Table, tableOf } from '@/core/diagnose'
import type { Job } from '@/core/job'
import {
  type Act,
  type Came,
  goodPath,
  isAct,
  isOver,
  type Level,
  levels,
  machineOf,
  minutesOf,
  namable,
  played,
  type Round as Played,
  roundOf,
} from '@/core/practice'
import { netlistOf, nodeInWords } from '@/core/wiring'
import { Coming } from '@/ui/persistently'
import { useSteadily } from '@/ui/steadily'
import { useStored } from '@/ui/use-stored'
import { Board } from './Board'
import { Hands } from './Hands'
import { actInWords, cameInWords, minutesInWords, type Names, standsInWords } from './say'
import { fixed } from '@/core/units'
import { say } from '@/core/words'

/** A round that is under way: its seed, and what was done. */
export interface Under {
  readonly seed: string
  readonly level: Level
  readonly acts: readonly Act[]
}
const MOST_ACTS = 200

const isLevel = (text: unknown): text is Level => levels.some((l) => l === text)

/** What was kept of a round; null for what is none. */
export function readUnder(kept: unknown): Under | null {
  if (typeof kept !== 'object' || kept === null) return null
  const { seed, level, acts } = kept as Partial<Record<keyof Under, unknown>>
  return typeof seed === 'string' && isLevel(level) && Array.isArray(acts) && acts.every(isAct)
    ? { seed, level, acts: acts.slice(0, MOST_ACTS) }
    : null
}

/** A round that was ended. */
export interface Past {
  readonly seed: string
  readonly level: Level
  readonly minutes: number
  readonly good: number
  readonly solved: boolean
}

export function readPast(kept: unknown): readonly Past[] | null {
  return Array.isArray(kept)
    ? kept.filter(
        (p): p is Past =>
          typeof p === 'object' &&
          p !== null &&
          isLevel((p as Past).level) &&
          [(p as Past).minutes, (p as Past).good].every((n) => Number.isFinite(n)) &&
          typeof (p as Past).seed === 'string',
      )
    : null
}

interface AtBench {
  readonly job: Job
  readonly table: Table
  readonly round: Played
  readonly acts: readonly Act[]
  readonly onAct: (act: Act) => void
}

/** What was done so far, newest first. */
function Log({ came, names }: { readonly came: readonly Came[]; readonly names: Names }) {
  return (
    <ol className="act-log" reversed aria-label={say`Done so far`}>
      {came
        .map((c, i) => (
          <li key={i}>
            <span>
              {actInWords(c.act, names)}
              {cameInWords(c) && <strong className="fw-medium">: {cameInWords(c)}</strong>}
            </span>
            <span className="figure-text soft">{minutesInWords(c.minutes)}</span>
          </li>
        ))
        .reverse()}
    </ol>
  )
}

const thereWords = {
  always: '',
  shaken: say`, only while the engine shakes it`,
  hot: say`, only while it is hot`,
} as const

/** One's own way beside a short good one. */
function Ways({
  came,
  names,
  table,
  round,
  job,
}: Omit<AtBench, 'acts' | 'onAct'> & { readonly came: readonly Came[]; readonly names: Names }) {
  const good = useMemo(() => goodPath(table, round, rowOf(job, round.cause)), [table, round, job])
  const end = came.at(-1)!
  const words = (id: string, shown: string | number): string => {
    const move = table.moves.find((m) => m.title === id)
    return typeof shown === 'number'
      ? say`${fixed(shown, 1)} V or A`
      : (move?.answers?.find((a) => a.id === shown)?.words ?? shown)
  }
  return (
    <section aria-label={say`How it went`}>
      <p className={`say ${end.solved ? 'say-holds' : 'say-short'}`}>
        {say`${
          end.solved ? say`Found` : say`Over: ${end.harm}`
        } It was: ${round.cause.words}${thereWords[round.there]}. How it comes:
          ${round.cause.why}.`}
      </p>
      <div className="two-ways">
        <div>
          <h2>{say`Your way, ${minutesInWords(minutesOf(came))}`}</h2>
          <ol>
            {came.map((c, i) => (
              <li key={i}>
                {actInWords(c.act, names)} {cameInWords(c) && `: ${cameInWords(c)}`}{' '}
                <span className="soft">{minutesInWords(c.minutes)}</span>
              </li>
            ))}
          </ol>
        </div>
        <div>
          <h2>{say`A short good way, ${minutesInWords(good.minutes)}`}</h2>
          <ol>
            {good.steps.map((s) => (
              <li key={s.title}>
                {s.title}: {words(s.title, s.shown)} <span className="soft">{minutesInWords(s.minutes)}</span>
              </li>
            ))}
            <li>
              {say`name it`} <span className="soft">{minutesInWords(0.5)}</span>
            </li>
          </ol>
        </div>
      </div>
    </section>
  )
}

/** Says what it is. */
function NameIt({ table, round, onAct }: Pick<AtBench, 'table' | 'round' | 'onAct'>) {
  const causes = useMemo(
    () => [...namable(table, round)].sort((a, b) => a.words.localeCompare(b.words)),
    [table, round],
  )
  const [cause, setCause] = useState('')
  return (
    <form
      className="pick-line"
      onSubmit={(e) => {
        e.preventDefault()
        if (cause) onAct({ do: 'name', cause })
      }}
    >
      <Form.Label htmlFor="name-it" className="mb-0">
        {say`It is`}
      </Form.Label>
      <Form.Select id="name-it" value={cause} onChange={(e) => setCause(e.target.value)}>
        <option value="">{say`choose`}</option>
        {causes.map((c) => (
          <option key={c.id} value={c.id}>
            {c.words}
          </option>
        ))}
      </Form.Select>
      <Button type="submit" variant="dark" disabled={!cause}>
        {say`Name it`}
      </Button>
    </form>
  )
}

function AtBench(props: AtBench) {
  const { job, table, round, acts, onAct } = props
  const net = useMemo(() => netlistOf(job), [job])
  const { came, bench } = useMemo(() => played(net, round, acts), [net, round, acts])
  const names: Names = {
    node: (n) => nodeInWords(job, net.nodes, n),
    element: (n) => net.elements.find((e) => e.name === n)?.label ?? n,
  }
  const terminals = [...net.nodes.keys()].map((name) => ({ name, words: names.node(name) }))
  const move = table.moves.find((m) => m.id === round.complaint.move)!
  const said = move.answers!.find((a) => a.id === round.complaint.found)!.words
  const brought = <strong className="fw-medium">{`${move.title}: ${said}.`}</strong>
  const last = [...came].reverse().find((c) => c.act.do === 'meter')
  return (
    <>
      <p className="say">
        {say`${job.machine.name}. It is brought in with:`} {brought}{' '}
        {say`Wired as its sheet says, but for what is wrong.`}
      </p>
      {isOver(came) ? (
        <Ways {...props} came={came} names={names} />
      ) : (
        <>
          <p role="status">
            {say`${standsInWords(bench.conditions, switchingsOf(net))}. ${minutesInWords(minutesOf(came))} so far.`}
            {came.length > 0 && ` ${actInWords(came.at(-1)!.act, names)}: ${cameInWords(came.at(-1)!) || say`done`}.`}
          </p>
          <div className="practice-bench">
            <div>
              <Hands
                net={net}
                bench={bench}
                names={names}
                cooled={job.cooling !== null}
                terminals={terminals}
                onAct={onAct}
              />
            </div>
            <div>
              <Board
                terminals={terminals}
                shown={last ? cameInWords(last) : ''}
                onRead={(red, black) => onAct({ do: 'meter', red, black })}
              />
              <h2 className="mt-3">{say`Name it`}</h2>
              <NameIt table={table} round={round} onAct={onAct} />
              <Log came={came} names={names} />
            </div>
          </div>
        </>
      )}
    </>
  )
}

/** A round by its seed and level, played on one of the machines; what was done outlives a closed page. */
export function Round({
  jobs,
  under,
  onActs,
  onEnd,
}: {
  readonly jobs: readonly Job[]
  readonly under: Under
  readonly onActs: (acts: readonly Act[]) => void
  readonly onEnd: (past: Past) => void
}) {
  const { seed, level, acts } = under
  const machine = machineOf(seed, level, jobs.length)
  const job = jobs[machine]!
  const { value: table, share } = useSteadily(`${machine}`, () => tableOf(job))
  const round = useMemo(
    () => table && roundOf(table, { seed, level, machine }, (cause) => rowOf(job, cause)),
    [table, seed, level, machine, job],
  )
  if (!table)
    return (
      <>
        <p className="soft">{say`The bench is being laid out: ${Math.round(share * 100)} %.`}</p>
        <Coming height={300} />
      </>
    )
  if (!round)
    return <p className="say">{say`Nothing of this machine can be hidden at that level: take another seed.`}</p>
  const act = (next: Act): void => {
    const all = [...acts, next].slice(0, MOST_ACTS)
    onActs(all)
    const { came } = played(netlistOf(job), round, all)
    if (!isOver(came)) return
    const good = goodPath(table, round, rowOf(job, round.cause))
    onEnd({ seed, level, minutes: minutesOf(came), good: good.minutes, solved: came.at(-1)!.solved })
  }
  return <AtBench job={job} table={table} round={round} acts={acts} onAct={act} />
}

export const useUnder = () => useStored('pyraxis-practice-round', readUnder)
export const usePast = () => useStored('pyraxis-practice-past', readPast)
