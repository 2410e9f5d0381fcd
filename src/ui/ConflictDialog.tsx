'use client'

import { useEffect, useMemo, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Modal from 'react-bootstrap/Modal'
import { differences, type Job, jobSchema, taking } from '@/core/job'
import { Trouble } from './Trouble'
import { say } from '@/core/words'

type Side = 'mine' | 'theirs'

interface Props {
  readonly mine: Job
  readonly theirs: Job
  readonly savedAt: string
  /** what both versions were made from, if it can be had: it tells which side changed a thing */
  readonly loadBase: () => Promise<Job | null>
  readonly onSettle: (job: Job) => void
}

/** One thing that both say differently, and whose is to stand. */
function Differing({
  of: d,
  side,
  onSide,
}: {
  readonly of: ReturnType<typeof differences>[number]
  readonly side: Side
  readonly onSide: (side: Side) => void
}) {
  return (
    <fieldset className="difference">
      <legend>
        {d.label}: <span className="figure-text">{d.mine}</span> {say`here,`}{' '}
        <span className="figure-text">{d.theirs}</span> {say`in the other window`}
      </legend>
      {(['mine', 'theirs'] as const).map((of) => (
        <label key={of}>
          <input type="radio" name={`difference-${d.id}`} checked={side === of} onChange={() => onSide(of)} />{' '}
          {of === 'mine' ? d.mine : d.theirs}{' '}
          <span className="soft small">{of === 'mine' ? say`mine` : say`theirs`}</span>
        </label>
      ))}
    </fieldset>
  )
}

/** Another window saved in between: both versions, what they say differently in words, chosen field by field. */
export function ConflictDialog({ mine, theirs, savedAt, loadBase, onSettle }: Props) {
  const found = useMemo(() => differences(mine, theirs), [mine, theirs])
  const [base, setBase] = useState<Job | null>(null)
  const [chosen, setChosen] = useState<Readonly<Record<string, Side>>>({})
  const [trouble, setTrouble] = useState<string | null>(null)
  useEffect(() => {
    let gone = false
    void loadBase()
      .then((job) => {
        if (!gone) setBase(job)
      })
      .catch(() => undefined)
    return () => {
      gone = true
    }
  }, [loadBase])
  // what only the other window changed is theirs unless somebody says otherwise
  const untouchedHere = useMemo(
    () =>
      new Set(base ? found.filter((d) => !differences(mine, base).some((b) => b.id === d.id)).map((d) => d.id) : []),
    [base, found, mine],
  )
  const sideOf = (id: string): Side => chosen[id] ?? (untouchedHere.has(id) ? 'theirs' : 'mine')
  const settle = (): void => {
    const merged = found.filter((d) => sideOf(d.id) === 'theirs').reduce((job, d) => taking(job, theirs, d), mine)
    const valid = jobSchema.safeParse(merged)
    if (valid.success) onSettle(valid.data)
    else setTrouble(say`These choices do not go together: a part and what points at it must come from the same side.`)
  }
  const all = (side: Side): void => setChosen(Object.fromEntries(found.map((d) => [d.id, side])))
  return (
    <Modal
      show
      backdrop="static"
      keyboard={false}
      animation={false}
      size="lg"
      scrollable
      aria-labelledby="conflict-title"
    >
      <Modal.Header>
        <Modal.Title as="h2" id="conflict-title">
          {say`This job was changed in another window`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>
          {say`The other window saved at ${savedAt}. Nothing is overwritten yet: choose for each what is to stand.
            Theirs stays among the job’s revisions either way.`}
        </p>
        {found.map((d) => (
          <Differing key={d.id} of={d} side={sideOf(d.id)} onSide={(side) => setChosen({ ...chosen, [d.id]: side })} />
        ))}
        <Trouble words={trouble} />
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-dark" onClick={() => all('theirs')}>
          {say`All theirs`}
        </Button>
        <Button variant="outline-dark" onClick={() => all('mine')}>
          {say`All mine`}
        </Button>
        <Button variant="primary" onClick={settle}>
          {say`Let these stand`}
        </Button>
      </Modal.Footer>
    </Modal>
  )
}
