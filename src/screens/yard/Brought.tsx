'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { useRouter } from 'next/navigation'
import Button from 'react-bootstrap/Button'
import Modal from 'react-bootstrap/Modal'
import ProgressBar from 'react-bootstrap/ProgressBar'
import { z } from 'zod'
import { dayInWords } from '@/ui/days'
import { calendarDay } from '@/core/units'
import { say } from '@/core/words'

const lineSchema = z.union([
  z.object({ done: z.number(), of: z.number() }),
  z.object({
    added: z.number(),
    could: z.number(),
    failed: z.number(),
    failures: z.array(z.object({ number: z.number(), title: z.string(), message: z.string() })),
    /** that its jobs name, and that are not in such a file */
    pictures: z.number().optional(),
    id: z.string().optional(),
  }),
  z.object({ before: z.object({ at: z.string(), added: z.number() }) }),
  z.object({ id: z.string(), lost: z.number().optional(), of: z.number().optional() }),
  z.object({ message: z.string(), changed: z.boolean().optional() }),
])
type Line = z.infer<typeof lineSchema>
type Outcome = Extract<Line, { added: number }>

/** Reads an answer line by line as it comes. */
async function* linesOf(answer: Response): AsyncGenerator<Line> {
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { value, done } = await reader.read()
    const texts = (rest + (value ?? '')).split('\n')
    rest = done ? '' : texts.pop()!
    for (const text of texts) if (text.trim()) yield lineSchema.parse(JSON.parse(text))
    if (done) return
  }
}

