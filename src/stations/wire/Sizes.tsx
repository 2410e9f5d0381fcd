'use client'

import Button from 'react-bootstrap/Button'
import Table from 'react-bootstrap/Table'
import { breakerOrFuse, comparedFuses, comparedSizes, holdingFuse, holdingSize } from '@/core/advice'
import { changeFuse, changeSizes, type Job } from '@/core/job'
import { format, nearestInOtherSystem, plainNumber } from '@/core/units'
import type { StationProps } from '../station'
import { Sideways } from '@/ui/Sideways'
import { say, spokenWord } from '@/core/words'

const fuseOf = (job: Job, n: number): Job['fuses'][number] | undefined =>
  job.fuses.find((f) => f.id === job.runs[n]!.fuse)
const ofFan = (job: Job, n: number): string => (job.runs.length > 1 ? say` of fan ${n + 1}` : '')

/** what stands against a size or a rating, in a few words */
const faults = (list: readonly (readonly [boolean, string])[]): string =>
  list.flatMap(([fine, words]) => (fine ? [] : [words])).join(', ')

/** The end of a row: it is in use, or a press takes it. */
function Take(props: {
  readonly used: boolean
  /** what the press does, where it is heard without its row */
  readonly says: string
  readonly onTake: () => void
  readonly children: string
}) {
  return (
    <td className="text-end">
      {props.used ? (
        <span className="fw-medium">{say`in use`}</span>
      ) : (
        <Button size="sm" variant="outline-dark" aria-label={props.says} onClick={props.onTake}>
          {props.children}
        </Button>
      )}
    </td>
  )
}

type Sized = ReturnType<typeof comparedSizes>[number]

/** One size: what stands for and against it, and a press to use it. */
function SizeRow({
  job,
  settle,
  n,
  row: r,
  proposed,
}: Pick<StationProps, 'job' | 'settle'> & { readonly n: number; readonly row: Sized; readonly proposed: boolean }) {
  const run = job.runs[n]!
  const used = run.conductors.every((id) => job.conductors.find((c) => c.id === id)?.size === r.size)
  const against = faults([
    [r.carries, say`carries too little`],
    [r.guarded, say`fuse too large for it`],
    [r.dropOk, say`loses too much`],
    [r.strong, say`too weak`],
  ])
  return (
    <tr>
      <td className="figure-text">
        {r.size} <span className="soft small">({nearestInOtherSystem(r.size)})</span>
      </td>
      <td className="figure-text">{format(r.allowedA, 'current', job.units, 3)}</td>
      <td className={`figure-text ${r.dropOk ? '' : 'verdict-short'}`}>{format(r.dropV, 'voltage', job.units, 2)}</td>
      <td className="d-none d-md-table-cell">
        {r.fitsTerminal ? say`fits` : <span className="verdict-short">{say`too thick`}</span>}
      </td>
      <td>
        {r.verdict === 'will do' ? (
          <span className="verdict-holds">{say`will do${proposed ? say`, smallest` : ''}`}</span>
        ) : (
          <span className="verdict-short">{against || spokenWord(r.verdict)}</span>
        )}
      </td>
      <Take
        used={used}
        says={say`Use ${r.size}${ofFan(job, n)}`}
        onTake={() => settle((j) => changeSizes(j, r.size, run.conductors))}
      >
        {say`Use`}
      </Take>
    </tr>
  )
}

/** Every size for the fan's own wires, held against what they must do. */
export function Sizes({ job, settle, n }: Pick<StationProps, 'job' | 'settle'> & { readonly n: number }) {
  const rows = comparedSizes(job, job.units, n)
  if (!rows.length) return <p className="say">{say`Choose the fan first (station 3): its current decides the size.`}</p>
  const choice = holdingSize(job, job.units, n)
  return (
    <>
      <h2>{say`Sizes${ofFan(job, n)}, feed and way back alike`}</h2>
      <Sideways>
        <Table size="sm" className="align-middle">
          <thead>
            <tr>
              <th>{say`size`}</th>
              <th>{say`may carry`}</th>
              <th>{say`loses`}</th>
              <th className="d-none d-md-table-cell">{say`terminal`}</th>
              <th>{say`verdict`}</th>
              <th>
                <span className="visually-hidden">{say`choose`}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <SizeRow
                key={r.size}
                job={job}
                settle={settle}
                n={n}
                row={r}
                proposed={choice.kind !== 'none' && choice.size === r.size}
              />
            ))}
          </tbody>
        </Table>
      </Sideways>
      {choice.kind === 'joint and tail' && (
        <p className="say say-unsure">
          {say`Every size that meets the rest is too thick for the terminal: run ${choice.size} to a joint
            close by, then a short tail${choice.tail ? say` of ${choice.tail}` : ''} into the terminal.`}
        </p>
      )}
      {choice.kind === 'none' && (
        <p className="say say-short">
          {say`No size will do here: shorten the way, lead it through cooler places, or choose a lighter fan.`}
        </p>
      )}
    </>
  )
}

