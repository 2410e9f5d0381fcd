'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { addPanel, changePanel, dropPanel, mostOf, panelFaces } from '@/core/job'
import { ChoiceField } from '@/ui/ChoiceField'
import { NameField, OwnReadings, type Props } from './near-pieces'

/** The panels of a bay that might take a fan. */
export function Panels(props: Props) {
  const { job, settle } = props
  const [name, setName] = useState('')
  const panels = job.bay?.panels ?? []
  return (
    <section aria-label="Panels">
      <h2 className="mt-3">Panels with room for a fan</h2>
      {panels.map((p) => (
        <div key={p.id} className="near-one" role="group" aria-label={p.name}>
          <div className="d-flex flex-wrap gap-2 align-items-center mb-1">
            <NameField
              value={p.name}
              label={`Name of ${p.name}`}
              onSettle={(n) => settle((j) => changePanel(j, p.id, { name: n }))}
            />
            <div style={{ minWidth: 220 }}>
              <ChoiceField
                label="faces"
                value={p.faces}
                options={panelFaces.map((value) => ({ value, name: value === 'neither' ? 'nobody' : `the ${value}` }))}
                onChange={(faces) => settle((j) => changePanel(j, p.id, { faces }))}
              />
            </div>
            {job.bay?.flywheel && (
              <div style={{ minWidth: 260 }}>
                <ChoiceField
                  label="flywheel fan here"
                  value={p.flywheel}
                  options={[
                    { value: 'blows out', name: 'blows out' },
                    { value: 'draws in', name: 'draws in' },
                    { value: 'neither', name: 'does neither' },
                  ]}
                  onChange={(flywheel) => settle((j) => changePanel(j, p.id, { flywheel }))}
                />
              </div>
            )}
            {panels.length > 1 && (
              <button
                type="button"
                className="word-button"
                aria-label={`take away: ${p.name}`}
                onClick={() => settle((j) => dropPanel(j, p.id))}
              >
                take away
              </button>
            )}
          </div>
          <OwnReadings {...props} prefix={`bay.panels.${p.id}.`} />
        </div>
      ))}
      {panels.length < mostOf('panels') && (
        <form
          className="d-flex flex-wrap gap-2"
          onSubmit={(e) => {
            e.preventDefault()
            if (!name.trim()) return
            settle((j) => addPanel(j, name.trim()))
            setName('')
          }}
        >
          <Form.Control
            aria-label="Name of the panel"
            placeholder="left side panel"
            maxLength={40}
            style={{ maxWidth: 220 }}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <Button type="submit" variant="outline-dark" disabled={!name.trim()}>
            Add a panel
          </Button>
        </form>
      )}
    </section>
  )
}
