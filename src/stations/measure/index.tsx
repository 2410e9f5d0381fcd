'use client'

import { format } from '@/core/units'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'

/** The core face to scale, with its dimensions: what is measured, where. */
function CoreFace({ job }: Pick<StationProps, 'job'>) {
  const { coreWidthM, coreHeightM, coreThicknessM, finsPerInch, cores } = job.cooling
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

function Stage(props: StationProps) {
  return (
    <>
      <h2>The core, from the side the fan goes on</h2>
      <CoreFace {...props} />
      <p className="say">Measure free depth at the tightest point, with the steering at both locks and the suspension pressed down. The engine thermostat&rsquo;s figure is stamped on it.</p>
    </>
  )
}

function Tray(props: StationProps) {
  const { job, settle } = props
  return (
    <>
      <h2>Coolant</h2>
      <ChoiceField label="Kind" value={job.cooling.coolant} onChange={(coolant) => settle((j) => ({ ...j, cooling: { ...j.cooling, coolant } }))}
        options={[{ value: 'ethylene-glycol', name: 'ethylene glycol' }, { value: 'propylene-glycol', name: 'propylene glycol' }, { value: 'water', name: 'water alone' }]} />
      {job.cooling.cores > 1 && <YesNoField label="Cores joined" value={job.cooling.coresJoined} onChange={(coresJoined) => settle((j) => ({ ...j, cooling: { ...j.cooling, coresJoined } }))} />}
      <h2>Readings</h2>
      <Readings {...props} station="measure" />
    </>
  )
}

export const measureStation: StationView = { Stage, Tray }
