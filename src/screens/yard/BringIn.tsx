'use client'

import { useRef, useState } from 'react'
import { useRouter } from 'next/navigation'
import Button from 'react-bootstrap/Button'
import Modal from 'react-bootstrap/Modal'
import ProgressBar from 'react-bootstrap/ProgressBar'
import { z } from 'zod'

const lineSchema = z.union([
  z.object({ done: z.number(), of: z.number() }),
  z.object({
    added: z.number(),
    could: z.number(),
    failed: z.number(),
    failures: z.array(z.object({ number: z.number(), title: z.string(), message: z.string() })),
    id: z.string().optional(),
  }),
  z.object({ id: z.string() }),
  z.object({ message: z.string() }),
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

/** Brings a file of one or many jobs in, with progress and a way out; what cannot be read is told job by job. */
export function BringIn() {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const stop = useRef<AbortController | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null)
  const [outcome, setOutcome] = useState<{ file: File; told: Outcome } | null>(null)
  const bring = async (file: File, partly: boolean): Promise<void> => {
    setTrouble(null)
    setOutcome(null)
    stop.current = new AbortController()
    try {
      const answer = await fetch(`/api/import${partly ? '?partly=yes' : ''}`, {
        method: 'POST',
        body: await file.text(),
        signal: stop.current.signal,
      })
      for await (const line of linesOf(answer)) {
        if ('done' in line) setProgress(line)
        else if ('message' in line) setTrouble(`${file.name}: ${line.message}`)
        else if ('added' in line) {
          setOutcome({ file, told: line })
          if (line.added) router.refresh()
        } else router.push(`/jobs/${line.id}`)
      }
    } catch (error) {
      setTrouble(
        error instanceof DOMException && error.name === 'AbortError'
          ? `${file.name}: stopped, nothing was taken.`
          : `${file.name} could not be handed over. Is Pyraxis still running?`,
      )
    } finally {
      setProgress(null)
    }
  }
  return (
    <>
      <button type="button" className="word-button" onClick={() => input.current?.click()}>
        Bring in a job file
      </button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="visually-hidden"
        tabIndex={-1}
        aria-label="Job file"
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) void bring(file, false)
          e.target.value = ''
        }}
      />
      {trouble && (
        <span className="say say-short my-0" role="alert">
          {trouble}
        </span>
      )}
      <Modal
        show={progress !== null}
        backdrop="static"
        keyboard={false}
        animation={false}
        aria-labelledby="bring-title"
      >
        <Modal.Header>
          <Modal.Title as="h2" id="bring-title">
            Reading the jobs
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          {progress && (
            <ProgressBar
              now={progress.done}
              max={progress.of}
              label={`${progress.done} of ${progress.of}`}
              aria-label="Jobs read"
            />
          )}
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-dark" onClick={() => stop.current?.abort()}>
            Stop, take nothing
          </Button>
        </Modal.Footer>
      </Modal>
      {outcome && (
        <Modal show onHide={() => setOutcome(null)} animation={false} scrollable aria-labelledby="brought-title">
          <Modal.Header closeButton>
            <Modal.Title as="h2" id="brought-title">
              {outcome.told.added ? `${outcome.told.added} jobs brought in` : 'Nothing was taken yet'}
            </Modal.Title>
          </Modal.Header>
          <Modal.Body>
            {outcome.told.failed === 0 ? (
              <p>Every job of {outcome.file.name} is in the yard.</p>
            ) : (
              <>
                <p>
                  {outcome.told.failed} of {outcome.told.failed + outcome.told.could} cannot be taken
                  {outcome.told.added ? '' : `; the other ${outcome.told.could} can`}.
                </p>
                <ul>
                  {outcome.told.failures.map((f) => (
                    <li key={f.number}>
                      number {f.number}
                      {f.title ? `, ${f.title}` : ''}: {f.message}
                    </li>
                  ))}
                </ul>
                {outcome.told.failed > outcome.told.failures.length && (
                  <p>… and {outcome.told.failed - outcome.told.failures.length} more.</p>
                )}
              </>
            )}
          </Modal.Body>
          <Modal.Footer>
            {outcome.told.added === 0 && outcome.told.could > 0 && (
              <Button variant="outline-dark" onClick={() => void bring(outcome.file, true)}>
                Take the {outcome.told.could} that can be read
              </Button>
            )}
            <Button onClick={() => setOutcome(null)}>{outcome.told.added ? 'Good' : 'Take nothing'}</Button>
          </Modal.Footer>
        </Modal>
      )}
    </>
  )
}
