'use client'

import Button from 'react-bootstrap/Button'
import Table from 'react-bootstrap/Table'
import { changeFuse, changeRun, changeSizes, chooseKeySwitch, chooseRelay, comparedFuses, comparedSizes, proposedFuse, proposedSize, type Job } from '@/core/job'
import { bladeRatings } from '@/core/electrical'
import { format, nearestInOtherSystem, plainNumber, sizesOf, type UnitSystem, type WireSize } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { PartPicker } from '../PartPicker'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'

/** what stands against a size or a rating, in a few words */
const faults = (list: readonly (readonly [boolean, string])[]): string => list.flatMap(([fine, words]) => (fine ? [] : [words])).join(', ')

function Sizes({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const rows = comparedSizes(job, job.units)
  if (!rows.length) return <p className="say">Choose the fan first (station 3): its current decides the size.</p>
  const choice = proposedSize(job, job.units)
  return (
    <>
      <h2>Sizes, feed and way back alike</h2>
      <div className="scroll-sideways">
        <Table size="sm" className="align-middle">
          <thead><tr><th>size</th><th>may carry</th><th>loses</th><th className="d-none d-md-table-cell">terminal</th><th>verdict</th><th><span className="visually-hidden">choose</span></th></tr></thead>
          <tbody>
            {rows.map((r) => {
              const used = job.conductors.every((c) => c.size === r.size)
              const against = faults([[r.carries, 'carries too little'], [r.guarded, 'fuse too large for it'], [r.dropOk, 'loses too much'], [r.strong, 'too weak']])
              const proposed = choice.kind !== 'none' && choice.size === r.size
              return (
                <tr key={r.size}>
                  <td className="figure-text">{r.size} <span className="soft small">({nearestInOtherSystem(r.size)})</span></td>
                  <td className="figure-text">{format(r.allowedA, 'current', job.units, 3)}</td>
                  <td className={`figure-text ${r.dropOk ? '' : 'verdict-short'}`}>{format(r.dropV, 'voltage', job.units, 2)}</td>
                  <td className="d-none d-md-table-cell">{r.fitsTerminal ? 'fits' : <span className="verdict-short">too thick</span>}</td>
                  <td>{r.verdict === 'will do' ? <span className="verdict-holds">will do{proposed ? ', smallest' : ''}</span> : <span className="verdict-short">{against || r.verdict}</span>}</td>
                  <td className="text-end">{used ? <span className="fw-medium">in use</span> : <Button size="sm" variant="outline-dark" aria-label={`Use ${r.size}`} onClick={() => settle((j) => changeSizes(j, r.size))}>Use</Button>}</td>
                </tr>
              )
            })}
          </tbody>
        </Table>
      </div>
      {choice.kind === 'joint and tail' && <p className="say say-unsure">Every size that meets the rest is too thick for the terminal: run {choice.size} to a joint close by, then a short tail{choice.tail ? ` of ${choice.tail}` : ''} into the terminal.</p>}
      {choice.kind === 'none' && <p className="say say-short">No size will do here: shorten the way, lead it through cooler places, or choose a lighter fan.</p>}
    </>
  )
}

function Fuses({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const rows = comparedFuses(job)
  if (!rows.length) return null
  const proposed = proposedFuse(job)
  // the ratings near the answer; those far off only say the same again
  const near = rows.filter((r) => r.ratingA === job.fuses[0]?.ratingA || r.ratingA === proposed?.ratingA || (r.carries && r.guards) || r.wear < 1.5).slice(0, 7)
  return (
    <>
      <h2 className="mt-3">Blade fuses</h2>
      <div className="scroll-sideways">
        <Table size="sm" className="align-middle">
          <thead><tr><th>fuse</th><th>wear at a start</th><th>fan held fast</th><th>verdict</th><th><span className="visually-hidden">choose</span></th></tr></thead>
          <tbody>
            {near.map((r) => {
              const against = faults([[r.carries, 'does not carry it'], [r.survives, 'wears out'], [r.guards, 'does not guard the wire']])
              const warns = faults([[r.fastEdge, 'may open at a start'], [r.opensJammed, 'may not open when the fan jams']])
              return (
                <tr key={r.ratingA}>
                  <td className="figure-text">{r.ratingA} A</td>
                  <td className="figure-text">{plainNumber(r.wear, 2)}</td>
                  <td className="figure-text">{Number.isFinite(r.jammedLongestS) ? `opens in ${plainNumber(r.jammedLongestS, 2)} s` : 'may never open'}</td>
                  <td>{against ? <span className="verdict-short">{against}</span> : warns ? <span className="verdict-unsure">{warns}</span> : <span className="verdict-holds">will do{proposed?.ratingA === r.ratingA ? ', smallest' : ''}</span>}</td>
                  <td className="text-end">{job.fuses[0]?.ratingA === r.ratingA ? <span className="fw-medium">in use</span> : <Button size="sm" variant="outline-dark" aria-label={`Fit a ${r.ratingA} A fuse`} onClick={() => settle((j) => changeFuse(j, r.ratingA))}>Fit</Button>}</td>
                </tr>
              )
            })}
          </tbody>
        </Table>
      </div>
    </>
  )
}

function Stage({ job, settle }: StationProps) {
  const run = job.runs[0]!
  return (
    <>
      <p className="mb-3">From {run.source === 'battery' ? 'the battery' : 'the key switch'} through the fuse and {run.switchedBy === 'relay' ? 'a relay' : "the controller's contact"} to the fan, and back {run.frame ? 'through the frame' : 'to the battery'}.</p>
      <Sizes job={job} settle={settle} />
      <Fuses job={job} settle={settle} />
      <p className="say say-short">Fuse before load. Battery first off and last on; keep the positive covered.</p>
    </>
  )
}

const sizeOptions = (units: UnitSystem, present: WireSize | null): { value: WireSize | ''; name: string }[] => {
  const own = sizesOf(units)
  return [...(present === null ? [{ value: '' as const, name: 'choose …' }] : []), ...(present && !own.includes(present) ? [present] : []), ...own].map((s) => (typeof s === 'string' ? { value: s, name: `${s} (${nearestInOtherSystem(s)})` } : s))
}

const limits = (job: Job, part: Partial<Job['limits']>): Job => ({ ...job, limits: { ...job.limits, ...part } })

function Tray(props: StationProps) {
  const { job, shelf, settle } = props
  const run = job.runs[0]!
  const fuse = job.fuses[0]
  return (
    <>
      <h2>The path</h2>
      <ChoiceField label="Fed from" value={run.source} options={[{ value: 'battery', name: 'the battery, fused' }, { value: 'key switch', name: 'a wire behind the key switch' }]} onChange={(source) => settle((j) => changeRun(j, { source }))} />
      <ChoiceField label="Switched by" value={run.switchedBy} options={[{ value: 'relay', name: 'a relay' }, { value: 'controller', name: "the controller's own contact" }]} onChange={(switchedBy) => settle((j) => changeRun(j, { switchedBy }))} />
      {run.switchedBy === 'relay' && <PartPicker kind="relay" label="Relay" shelf={shelf} chosen={job.relays[0]?.part ?? null} onChoose={(part) => settle((j) => chooseRelay(j, part))} />}
      {run.source === 'key switch' && <PartPicker kind="switch" label="Key switch" shelf={shelf} chosen={job.switches[0]?.part ?? null} onChoose={(part) => settle((j) => chooseKeySwitch(j, part))} />}
      <ChoiceField label="Way back" value={run.frame ? 'frame' : 'battery'} options={[{ value: 'battery', name: 'to the battery' }, { value: 'frame', name: 'through the frame' }]} onChange={(v) => settle((j) => changeRun(j, { frame: v === 'frame' }))} />
      <h2>Fuse</h2>
      <ChoiceField label="Rating" value={fuse ? String(fuse.ratingA) : ''} options={[{ value: '', name: 'none fitted' }, ...bladeRatings.map((r) => ({ value: String(r), name: `${r} A` }))]} onChange={(v) => settle((j) => changeFuse(j, v === '' ? null : Number(v)))} />
      {fuse && <ChoiceField label="Form" value={fuse.kind} options={[{ value: 'blade', name: 'blade fuse' }, { value: 'breaker', name: 'breaker' }]} onChange={(kind) => settle((j) => changeFuse(j, fuse.ratingA, kind))} />}
      <Readings {...props} station="wire" only={(a) => a.startsWith('fuses')} />
      <h2>Conductors</h2>
      {job.conductors.map((c) => (
        <ChoiceField key={c.id} label={c.role === 'feed' ? 'Feed' : 'Way back'} value={c.size ?? ''} options={sizeOptions(job.units, c.size)} onChange={(v) => { if (v) settle((j) => changeSizes(j, v, [c.id])) }} />
      ))}
      <Readings {...props} station="wire" only={(a) => a.startsWith('conductors')} />
      <h2>Limits</h2>
      <ChoiceField label="May be lost in wires" value={String(job.limits.dropShare) as '0.02' | '0.03' | '0.05' | '0.1'} options={[{ value: '0.02', name: '2 %' }, { value: '0.03', name: '3 %' }, { value: '0.05', name: '5 %' }, { value: '0.1', name: '10 %' }]} onChange={(v) => settle((j) => limits(j, { dropShare: Number(v) as Job['limits']['dropShare'] }))} />
      <ChoiceField label="Least for strength" value={job.limits.leastAreaM2 === 0.5e-6 ? '0.5' : '0.75'} options={[{ value: '0.75', name: '0.75 mm² (18 AWG)' }, { value: '0.5', name: '0.5 mm² (20 AWG)' }]} onChange={(v) => settle((j) => limits(j, { leastAreaM2: v === '0.5' ? 0.5e-6 : 0.75e-6 }))} />
    </>
  )
}

export const wireStation: StationView = { Stage, Tray }
