'use client'

import Button from 'react-bootstrap/Button'
import Modal from 'react-bootstrap/Modal'

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
        <Modal.Title id="reopen-title">Reopen this job?</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        Signed by {by} on {on}. The change takes the signature off: it must be signed again. What was signed stays in
        the history, and one step back brings it back with its signature.
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-dark" onClick={() => answer(true)}>
          Reopen it
        </Button>
        <Button onClick={() => answer(false)}>Leave it signed</Button>
      </Modal.Footer>
    </Modal>
  )
}
