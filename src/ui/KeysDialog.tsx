'use client'

import Modal from 'react-bootstrap/Modal'

const keys: readonly (readonly [string, string])[] = [
  ['1 – 9', 'go to a station'],
  ['/', 'find a job, machine or part'],
  ['Ctrl+Z', 'undo, through all stations; Ctrl+Shift+Z redoes'],
  ['U', 'swap the unit system'],
  ['?', 'these keys'],
  ['Enter', 'settle a reading and go to the next'],
  ['Esc', 'leave a field, close the working'],
  ['arrows', 'move a collar of the ladder by one step; page keys by five'],
]

export function KeysDialog({ show, onHide }: { readonly show: boolean; readonly onHide: () => void }) {
  return (
    <Modal show={show} onHide={onHide} animation={false} aria-labelledby="keys-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="keys-title">
          Keys
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p className="soft">Letters and digits act while no field has the focus.</p>
        <dl className="row mb-0">
          {keys.map(([key, what]) => [
            <dt key={key} className="col-3 figure-text">
              {key}
            </dt>,
            <dd key={`${key}-`} className="col-9">
              {what}
            </dd>,
          ])}
        </dl>
      </Modal.Body>
    </Modal>
  )
}