/** Work on a file that may be stopped: how far it is. */
function Reading({
  progress,
  onStop,
}: {
  readonly progress: { done: number; of: number } | null
  readonly onStop: () => void
}) {
  return (
    <Modal show={progress !== null} backdrop="static" keyboard={false} animation={false} aria-labelledby="bring-title">
      <Modal.Header>
        <Modal.Title as="h2" id="bring-title">
          {say`Reading the jobs`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {progress && (
          <ProgressBar
            now={progress.done}
            max={progress.of}
            label={say`${progress.done} of ${progress.of}`}
            aria-label={say`Jobs read`}
          />
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-dark" onClick={onStop}>
          {say`Stop, take nothing`}
        </Button>
      </Modal.Footer>
    </Modal>
  )
}

interface ToldProps {
  readonly file: File
  readonly told: Outcome
  readonly onPartly: () => void
  readonly onEnd: () => void
}

/** What of a file of many was taken, and what cannot be, job by job. */
function Told({ file, told, onPartly, onEnd }: ToldProps) {
  return (
    <Modal show onHide={onEnd} animation={false} scrollable aria-labelledby="brought-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="brought-title">
          {told.added ? say`${told.added} jobs brought in` : say`Nothing was taken yet`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {told.failed === 0 ? (
          <p>{say`Every job of ${file.name} is in the yard.`}</p>
        ) : (
          <>
            <p>
              {say`${told.failed} of ${told.failed + told.could} cannot be taken${
                told.added ? '' : say`; the other ${told.could} can`
              }.`}
            </p>
            <ul>
              {told.failures.map((f) => (
                <li key={f.number}>{say`number ${f.number}${f.title ? `, ${f.title}` : ''}: ${f.message}`}</li>
              ))}
            </ul>
            {told.failed > told.failures.length && <p>{say`… and ${told.failed - told.failures.length} more.`}</p>}
          </>
        )}
        {told.added > 0 && !!told.pictures && (
          <p>
            {say`Their ${
              told.pictures === 1 ? say`picture is` : say`${told.pictures} pictures are`
            } not in a file of many jobs: take those jobs out one by one with their pictures, or carry a copy of
              the whole yard.`}
          </p>
        )}
      </Modal.Body>
      <Modal.Footer>
        {told.added === 0 && told.could > 0 && (
          <Button variant="outline-dark" onClick={onPartly}>
            {say`Take the ${told.could} that can be read`}
          </Button>
        )}
        <Button onClick={onEnd}>{told.added ? say`Good` : say`Take nothing`}</Button>
      </Modal.Footer>
    </Modal>
  )
}

/** A signed file that was changed by hand: it can come in without its signature. */
function ChangedSince({
  why,
  onUnsigned,
  onEnd,
}: {
  readonly why: string
  readonly onUnsigned: () => void
  readonly onEnd: () => void
}) {
  return (
    <Modal show onHide={onEnd} animation={false} aria-labelledby="changed-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="changed-title">
          {say`Not as it was signed`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>{why}</p>
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-dark" onClick={onUnsigned}>
          {say`Take it without its signature`}
        </Button>
        <Button onClick={onEnd}>{say`Leave it`}</Button>
      </Modal.Footer>
    </Modal>
  )
}

/** The job is in, and pictures of it are not. */
function WithoutPictures({
  lost,
  onEnd,
}: {
  readonly lost: { readonly lost: number; readonly of: number }
  readonly onEnd: () => void
}) {
  const all = lost.of === 1 ? say`Its picture is` : say`Its ${lost.of} pictures are`
  const some = say`${lost.lost} of its ${lost.of} pictures ${lost.lost === 1 ? say`is` : say`are`}`
  const missing = lost.lost === lost.of ? all : some
  return (
    <Modal show onHide={onEnd} animation={false} aria-labelledby="lost-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="lost-title">
          {lost.lost === lost.of
            ? say`Its pictures did not come with it`
            : say`Some of its pictures did not come with it`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>
          {say`${missing} not in the file, or cannot be read. Taken out of the yard that it comes from with its
            pictures, it brings them along.`}
        </p>
      </Modal.Body>
      <Modal.Footer>
        <Button onClick={onEnd}>{say`Open the job`}</Button>
      </Modal.Footer>
    </Modal>
  )
}

/** A file that was taken already: by chance a second time, or because its jobs are wanted twice. */
function TakenBefore({
  file,
  before,
  onAgain,
  onEnd,
}: {
  readonly file: File
  readonly before: { readonly at: string; readonly added: number }
  readonly onAgain: () => void
  readonly onEnd: () => void
}) {
  return (
    <Modal show onHide={onEnd} animation={false} aria-labelledby="before-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="before-title">
          {say`This file was brought in already`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>
          {say`${file.name} was taken on ${dayInWords(calendarDay(before.at))}: ${before.added} jobs. Taken again,
            each of them stands in the yard twice.`}
        </p>
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-dark" onClick={onAgain}>
          {say`Take it again`}
        </Button>
        <Button onClick={onEnd}>{say`Leave it`}</Button>
      </Modal.Footer>
    </Modal>
  )
}

interface Props {
  readonly file: File
  /** the file is dealt with; a message where something went wrong with it */
  readonly onEnd: (trouble: string | null) => void
}

/** A file of one or many jobs handed over, with progress and a way out; what cannot be read is told job by job. */
export function Brought({ file, onEnd }: Props) {
  const router = useRouter()
  const stop = useRef<AbortController | null>(null)
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null)
  const [told, setTold] = useState<Outcome | null>(null)
  const [changed, setChanged] = useState<string | null>(null)
  const [before, setBefore] = useState<{ at: string; added: number } | null>(null)
  const [lost, setLost] = useState<{ id: string; lost: number; of: number } | null>(null)
  const bring = useCallback(
    async (how: '' | 'partly' | 'again' | 'unsigned'): Promise<void> => {
      setTold(null)
      setBefore(null)
      setChanged(null)
      stop.current = new AbortController()
      let trouble: string | null = null
      let many = false
      try {
        const answer = await fetch(`/api/import${how ? `?${how}=yes` : ''}`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: file,
          signal: stop.current.signal,
        })
        for await (const line of linesOf(answer)) {
          if ('done' in line) setProgress(line)
          else if ('before' in line) {
            many = true
            setBefore(line.before)
          } else if ('message' in line && line.changed) {
            many = true
            setChanged(line.message)
          } else if ('message' in line) trouble = `${file.name}: ${line.message}`
          else if ('added' in line) {
            many = true
            setTold(line)
            if (line.added) router.refresh()
          } else if (line.lost && line.of) {
            many = true
            setLost({ id: line.id, lost: line.lost, of: line.of })
          } else router.push(`/jobs/${line.id}`)
        }
      } catch (error) {
        trouble =
          error instanceof DOMException && error.name === 'AbortError'
            ? say`${file.name}: stopped, nothing was taken.`
            : say`${file.name} could not be handed over. Is Pyraxis still running?`
      }
      setProgress(null)
      if (trouble !== null || !many) onEnd(trouble)
    },
    [file, onEnd, router],
  )
  // once for each file, though effects run twice while developing
  const begun = useRef<File | null>(null)
  useEffect(() => {
    if (begun.current === file) return
    begun.current = file
    void bring('')
  }, [bring, file])
  return (
    <>
      <Reading progress={progress} onStop={() => stop.current?.abort()} />
      {changed !== null && (
        <ChangedSince why={changed} onUnsigned={() => void bring('unsigned')} onEnd={() => onEnd(null)} />
      )}
      {before && (
        <TakenBefore file={file} before={before} onAgain={() => void bring('again')} onEnd={() => onEnd(null)} />
      )}
      {lost && <WithoutPictures lost={lost} onEnd={() => router.push(`/jobs/${lost.id}`)} />}
      {told && <Told file={file} told={told} onPartly={() => void bring('partly')} onEnd={() => onEnd(null)} />}
    </>
  )
}
