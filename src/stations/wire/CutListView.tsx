'use client'

import { useMemo } from 'react'
import Table from 'react-bootstrap/Table'
import Form from 'react-bootstrap/Form'
import { changeConductor, changeSizes } from '@/core/job'
import { cutList, type CutWire } from '@/core/wiring'
import { format, nearestInOtherSystem, sizesOf, type WireSize, worded } from '@/core/units'
import type { StationProps } from '../station'
import { layOptions } from './FuseFields'
import { Sideways } from '@/ui/Sideways'
import { say, spokenWord } from '@/core/words'

const hasWords = {
  'on the shelf': 'verdict-holds',
  'too little': 'verdict-unsure',
  lacking: 'verdict-short',
} as const

function Row({ wire: w, job, settle }: { readonly wire: CutWire } & Pick<StationProps, 'job' | 'settle'>) {
  const u = job.units
  const own = sizesOf(u)
  return (
    <tr>
      <td className="figure-text">{w.number}</td>
      <td>
        {w.label}
        {w.fromKit && <div className="small">{say`comes with the harness: not cut`}</div>}
        <div className="soft small">
          {w.ends.map((e) => say`${e.terminal}, strip ${format(e.stripM, 'length', u, 2)}`).join(' / ')}
        </div>
      </td>
      <td>
        <Form.Select
          size="sm"
          aria-label={say`Size of wire ${w.number}`}
          value={w.size ?? ''}
          onChange={(e) => {
            const size = e.target.value as WireSize
            if (size) settle((j) => changeSizes(j, size, [w.conductor]))
          }}
        >
          {!w.size && <option value="">{say`choose …`}</option>}
          {w.size && !own.includes(w.size) && <option value={w.size}>{w.size}</option>}
          {own.map((s) => (
            <option key={s} value={s}>
              {spokenWord(s)} ({nearestInOtherSystem(s)})
            </option>
          ))}
        </Form.Select>
      </td>
      <td>
        <Form.Control
          size="sm"
          aria-label={say`Colour of wire ${w.number}`}
          key={w.colour}
          defaultValue={w.colour}
          maxLength={20}
          onBlur={(e) => {
            const colour = e.target.value.trim()
            if (colour !== w.colour) settle((j) => changeConductor(j, w.conductor, { colour }))
          }}
          onKeyDown={(e) => {
            if (e.key === 'Enter') e.currentTarget.blur()
          }}
        />
      </td>
      <td className="figure-text">{format(w.cutM, 'run', u, 3)}</td>
      <td>
        {spokenWord(w.sleeve)}
        <Form.Select
          size="sm"
          aria-label={say`Where wire ${w.number} lies`}
          value={w.lies}
          onChange={(e) => {
            const lies = layOptions(job).find((o) => o.value === e.target.value)?.value
            if (lies) settle((j) => changeConductor(j, w.conductor, { lies }))
          }}
        >
          {layOptions(job).map((o) => (
            <option key={o.value} value={o.value}>
              {o.name}
            </option>
          ))}
        </Form.Select>
        <div className={`small ${w.hotEnough ? 'soft' : 'verdict-short'}`}>
          {say`gets ${format(w.getsC, 'temperature', u, 2)} of ${format(w.insulationC, 'temperature', u, 3)}`}
        </div>
      </td>
    </tr>
  )
}

/** Every wire as it is cut, what has to be there for it, and labels for its ends. */
export function CutListView({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const list = useMemo(() => cutList(job, shelf), [job, shelf])
  const u = job.units
  return (
    <>
      {list.problems.map((p) => (
        <p key={p} className="say say-unsure">
          {p}
        </p>
      ))}
      <h2>{say`Wires to cut`}</h2>
      <Sideways>
        <Table size="sm" className="align-middle cut-list">
          <thead>
            <tr>
              <th scope="col">{say`no.`}</th>
              <th scope="col">{say`wire and ends`}</th>
              <th scope="col">{say`size`}</th>
              <th scope="col">{say`colour`}</th>
              <th scope="col">{say`cut`}</th>
              <th scope="col">{say`sleeve`}</th>
            </tr>
          </thead>
          <tbody>
            {list.wires.map((w) => (
              <Row key={w.number} wire={w} job={job} settle={settle} />
            ))}
          </tbody>
        </Table>
      </Sideways>
      {list.inline.length > 0 && (
        <ul aria-label={say`In the wires`} className="plain-list">
          {list.inline.map((x) => (
            <li key={`${x.what} ${x.to}`}>
              {say`${x.what.charAt(0).toUpperCase() + x.what.slice(1)}: ${x.from} to ${x.to}`}
            </li>
          ))}
        </ul>
      )}
      <p className="soft small">
        {say`Cut is its way + 5 % and a loop of ${worded('50 mm', job.units)}; the short piece before the fuse has no
          loop.`}
      </p>
      <h2 className="mt-3">{say`To have in hand`}</h2>
      <Sideways>
        <Table size="sm" className="align-middle">
          <thead>
            <tr>
              <th scope="col">{say`what`}</th>
              <th scope="col">{say`how much`}</th>
              <th scope="col">{say`shelf`}</th>
            </tr>
          </thead>
          <tbody>
            {list.shopping.map((s) => (
              <tr key={s.what}>
                <th scope="row" className="fw-normal">
                  {s.what}
                </th>
                <td className="figure-text">{s.unit === 'm' ? format(s.count, 'run', u, 3) : s.count}</td>
                <td>
                  <span className={hasWords[s.has]}>{spokenWord(s.has)}</span>
                  {s.note && <span className="soft small"> {s.note}</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Sideways>
      <h2 className="mt-3">{say`Labels for the wire ends`}</h2>
      <ul className="wire-labels">
        {list.labels.map((l, i) => (
          <li key={i} className="figure-text">
            {l}
          </li>
        ))}
      </ul>
    </>
  )
}
