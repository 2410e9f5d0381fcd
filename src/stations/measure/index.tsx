'use client'

import { useState } from 'react'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { fieldsAt, holeMove, jobKinds, stations, type Job } from '@/core/job'
import { stationNames } from '@/core/plan'
import { format } from '@/core/units'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'

type Cooling = NonNullable<Job['cooling']>

/** The core face to scale, with its dimensions: what is measured, where. */
function CoreFace({ job, cooling }: Pick<StationProps, 'job'> & { readonly cooling: Cooling }) {
  const { coreWidthM, coreHeightM, coreThicknessM, finsPerInch, cores } = cooling
  const scale = Math.min(250 / coreWidthM.value, 330 / coreHeightM.value)
  const w = coreWidthM.value * scale
  const h = coreHeightM.value * scale
  const t = Math.max(10, coreThicknessM.value * scale)
  const tubes = Math.max(3, Math.round(w / 9))
  return (
    <svg viewBox={`0 0 ${w + t + 300} ${h + 110}`} width="100%" style={{ maxWidth: 620, maxHeight: 460 }} role="img" aria-label={`Core ${format(coreWidthM.value, 'length', job.units)} wide, ${format(coreHeightM.value, 'length', job.units)} high, ${format(coreThicknessM.value, 'length', job.units)} thick`}>
      <g transform="translate(100 40)" stroke="var(--ink)" fill="none">
        <rect x={-3} y={-24} width={w + 6} height={24} strokeWidth={1.4} />
        <rect x={-3} y={h} width={w + 6} height={24} strokeWidth={1.4} />
        <rect width={w} height={h} strokeWidth={1.6} />
        {Array.from({ length: tubes - 1 }, (_, i) => <line key={i} x1={((i + 1) * w) / tubes} x2={((i + 1) * w) / tubes} y1={0} y2={h} stroke="var(--line)" />)}
        <path d={`M-22 0 v${h} M-27 4 l10 -8 M-27 ${h + 4} l10 -8`} />
        <path d={`M0 ${h + 40} h${w} M-4 ${h + 45} l8 -10 M${w - 4} ${h + 45} l8 -10`} />
        <rect x={w + 80} width={t} height={h} strokeWidth={1.6} />
        <path d={`M${w + 80} ${h + 40} h${t} M${w + 76} ${h + 45} l8 -10 M${w + t + 76} ${h + 45} l8 -10`} />
      </g>
      <text className="figure-text" x={70} y={40 + h / 2} fontSize={13} textAnchor="end">{format(coreHeightM.value, 'length', job.units)}</text>
      <text className="figure-text" x={100 + w / 2} y={h + 100} fontSize={13} textAnchor="middle">{format(coreWidthM.value, 'length', job.units)}</text>
      <text className="figure-text" x={100 + w + 80 + t / 2} y={h + 100} fontSize={13} textAnchor="middle">{format(coreThicknessM.value, 'length', job.units)}</text>
      <text x={100 + w + 80 + t + 14} y={54} fontSize={13}>{`${Math.round(finsPerInch.value)} fins per inch`}</text>
      <text x={100 + w + 80 + t + 14} y={74} fontSize={13}>{cores > 1 ? `${cores} cores like this` : 'one core'}</text>
    </svg>
  )
}

/** The bay as a box with what lets air in and out. */
function BayBox({ job, bay }: Pick<StationProps, 'job'> & { readonly bay: NonNullable<Job['bay']> }) {
  const u = job.units
  return (
    <svg className="words-grow" viewBox="0 0 620 330" width="100%" style={{ maxWidth: 640 }} role="img" aria-label={`Bay of ${format(bay.spaceM3.value, 'volume', u)}; vents in ${format(bay.ventInM2.value, 'opening', u)}, out ${format(bay.ventOutM2.value, 'opening', u)}, ${format(bay.ventHeightM.value, 'length', u)} apart in height`}>
      <path d="M150 40 H470 V90 M470 140 V290 H150 V250 M150 200 V40" fill="none" stroke="var(--ink)" strokeWidth={2} />
      <path d="M110 225 h64 m-10 -6 l10 6 l-10 6" stroke="var(--cold)" fill="none" strokeWidth={2} />
      <path d="M446 115 h64 m-10 -6 l10 6 l-10 6" stroke="var(--warm)" fill="none" strokeWidth={2} />
      <path d="M540 115 V225 M535 119 l10 -8 M535 229 l10 -8" stroke="var(--ink)" fill="none" />
      <text x={100} y={222} textAnchor="end" fontSize={13}>in</text>
      <text className="figure-text" x={100} y={240} textAnchor="end" fontSize={13}>{format(bay.ventInM2.value, 'opening', u)}</text>
      <text x={518} y={100} fontSize={13}>out</text>
      <text className="figure-text" x={518} y={84} fontSize={13}>{format(bay.ventOutM2.value, 'opening', u)}</text>
      <text className="figure-text" x={552} y={176} fontSize={13}>{format(bay.ventHeightM.value, 'length', u)}</text>
      <text className="figure-text" x={310} y={165} textAnchor="middle" fontSize={15}>{format(bay.spaceM3.value, 'volume', u)}</text>
      <text x={310} y={188} textAnchor="middle" fontSize={13}>may get {format(bay.allowedC.value, 'temperature', u)} hot</text>
    </svg>
  )
}

