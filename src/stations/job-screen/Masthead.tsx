'use client'

import Link from 'next/link'
import type { Job } from '@/core/job'
import { complaintInWords } from '@/core/plan'
import { say } from '@/core/words'
import { FindButton } from '@/ui/Find'
import { ThemeButton } from '@/ui/ThemeButton'
import { SavedMark, SaveTrouble } from './SavedMark'
import { NotTaken } from './SaveNotes'
import type { JobDocument } from './use-job-document'

interface Props {
  readonly id: string
  readonly job: Job
  readonly doc: Pick<JobDocument, 'state' | 'steps' | 'notTaken'>
  /** what the last step back or forward has changed */
  readonly stepped: string | null
  readonly onUndo: () => void
  readonly onRedo: () => void
  readonly onUnits: () => void
  readonly onKeys: () => void
}

/** The head of a job page: what the job is, how it is saved, and where else one can go. */
export function Masthead({ id, job, doc, stepped, onUndo, onRedo, onUnits, onKeys }: Props) {
  return (
    <header className="masthead">
      <Link href="/" className="wordmark">
        PYRAXIS
      </Link>
      <h1>{job.title}</h1>
      <span className="under">{complaintInWords(job)}</span>
      <span className="saved">
        <SavedMark state={doc.state} />
      </span>
      <span className="right">
        <button
          type="button"
          className="word-button"
          disabled={doc.steps.back === 0}
          onClick={onUndo}
          aria-keyshortcuts="Control+Z"
        >
          {say`undo`}
        </button>
        <button
          type="button"
          className="word-button"
          disabled={doc.steps.forward === 0}
          onClick={onRedo}
          aria-keyshortcuts="Control+Shift+Z"
        >
          {say`redo`}
        </button>
        <FindButton />
        <button type="button" className="word-button figure-text" onClick={onUnits}>
          {job.units === 'metric' ? '°C mm' : '°F in'}
          <span className="visually-hidden">{say`, swap unit system`}</span>
        </button>
        <Link href={`/jobs/${id}/sheet`} prefetch={false}>
          <span className="wide-word">{say`Bench sheet`}</span>
          <span className="narrow-word">{say`sheet`}</span>
        </Link>
        <Link href={`/jobs/${id}/history`} prefetch={false}>
          {say`history`}
        </Link>
        <ThemeButton />
        <button type="button" className="word-button" onClick={onKeys}>
          ?<span className="visually-hidden"> {say`keys`}</span>
        </button>
      </span>
      <SaveTrouble state={doc.state} />
      <NotTaken why={doc.notTaken} />
      {stepped && (
        <p className="stepped" role="status">
          {stepped}
        </p>
      )}
    </header>
  )
}
