'use client'

import Button from 'react-bootstrap/Button'
import {
  bandInWords,
  contradictionInWords,
  heatInWords,
  lookInWords,
  quantityIn,
  type SeenLine,
  seenInWords,
  seenLines,
  silentInWords,
} from '@/core/evidence/words'
import { doubtSeen, fieldsOf, type Job, removeObservation } from '@/core/job'
import type { Look } from '@/core/margins'
import type { StationProps } from '../station'
import { NoteForm } from './NoteForm'
import { begun, readNoting } from './noting'
import { useKept } from './use-kept'
import { say } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now' | 'evaluation' | 'goTo'>

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
const labelIn = (job: Job) => (address: string) => fieldsOf(job).get(address)?.label ?? say`a reading`

/** What it comes to: apart, still to be weighed, agreeing or not, each in words and with its own mark. */
function standing({ seen, result, doubted }: SeenLine, job: Job): { readonly mark: string; readonly words: string } {
  if (doubted) return { mark: '–', words: say`doubted: nothing is told from it` }
  if (!result) return { mark: '…', words: say`being weighed` }
  if (result.apart) return { mark: '–', words: say`nothing is told from it: ${result.apart}` }
  const predicted = result.predicted ? say`predicted ${bandInWords(quantityIn(seen), result.predicted, job.units)}` : ''
  return result.agrees
    ? { mark: '✓', words: say`agrees; ${predicted}` }
    : { mark: '✗', words: say`does not agree; ${predicted}` }
}

function Line({ line, job, settle, goTo }: { readonly line: SeenLine } & Pick<Props, 'job' | 'settle' | 'goTo'>) {
  const { mark, words } = standing(line, job)
  const name = seenInWords(line.seen, job.units)
  return (
    <li className={line.doubted ? 'doubted' : ''}>
      <span aria-hidden="true" className="seen-mark">
        {mark}
      </span>
      <span>
        {line.id === 'complaint' ? say`The complaint: ` : ''}
        {name}
        <span className="soft small d-block">{words}</span>
      </span>
      {line.seen.kind === 'proved' ? (
        <Button size="sm" variant="outline-dark" aria-label={say`Its proof: ${name}`} onClick={() => goTo('prove')}>
          {say`its proof`}
        </Button>
      ) : (
        <Doubts line={line} name={name} settle={settle} />
      )}
    </li>
  )
}

/** It can be doubted, and taken out again. */
function Doubts({ line, name, settle }: { readonly line: SeenLine; readonly name: string } & Pick<Props, 'settle'>) {
  return (
    <span className="d-flex gap-1">
      <Button
        size="sm"
        variant="outline-dark"
        aria-pressed={line.doubted}
        aria-label={`${line.doubted ? say`Count again` : say`Doubt`}: ${name}`}
        onClick={() => settle((j) => doubtSeen(j, line.id, !line.doubted))}
      >
        {line.doubted ? say`count again` : say`doubt`}
      </Button>
      {line.id !== 'complaint' && (
        <Button
          size="sm"
          variant="outline-dark"
          aria-label={say`Take out: ${name}`}
          onClick={() => settle((j) => removeObservation(j, line.id))}
        >
          {say`take out`}
        </Button>
      )}
    </span>
  )
}

function Next({
  job,
  evaluation,
  onTake,
}: Pick<Props, 'job' | 'evaluation'> & { readonly onTake: (look: Look) => void }) {
  const looks = evaluation.next ?? []
  if (!looks.length) return null
  const marginName = (id: string): string => evaluation.margins.find((m) => m.id === id)?.name ?? id
  return (
    <>
      <h2 className="mt-2">{say`What to look at next`}</h2>
      <ul className="looks">
        {looks.map((look, i) => (
          <li key={`${look.kind} ${look.address ?? look.work}`}>
            <span>{capital(lookInWords(look, labelIn(job), marginName(look.margin)))}.</span>
            {look.kind !== 'reading' && (
              <Button size="sm" variant={i === 0 ? 'primary' : 'outline-dark'} onClick={() => onTake(look)}>
                {say`Take it`}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </>
  )
}

/** What the machine already told: what was seen, what it tells, what does not agree, what to look at next. */
export function EvidenceStrip({ job, settle, now, evaluation, goTo }: Props) {
  const [kept, keep] = useKept('note')
  const note = readNoting(kept)
  const look = (note && evaluation.next?.find((l) => l.kind === note.kind && l.work === note.work)) ?? null
  const lines = seenLines(job, evaluation.evidence ?? [])
  const silent = silentInWords(job)
  return (
    <section className="evidence" aria-label={say`What was seen`}>
      <h2>{say`What was seen`}</h2>
      {heatInWords(job, evaluation.heat ?? []).map((s) => (
        <p key={s} className="say say-holds">
          {s}
        </p>
      ))}
      {silent && <p className="soft small">{silent}</p>}
      {evaluation.contradiction && (
        <div className="say say-short" role="alert">
          {contradictionInWords(job, evaluation.contradiction, labelIn(job)).map((s) => (
            <p key={s} className="mb-1">
              {s}
            </p>
          ))}
          <Button size="sm" variant="outline-dark" onClick={() => goTo('measure')}>
            {say`Look at the readings`}
          </Button>
        </div>
      )}
      {lines.length === 0 ? (
        <p className="soft small mb-1">
          {say`Nothing yet. Say when the complaint shows, or note what was seen: it narrows what the readings leave
            open.`}
        </p>
      ) : (
        <ul className="seen-lines">
          {lines.map((line) => (
            <Line key={line.id} line={line} job={job} settle={settle} goTo={goTo} />
          ))}
        </ul>
      )}
      {note ? (
        <NoteForm
          job={job}
          settle={settle}
          now={now}
          note={note}
          look={look}
          onChange={(next) => keep(next === null ? null : JSON.stringify(next))}
        />
      ) : (
        <>
          <Next job={job} evaluation={evaluation} onTake={(taken) => keep(JSON.stringify(begun(job, taken)))} />
          <Button variant="outline-dark" className="mt-1" onClick={() => keep(JSON.stringify(begun(job, null)))}>
            {say`Note something seen`}
          </Button>
        </>
      )}
    </section>
  )
}