/** What a thicker core changes besides its thickness. */
function NewCoreWords({ job }: Pick<StationProps, 'job'>) {
  const moved = holeMove(job)
  if (moved === null) return null
  return (
    <p className="say">
      {Math.abs(moved) < 0.0005 ? 'The pins come where the old ones are: no hole moves.' : `The pins come ${format(Math.abs(moved), 'length', job.units)} further ${moved > 0 ? 'from' : 'towards'} the front face: move the holes by that much.`}
      {' '}Hose and shroud gaps are held against the new thickness under Fit.
    </p>
  )
}

/** The sheet to take to the machine: its address hangs on the job's own. */
function SheetLink() {
  const path = usePathname()
  return <p><Link href={`${path}/measuring`} prefetch={false}>Measuring sheet to take to the machine</Link></p>
}

function Stage(props: StationProps) {
  const { job } = props
  const mountsFan = jobKinds[job.kind].mountsFan
  if (job.bay) {
    return (
      <>
        <h2>The space, and what lets air in and out</h2>
        {mountsFan ? <BayBox job={job} bay={job.bay} /> : <p className="say">Only how hot it may get counts here; the fan and its vents stay as they are.</p>}
        <p className="say">Free area, not the frame&rsquo;s: a coarse grille leaves about two thirds of its opening. Take the free depth where the fan would sit, with doors and covers shut.</p>
        <SheetLink />
      </>
    )
  }
  return (
    <>
      <h2>{mountsFan ? 'The core, from the side the fan goes on' : 'The coolant'}</h2>
      {mountsFan && job.cooling && <CoreFace job={job} cooling={job.cooling} />}
      <NewCoreWords job={job} />
      <p className="say">{mountsFan ? 'Measure free depth at the tightest point, with the steering at both locks and the suspension pressed down. ' : ''}The engine thermostat&rsquo;s figure is stamped on it.</p>
      <SheetLink />
    </>
  )
}

const changeCooling = (job: Job, part: Partial<Cooling>): Job => ({ ...job, cooling: job.cooling && { ...job.cooling, ...part } })

function Tray(props: StationProps) {
  const { job, settle } = props
  const { cooling } = job
  const [whole, setWhole] = useState(false)
  return (
    <>
      {cooling && (
        <>
          <h2>Coolant</h2>
          <ChoiceField label="Kind" value={cooling.coolant} onChange={(coolant) => settle((j) => changeCooling(j, { coolant }))}
            options={[{ value: 'ethylene-glycol', name: 'ethylene glycol' }, { value: 'propylene-glycol', name: 'propylene glycol' }, { value: 'water', name: 'water alone' }]} />
          {cooling.cores > 1 && jobKinds[job.kind].mountsFan && <YesNoField label="Cores joined" value={cooling.coresJoined} onChange={(coresJoined) => settle((j) => changeCooling(j, { coresJoined }))} />}
        </>
      )}
      <div className="d-flex justify-content-between align-items-baseline">
        <h2>{whole ? 'The whole measuring sheet' : 'Readings'}</h2>
        <button type="button" className="word-button small" aria-pressed={whole} onClick={() => setWhole(!whole)}>{whole ? 'only this station' : 'type in the whole sheet'}</button>
      </div>
      {whole ? stations.filter((s) => fieldsAt(job, s).length > 0).map((s) => (
        <section key={s} aria-label={stationNames[s]}>
          <h3 className="mt-2">{stationNames[s]}</h3>
          <Readings {...props} station={s} only={(a) => !a.startsWith('controllers')} />
        </section>
      )) : <Readings {...props} station="measure" />}
    </>
  )
}

export const measureStation: StationView = { Stage, Tray }
