'use client'

import Modal from 'react-bootstrap/Modal'
import { say } from '@/core/words'

const keys: readonly (readonly [string, string])[] = [
  ['1 – 9', say`go to a station`],
  ['/', say`find a job, machine or part`],
  ['Ctrl+Z', say`undo, through all stations; Ctrl+Shift+Z redoes`],
  ['U', say`swap the unit system`],
  ['?', say`these keys`],
  [say`Enter`, say`settle a reading and go to the next`],
  [say`Esc`, say`leave a field, close the working`],
  [say`arrows`, say`move a collar of the ladder by one step; page keys by five`],
]

export function KeysDialog({ show, onHide }: { readonly show: boolean; readonly onHide: () => void }) {
  return (
    <Modal show={show} onHide={onHide} animation={false} aria-labelledby="keys-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="keys-title">
          {say`Keys`}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p className="soft">{say`Letters and digits act while no field has the focus.`}</p>
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