/** One rating: what stands against it, and a press to fit it. */
function FuseRow({
  job,
  settle,
  n,
  row: r,
  proposed,
}: Pick<StationProps, 'job' | 'settle'> & {
  readonly n: number
  readonly row: ReturnType<typeof comparedFuses>[number]
  readonly proposed: boolean
}) {
  const against = faults([
    [r.carries, say`does not carry it`],
    [r.survives, say`wears out`],
    [r.guards, say`does not guard the wire`],
  ])
  const warns = faults([
    [r.fastEdge, say`may open at a start`],
    [r.opensJammed, say`may not open when the fan jams`],
  ])
  return (
    <tr>
      <td className="figure-text">{r.ratingA} A</td>
      <td className="figure-text">{plainNumber(r.wear, 2)}</td>
      <td className="figure-text">
        {Number.isFinite(r.jammedLongestS) ? say`opens in ${plainNumber(r.jammedLongestS, 2)} s` : say`may never open`}
      </td>
      <td>
        {against && <span className="verdict-short">{against}</span>}
        {!against && warns && <span className="verdict-unsure">{warns}</span>}
        {!against && !warns && <span className="verdict-holds">{say`will do${proposed ? say`, smallest` : ''}`}</span>}
      </td>
      <Take
        used={fuseOf(job, n)?.ratingA === r.ratingA}
        says={say`Fit a ${r.ratingA} A fuse${ofFan(job, n)}`}
        onTake={() => settle((j) => changeFuse(j, r.ratingA, undefined, n))}
      >
        {say`Fit`}
      </Take>
    </tr>
  )
}

/** Blade ratings near the answer. */
export function Fuses({ job, settle, n }: Pick<StationProps, 'job' | 'settle'> & { readonly n: number }) {
  const rows = comparedFuses(job, n)
  if (!rows.length) return null
  const proposed = holdingFuse(job, n)
  // the ratings near the answer; those far off only say the same again
  const near = rows
    .filter(
      (r) =>
        r.ratingA === fuseOf(job, n)?.ratingA ||
        r.ratingA === proposed?.ratingA ||
        (r.carries && r.guards) ||
        r.wear < 1.5,
    )
    .slice(0, 7)
  return (
    <>
      <h2 className="mt-3">{say`Blade fuses${ofFan(job, n)}`}</h2>
      <Sideways>
        <Table size="sm" className="align-middle">
          <thead>
            <tr>
              <th>{say`fuse`}</th>
              <th>{say`wear at a start`}</th>
              <th>{say`fan held fast`}</th>
              <th>{say`verdict`}</th>
              <th>
                <span className="visually-hidden">{say`choose`}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {near.map((r) => (
              <FuseRow
                key={r.ratingA}
                job={job}
                settle={settle}
                n={n}
                row={r}
                proposed={proposed?.ratingA === r.ratingA}
              />
            ))}
          </tbody>
        </Table>
      </Sideways>
    </>
  )
}

/** What a fuse and a breaker do here. */
export function BreakerOrFuse({ job, shelf, n }: Pick<StationProps, 'job' | 'shelf'> & { readonly n: number }) {
  const two = breakerOrFuse(job, shelf, n)
  if (!two) return null
  return (
    <details className="unfold">
      <summary>
        <strong>{say`Fuse or breaker${ofFan(job, n)}`}</strong>{' '}
        <span className="soft">{say`what speaks for each`}</span>
      </summary>
      {two.map((g) => (
        <div key={g.what} className="pb-2">
          <span className="fw-medium">
            {spokenWord(g.what)}
            {g.inUse ? say` (in use)` : ''}
          </span>
          <ul className="mb-0">
            {g.speaksFor.map((w) => (
              <li key={w}>{say`for it: ${w}`}</li>
            ))}
            {g.against.map((w) => (
              <li key={w} className={g.inUse ? 'verdict-unsure' : ''}>
                {say`against it: ${w}`}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </details>
  )
}
