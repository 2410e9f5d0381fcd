'use client'

import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { askedFirst, type Found, type Move, type Table } from '@/core/diagnose'
import { say } from '@/core/words'

const partOf = (id: string): string => id.split(':')[0]!

/** What it does, asked by part before anything is opened. What nobody looked at says nothing. */
export function Complaint({
  table,
  found,
  open,
  onSay,
  onOpen,
}: {
  readonly table: Table
  readonly found: readonly Found[]
  readonly onSay: (move: Move, found: string | null) => void
  readonly open: boolean
  readonly onOpen: (open: boolean) => void
}) {
  const said = askedFirst(table)
    .flatMap((a) => a.moves)
    .filter((m) => found.some((f) => f.move === m.id)).length
  return (
    <details className="complaint" open={open} onToggle={(e) => onOpen(e.currentTarget.open)}>
      <summary>
        <h3 className="d-inline">{say`What does it do?`}</h3>{' '}
        {said > 0 && <span className="soft">{say`${said} said`}</span>}
      </summary>
      <p className="small soft mb-2">{say`Only what was seen for certain; the rest stays open.`}</p>
      {askedFirst(table).flatMap(({ part, moves }) =>
        moves.map((m) => (
          <Form.Group
            key={m.id}
            controlId={`say-${partOf(m.id)}-${m.id.replaceAll(':', '-')}`}
            className="complaint-line"
          >
            <Form.Label className="mb-0">{part === say`A new fuse blows` ? m.title : lineOf(part, m)}</Form.Label>
            <Form.Select
              value={String(found.find((f) => f.move === m.id)?.found ?? '')}
              onChange={(e) => onSay(m, e.target.value || null)}
            >
              <option value="">{say`nobody looked`}</option>
              {m.answers!.map((a) => (
                <option key={a.id} value={a.id}>
                  {a.words}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        )),
      )}
      {said > 0 && (
        <Button variant="outline-dark" className="mb-2" onClick={() => onOpen(false)}>
          {say`That is all: what next?`}
        </Button>
      )}
    </details>
  )
}

const lineOf = (part: string, { title }: Move): string =>
  part === say`The fan` || part === say`The relay` ? title : part
