'use client'

import { format } from '@/core/units'
import {
  addObstacle,
  changeObstacle,
  coreName,
  dropObstacle,
  mostOf,
  type NeighbourDeal,
  neighbourDeals,
  neighbourKinds,
  type Obstacle,
} from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { neighbours } from '@/core/placing'
import { NameField, OwnReadings, type Props } from './near-pieces'
import { say } from '@/core/words'

const usual: Readonly<Record<Obstacle['kind'], readonly string[]>> = {
  fixed: [say`frame tube`, say`radiator hose`, say`connector`, say`bracket`],
  moves: [say`fork crown at lock`, say`suspension pressed down`, say`rocking engine`],
  exhaust: [say`exhaust`, say`exhaust shield`],
}

const dealWords: Readonly<Record<NeighbourDeal, string>> = {
  stays: say`stays where it is`,
  moved: say`is moved, to where it is measured`,
  'comes off': say`comes off for good`,
}

/** What is near the core: each a rectangle seen from behind, with what is free before it. */
export function Near(props: Props) {
  const { job, settle } = props
  const [name, setName] = useState('')
  const [kind, setKind] = useState<Obstacle['kind']>('fixed')
  return (
    <section aria-label={say`Near the core`}>
      <h2 className="mt-3">{say`What is near`}</h2>
      <p className="say">
        {say`What the fan must keep clear of: ${neighbourKinds
          .map((k) => `${neighbours[k].name} ${format(neighbours[k].requiredMm / 1000, 'length', job.units, 2)}`)
          .join(', ')}. Drag it to about where it is, then hold a tape to it.`}
      </p>
      {job.place.obstacles.map((o) => (
        <div key={o.id} className="near-one" role="group" aria-label={o.name}>
          <div className="d-flex flex-wrap gap-2 align-items-center mb-1">
            <NameField
              value={o.name}
              label={say`Name of ${o.name}`}
              onSettle={(n) => settle((j) => changeObstacle(j, o.id, { name: n }))}
            />
            <Form.Select
              size="sm"
              style={{ width: 'auto' }}
              aria-label={say`${o.name} is`}
              value={o.kind}
              onChange={(e) => settle((j) => changeObstacle(j, o.id, { kind: e.target.value as Obstacle['kind'] }))}
            >
              {neighbourKinds.map((k) => (
                <option key={k} value={k}>
                  {neighbours[k].name}
                </option>
              ))}
            </Form.Select>
            <Form.Select
              size="sm"
              style={{ width: 'auto' }}
              aria-label={say`${o.name} stands`}
              value={o.side}
              onChange={(e) => settle((j) => changeObstacle(j, o.id, { side: e.target.value as Obstacle['side'] }))}
            >
              <option value="behind">{say`behind the core`}</option>
              <option value="front">{say`in front of it`}</option>
            </Form.Select>
            <Form.Select
              size="sm"
              style={{ width: 'auto' }}
              aria-label={say`What is done about ${o.name}`}
              value={o.dealt}
              onChange={(e) => settle((j) => changeObstacle(j, o.id, { dealt: e.target.value as NeighbourDeal }))}
            >
              {neighbourDeals.map((d) => (
                <option key={d} value={d}>
                  {dealWords[d]}
                </option>
              ))}
            </Form.Select>
            {(job.cooling?.cores ?? 1) > 1 && (
              <Form.Select
                size="sm"
                style={{ width: 'auto' }}
                aria-label={say`${o.name} is near the`}
                value={o.core}
                onChange={(e) => settle((j) => changeObstacle(j, o.id, { core: Number(e.target.value) }))}
              >
                {Array.from({ length: job.cooling!.cores }, (_, i) => (
                  <option key={i} value={i}>
                    {coreName(job, i)}
                  </option>
                ))}
              </Form.Select>
            )}
            <button
              type="button"
              className="word-button"
              aria-label={say`take away: ${o.name}`}
              onClick={() => settle((j) => dropObstacle(j, o.id))}
            >
              {say`take away`}
            </button>
          </div>
          <OwnReadings {...props} prefix={`place.obstacles.${o.id}.`} leave={o.kind === 'moves' ? [] : ['travelM']} />
        </div>
      ))}
      {job.place.obstacles.length < mostOf('obstacles') && (
        <form
          className="d-flex flex-wrap gap-2"
          onSubmit={(e) => {
            e.preventDefault()
            settle((j) => addObstacle(j, kind, name.trim() || usual[kind][0]!))
            setName('')
          }}
        >
          <Form.Select
            aria-label={say`What kind of thing is near`}
            style={{ width: 'auto' }}
            value={kind}
            onChange={(e) => setKind(e.target.value as Obstacle['kind'])}
          >
            {neighbourKinds.map((k) => (
              <option key={k} value={k}>
                {neighbours[k].name}
              </option>
            ))}
          </Form.Select>
          <Form.Control
            aria-label={say`What is near`}
            placeholder={usual[kind][0]}
            list="usual-near"
            maxLength={40}
            style={{ maxWidth: 220 }}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <datalist id="usual-near">
            {usual[kind].map((u) => (
              <option key={u} value={u} />
            ))}
          </datalist>
          <Button type="submit" variant="outline-dark">
            {say`Add what is near`}
          </Button>
        </form>
      )}
    </section>
  )
}
