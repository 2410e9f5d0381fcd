'use client'

import { ComposedChart, Line, ReferenceArea, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { pointsKept, type Prediction, type Sample, type TraceRead } from '@/core/build'
import { format, shown, type UnitSystem } from '@/core/units'
import { say } from '@/core/words'

/** What the trace is held against, each with its band; null where nothing is predicted. */
export interface Expected {
  readonly starts: Prediction | null
  readonly stops: Prediction | null
  readonly amps: Prediction | null
}

interface Props {
  readonly samples: readonly Sample[]
  readonly read: TraceRead
  readonly expected: Expected
  readonly system: UnitSystem
}

const tick = { fill: 'var(--soft)', fontSize: 11.5 }
const MARGIN = { top: 6, right: 12, bottom: 2, left: 0 }

/** Probe over its predicted start and stop, and the clamp below over what the fan should take. */
export function TraceChart({ samples, read, expected, system }: Props) {
  const begins = samples.at(0)?.t ?? 0
  const data = pointsKept(samples, read).map((i) => {
    const s = samples[i]!
    return { m: (s.t - begins) / 60, probe: s.probeC, amps: s.amps }
  })
  const on = read.switchings.filter((s) => s.on)
  const told = read.switchings
    .map(
      (s) =>
        say`${s.on ? say`on` : say`off`} at ${s.probeC === null ? '?' : format(s.probeC, 'temperature', system, 3)}`,
    )
    .join(', ')
  const time = { type: 'number', dataKey: 'm', domain: [0, 'dataMax'], tick } as const
  const temperature = (c: number): string => shown(c, 'temperature', system, 3).number
  const band = (p: Prediction | null, fill: string) =>
    p && <ReferenceArea y1={p.low} y2={p.high} fill={fill} fillOpacity={0.14} ifOverflow="extendDomain" />
  return (
    <>
      <p className="small soft mt-2 mb-1">
        {say`Above the probe, below the clamp. Shaded: where it should start (upper) and stop (lower), and what the
          fan should take.`}
      </p>
      <div role="img" aria-label={say`Probe and clamp over time: ${told || say`no switching yet`}`}>
        <ResponsiveContainer width="100%" height={190}>
          <ComposedChart data={data} margin={MARGIN} accessibilityLayer={false}>
            <XAxis {...time} hide />
            <YAxis width={44} domain={['auto', 'auto']} tickFormatter={temperature} tick={tick} tickLine={false} />
            {band(expected.starts, 'var(--hot)')}
            {band(expected.stops, 'var(--cold)')}
            {on.map((s) => (
              <ReferenceLine key={s.t} x={(s.t - begins) / 60} stroke="var(--ink)" strokeDasharray="2 3" />
            ))}
            <Line dataKey="probe" stroke="var(--ink)" strokeWidth={2.2} dot={false} isAnimationActive={false} />
          </ComposedChart>
        </ResponsiveContainer>
        <ResponsiveContainer width="100%" height={90}>
          <ComposedChart data={data} margin={MARGIN} accessibilityLayer={false}>
            <XAxis {...time} unit=" min" tickFormatter={(v: number) => String(Math.round(10 * v) / 10)} />
            <YAxis width={44} domain={[0, 'auto']} allowDataOverflow unit=" A" tick={tick} tickLine={false} />
            {band(expected.amps, 'var(--ink)')}
            <Line dataKey="amps" stroke="var(--ink)" strokeWidth={1.6} dot={false} isAnimationActive={false} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
    </>
  )
}
