'use client'

import Button from 'react-bootstrap/Button'
import Modal from 'react-bootstrap/Modal'
import { say } from '@/core/words'

/** Asked before a change takes a signature off a job. */
export function ReopenDialog({
  by,
  on,
  answer,
}: {
  readonly by: string
  readonly on: string
  readonly answer: (reopen: boolean) => void
}) {
  return (
    <Modal show onHide={() => answer(false)} aria-labelledby="reopen-title" centered>
      <Modal.Header>
        <Modal.Title id="reopen-title">{say`Reopen this job?`}</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {say`Signed by ${by} on ${on}. The change takes the signature off: it must be signed again. What was signed
          stays in the history, and one step back brings it back with its signature.`}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-dark" onClick={() => answer(true)}>
          {say`Reopen it`}
        </Button>
        <Button onClick={() => answer(false)}>{say`Leave it signed`}</Button>
      </Modal.Footer>
    </Modal>
  )
}
