'use client'

import { useEffect, useId, useRef, useState } from 'react'
import { useRouter } from 'next/navigation'
import Form from 'react-bootstrap/Form'
import Modal from 'react-bootstrap/Modal'
import { z } from 'zod'
import { Trouble } from './Trouble'
import { say, spokenWord } from '@/core/words'

const answerSchema = z.object({
  found: z.array(
    z.object({ kind: z.enum(['job', 'machine', 'part']), id: z.string(), name: z.string(), about: z.string() }),
  ),
  /** how many hold the letters besides these */
  more: z.number(),
})
type Found = z.infer<typeof answerSchema>['found'][number]

const addressOf = ({ kind, id }: Found): string =>
  kind === 'part' ? `/shelf?part=${encodeURIComponent(id)}` : `/jobs/${encodeURIComponent(id)}`
const PAUSE_MS = 120

interface Props {
  /** what was typed before the field was there */
  readonly takeOver: () => string
  readonly onHide: () => void
}

/** Jobs, machines and parts by the letters they hold. */
export function FindDialog({ takeOver, onHide }: Props) {
  const router = useRouter()
  const list = useId()
  const [text, setText] = useState('')
  const [found, setFound] = useState<readonly Found[]>([])
  const [more, setMore] = useState(0)
  const [at, setAt] = useState(0)
  const [trouble, setTrouble] = useState<string | null>(null)
  const asked = useRef(0)
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => {
    field.current?.focus()
    const before = takeOver()
    if (before) setText((after) => before + after)
  }, [takeOver])
  useEffect(() => {
    const mine = ++asked.current
    const timer = setTimeout(() => {
      void fetch(`/api/find?q=${encodeURIComponent(text)}`)
        .then(async (answer) => answerSchema.parse(await answer.json()))
        .then(({ found: next, more: besides }) => {
          if (mine !== asked.current) return
          setFound(next)
          setMore(besides)
          setAt(0)
          setTrouble(null)
        })
        .catch(() => {
          if (mine === asked.current) setTrouble(say`Pyraxis does not answer. Is it still running?`)
        })
    }, PAUSE_MS)
    return () => clearTimeout(timer)
  }, [text])
  const go = (f: Found | undefined): void => {
    if (!f) return
    onHide()
    router.push(addressOf(f))
  }
  return (
    <Modal show onHide={onHide} animation={false} aria-labelledby="find-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="find-title">
          {say`Find a job, machine or part`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <Form.Control
          ref={field}
          value={text}
          maxLength={80}
          aria-label={say`Name, owner or maker`}
          role="combobox"
          aria-expanded={found.length > 0}
          aria-controls={list}
          aria-activedescendant={found[at] ? `${list}-${at}` : undefined}
          autoComplete="off"
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
              e.preventDefault()
              setAt((i) => Math.max(0, Math.min(found.length - 1, i + (e.key === 'ArrowDown' ? 1 : -1))))
            }
            if (e.key === 'Enter') go(found[at])
          }}
        />
        <Trouble words={trouble} />
        <ul id={list} role="listbox" aria-label={say`Found`} className="list-unstyled mt-2 mb-0">
          {found.map((f, i) => (
            // the field keeps the focus; keys go through it
            // eslint-disable-next-line jsx-a11y/click-events-have-key-events
            <li
              key={`${f.kind}${f.id}`}
              id={`${list}-${i}`}
              role="option"
              aria-selected={i === at}
              tabIndex={-1}
              className={`found ${i === at ? 'present' : ''}`}
              onClick={() => go(f)}
            >
              <span className="soft small">{spokenWord(f.kind)}</span> <span className="fw-medium">{f.name}</span>{' '}
              <span className="soft">{f.about}</span>
            </li>
          ))}
        </ul>
        {more > 0 && (
          <p className="soft mt-2 mb-0" role="status">
            {more === 1
              ? say`1 more holds these letters: type more of the name, machine or owner.`
              : say`${more} more hold these letters: type more of the name, machine or owner.`}
          </p>
        )}
        {text.trim() !== '' && found.length === 0 && !trouble && (
          <p className="soft mt-2 mb-0" role="status">
            {say`Nothing holds these letters.`}
          </p>
        )}
      </Modal.Body>
    </Modal>
  )
}
