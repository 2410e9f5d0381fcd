'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { addPanel, changePanel, dropPanel, mostOf, panelFaces } from '@/core/job'
import { ChoiceField } from '@/ui/ChoiceField'
import { NameField, OwnReadings, type Props } from './near-pieces'
import { say, spokenWord } from '@/core/words'

/** The panels of a bay that might take a fan. */
export function Panels(props: Props) {
  const { job, settle } = props
  const [name, setName] = useState('')
  const panels = job.bay?.panels ?? []
  return (
    <section aria-label={say`Panels`}>
      <h2 className="mt-3">{say`Panels with room for a fan`}</h2>
      {panels.map((p) => (
        <div key={p.id} className="near-one" role="group" aria-label={p.name}>
          <div className="d-flex flex-wrap gap-2 align-items-center mb-1">
            <NameField
              value={p.name}
              label={say`Name of ${p.name}`}
              onSettle={(n) => settle((j) => changePanel(j, p.id, { name: n }))}
            />
            <div style={{ minWidth: 220 }}>
              <ChoiceField
                label={say`faces`}
                value={p.faces}
                options={panelFaces.map((value) => ({
                  value,
                  name: value === 'neither' ? say`nobody` : say`the ${spokenWord(value)}`,
                }))}
                onChange={(faces) => settle((j) => changePanel(j, p.id, { faces }))}
              />
            </div>
            {job.bay?.flywheel && (
              <div style={{ minWidth: 260 }}>
                <ChoiceField
                  label={say`flywheel fan here`}
                  value={p.flywheel}
                  options={[
                    { value: 'blows out', name: say`blows out` },
                    { value: 'draws in', name: say`draws in` },
                    { value: 'neither', name: say`does neither` },
                  ]}
                  onChange={(flywheel) => settle((j) => changePanel(j, p.id, { flywheel }))}
                />
              </div>
            )}
            {panels.length > 1 && (
              <button
                type="button"
                className="word-button"
                aria-label={say`take away: ${p.name}`}
                onClick={() => settle((j) => dropPanel(j, p.id))}
              >
                {say`take away`}
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
            aria-label={say`Name of the panel`}
            placeholder={say`left side panel`}
            maxLength={40}
            style={{ maxWidth: 220 }}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <Button type="submit" variant="outline-dark" disabled={!name.trim()}>
            {say`Add a panel`}
          </Button>
        </form>
      )}
    </section>
  )
}
