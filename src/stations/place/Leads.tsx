'use client'

import { addLeg, changePlace, cornerNames, dropLeg, type LeadName, leadNames } from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { leadName, leadReaches } from '@/core/placing'
import { format } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'
import { say, spokenWord } from '@/core/words'

/** Every lead that comes with a part: the way it goes by its legs, and what to do where it is short. */
export function Leads({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const u = job.units
  const reaches = leadReaches(job)
  const [name, setName] = useState('')
  const [lead, setLead] = useState<LeadName>('fan')
  if (!reaches.length)
    return <p className="say">{say`Leads are held against their way once a fan, a probe or a controller is chosen.`}</p>
  return (
    <>
      <table className="plain-table">
        <thead>
          <tr>
            <th scope="col">{say`lead`}</th>
            <th scope="col">{say`supplied`}</th>
            <th scope="col">{say`needed`}</th>
            <th scope="col">{say`left`}</th>
            <th scope="col">{say`way, leg by leg`}</th>
          </tr>
        </thead>
        <tbody>
          {reaches.map((r) => (
            <tr key={`${r.lead} ${r.id}`}>
              <th scope="row">{r.name}</th>
              <td className="figure-text">{format(r.suppliedM, 'length', u, 3)}</td>
              <td className="figure-text">{format(r.neededM, 'length', u, 3)}</td>
              <td className={`figure-text ${r.overM < 0 ? 'verdict-short' : ''}`}>
                {format(r.overM, 'length', u, 2)}
                {r.overM < 0 ? say`, short` : ''}
              </td>
              <td>
                {job.place.leads[r.lead].map((l) => (
                  <span key={l.id} className="me-2">
                    {l.name} <span className="figure-text">{format(l.lengthM.value, 'length', u, 3)}</span>
                    {job.place.leads[r.lead].length > 1 && (
                      <button
                        type="button"
                        className="word-button"
                        aria-label={say`take away: ${l.name}`}
                        onClick={() => settle((j) => dropLeg(j, r.lead, l.id))}
                      >
                        {say`take away`}
                      </button>
                    )}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {reaches
        .filter((r) => r.overM < 0)
        .map((r) => (
          <div key={`${r.lead} ${r.id}`} className="say say-short">
            <strong>{say`${r.name} short by ${format(-r.overM, 'length', u, 2)}.`}</strong> {r.waysOut.join(' ')}
          </div>
        ))}
      <form
        className="d-flex flex-wrap gap-2 align-items-center mt-2"
        onSubmit={(e) => {
          e.preventDefault()
          if (!name.trim()) return
          settle((j) => addLeg(j, lead, name.trim()))
          setName('')
        }}
      >
        <Form.Select
          aria-label={say`Leg of which lead`}
          style={{ width: 'auto' }}
          value={lead}
          onChange={(e) => setLead(e.target.value as LeadName)}
        >
          {leadNames
            .filter((l) => reaches.some((r) => r.lead === l))
            .map((l) => (
              <option key={l} value={l}>
                {leadName(l)}
              </option>
            ))}
        </Form.Select>
        <Form.Control
          aria-label={say`Name of the leg`}
          placeholder={say`along the frame, under the tank …`}
          maxLength={40}
          style={{ maxWidth: 240 }}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" variant="outline-dark" disabled={!name.trim()}>
          {say`Add a leg`}
        </Button>
      </form>
      {job.cooling && (
        <div style={{ maxWidth: 380 }}>
          <ChoiceField
            label={say`Leads leave the core at its`}
            value={job.place.leadsLeave}
            options={cornerNames.map((value) => ({ value, name: say`${spokenWord(value)} corner` }))}
            onChange={(leadsLeave) => settle((j) => changePlace(j, { leadsLeave }))}
            tell={say`Legs are measured from the middle of the core; where fan and probe sit is added.`}
          />
        </div>
      )}
    </>
  )
}
