'use client'

import { useState } from 'react'
import { useRouter } from 'next/navigation'
import Button from 'react-bootstrap/Button'
import Modal from 'react-bootstrap/Modal'
import { z } from 'zod'
import { askServer, UNREACHED } from '@/ui/ask-server'
import { momentInWords } from '@/ui/days'
import { fixed } from '@/core/units'
import { say } from '@/core/words'

export interface CopyLine {
  readonly name: string
  readonly at: string
  readonly bytes: number
}

const answerSchema = z.object({ ok: z.boolean(), message: z.string() })
type Done = z.infer<typeof answerSchema>

const ask = async (body: unknown): Promise<Done> =>
  (await askServer('/api/backups', body, answerSchema)) ?? { ok: false, message: UNREACHED }

function CopyTable({
  copies,
  working,
  onPutBack,
}: {
  readonly copies: readonly CopyLine[]
  readonly working: boolean
  readonly onPutBack: (copy: CopyLine) => void
}) {
  return (
    <table className="plain-table mt-2">
      <thead>
        <tr>
          <th scope="col">{say`made`}</th>
          <th scope="col" className="text-end">
            {say`size`}
          </th>
          <th scope="col">
            <span className="visually-hidden">{say`what can be done`}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {copies.map((c) => (
          <tr key={c.name}>
            <td suppressHydrationWarning>{momentInWords(c.at)}</td>
            <td className="figure-text text-end">{say`${fixed(c.bytes / 1e6, 1)} MB`}</td>
            <td className="text-end text-nowrap">
              <a className="word-link me-3" href={`/api/backups/${c.name}`} aria-label={say`take out: copy of ${c.at}`}>
                {say`take out`}
              </a>
              <button
                type="button"
                className="word-button"
                disabled={working}
                aria-label={say`put back: copy of ${c.at}`}
                onClick={() => onPutBack(c)}
              >
                {say`put back`}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function PutBack({
  copy,
  onYes,
  onHide,
}: {
  readonly copy: CopyLine
  readonly onYes: () => void
  readonly onHide: () => void
}) {
  return (
    <Modal show onHide={onHide} animation={false} aria-labelledby="put-back-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="put-back-title">
          {say`Put this copy back?`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>
          {say`The yard is then as it was on ${momentInWords(copy.at)}. It is tried first, and what stands there now
            is put aside as a file of its own; what others change meanwhile is in that file alone.`}
        </p>
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-dark" onClick={onYes}>
          {say`Put it back`}
        </Button>
        <Button onClick={onHide}>{say`Leave it`}</Button>
      </Modal.Footer>
    </Modal>
  )
}

/** Copies of the whole yard: made once a day and when asked for, taken out, and put back. */
export function Copies({ copies, copying }: { readonly copies: readonly CopyLine[]; readonly copying: boolean }) {
  const router = useRouter()
  const [working, setWorking] = useState(false)
  const [done, setDone] = useState<Done | null>(null)
  const [chosen, setChosen] = useState<CopyLine | null>(null)
  const work = async (body: unknown): Promise<void> => {
    setChosen(null)
    setWorking(true)
    setDone(null)
    setDone(await ask(body))
    setWorking(false)
    router.refresh()
  }
  return (
    <section aria-label={say`Copies`}>
      <h2>{say`Copies`}</h2>
      <p className="soft">
        {copying
          ? say`Once a day a copy of the whole yard is made and looked through: jobs with their history, pictures,
            what was signed, the shelf. All of two weeks are kept, then one a week, then one a month.`
          : say`Copies are switched off on this server: PYRAXIS_BACKUPS is "off".`}
      </p>
      {copying && (
        <Button variant="outline-dark" disabled={working} onClick={() => void work({ do: 'copy' })}>
          {working ? say`Working …` : say`Make a copy now`}
        </Button>
      )}
      {done && (
        <p className={`say ${done.ok ? 'say-holds' : 'say-short'}`} role={done.ok ? 'status' : 'alert'}>
          {done.message}
        </p>
      )}
      {copies.length === 0 ? (
        copying && (
          <p className="soft mt-2">{say`There is no copy yet. One on another disk is worth two on this one.`}</p>
        )
      ) : (
        <CopyTable copies={copies} working={working} onPutBack={setChosen} />
      )}
      {chosen && (
        <PutBack
          copy={chosen}
          onYes={() => void work({ do: 'restore', name: chosen.name })}
          onHide={() => setChosen(null)}
        />
      )}
    </section>
  )
}
