'use client'

import Button from 'react-bootstrap/Button'
import Modal from 'react-bootstrap/Modal'

/** Another window saved in between: nothing is overwritten until one of the two is chosen. */
export function ConflictDialog({ savedAt, onMine, onTheirs }: { readonly savedAt: string; readonly onMine: () => void; readonly onTheirs: () => void }) {
  return (
    <Modal show backdrop="static" keyboard={false} animation={false} aria-labelledby="conflict-title">
      <Modal.Header><Modal.Title as="h2" id="conflict-title">This job was changed in another window</Modal.Title></Modal.Header>
      <Modal.Body>The other window saved at {savedAt}. Nothing is overwritten yet. Keep mine: your version stands, theirs stays among the job&rsquo;s revisions. Take theirs: what you changed here since then is dropped.</Modal.Body>
      <Modal.Footer>
        <Button variant="outline-dark" onClick={onTheirs}>Take theirs</Button>
        <Button variant="primary" onClick={onMine}>Keep mine</Button>
      </Modal.Footer>
    </Modal>
  )
}
