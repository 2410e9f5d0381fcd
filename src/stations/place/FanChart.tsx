'use client'

import { memo } from 'react'
import { Area, ComposedChart, Line, ReferenceDot, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Curves } from '@/core/cooling'
import { format, fromSi, shownUnit, type UnitSystem } from '@/core/units'
import { say, spokenWord } from '@/core/words'

/** A round figure at or above a value, and the step to divide it by. */
function rounded(value: number): readonly [top: number, step: number] {
  const tens = 10 ** Math.floor(Math.log10(Math.max(value, 1e-6) / 4))
  const step = [1, 2, 2.5, 5, 10].map((n) => n * tens).find((s) => s * 4 >= value) ?? 10 * tens
  return [step * Math.ceil(value / step - 1e-9), step]
}
const ticksTo = (top: number, step: number): number[] =>
  Array.from({ length: Math.round(top / step) + 1 }, (_, i) => i * step)

/**
 * The fan's curve against what it works against, each with the band that the readings leave it, and where they meet.
 */
function FanChart({ curves, units }: { readonly curves: Curves; readonly units: UnitSystem }) {
  const flowUnit = shownUnit('flow', units)
  const pressureUnit = shownUnit('airPressure', units)
  const flow = (v: number): number => fromSi(v, flowUnit)
  const pa = (v: number): number => fromSi(v, pressureUnit)
  const [top, step] = rounded(pa(curves.points[0]!.fanBand[1]) * 1.02)
  const [most, flowStep] = rounded(flow(curves.points.at(-1)!.flow))
  // a resistance that shoots out of the picture is cut at its edge
  const within = (v: number): number => Math.min(top, pa(Number.isFinite(v) ? v : 1e9))
  const data = curves.points.map((p) => ({
    flow: flow(p.flow),
    fan: pa(p.fan),
    fanBand: p.fanBand.map(pa),
    core: pa(p.core) <= top ? pa(p.core) : null,
    coreBand: [within(p.coreBand[0]), within(p.coreBand[1])],
  }))
  const says = say`Fan against ${spokenWord(curves.against)}: meets at ${format(curves.at.flow, 'flow', units, 2)}
    (${format(curves.at.low, 'flow', units, 2)} to ${format(curves.at.high, 'flow', units, 2)}), of
    ${format(curves.free, 'flow', units, 2)} on the box`
  const tick = { fill: 'var(--soft)', fontSize: 12 }
  return (
    <div role="img" aria-label={says} style={{ height: 190 }} data-testid="fan-chart">
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={data} margin={{ top: 8, right: 16, bottom: 2, left: 0 }} accessibilityLayer={false}>
          <XAxis
            dataKey="flow"
            type="number"
            domain={[0, most]}
            ticks={ticksTo(most, flowStep)}
            unit={` ${flowUnit.symbol}`}
            tick={tick}
            tickLine={false}
            axisLine={{ stroke: 'var(--ink)' }}
          />
          <YAxis
            domain={[0, top]}
            allowDataOverflow
            unit={` ${pressureUnit.symbol}`}
            ticks={ticksTo(top, step)}
            tickFormatter={(v: number) => String(Number(v.toPrecision(3)))}
            width={72}
            tick={tick}
            tickLine={false}
            axisLine={{ stroke: 'var(--ink)' }}
          />
          <Area dataKey="coreBand" stroke="none" fill="var(--cold)" fillOpacity={0.16} isAnimationActive={false} />
          <Area dataKey="fanBand" stroke="none" fill="var(--ink)" fillOpacity={0.1} isAnimationActive={false} />
          <Line dataKey="fan" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
          <Line
            dataKey="core"
            stroke="var(--cold)"
            strokeWidth={2}
            strokeDasharray="6 3"
            dot={false}
            isAnimationActive={false}
          />
          <ReferenceLine
            segment={[
              { x: flow(curves.at.low), y: pa(curves.at.pressure) },
              { x: flow(curves.at.high), y: pa(curves.at.pressure) },
            ]}
            stroke="var(--ink)"
            strokeWidth={1.4}
          />
          <ReferenceDot
            x={flow(curves.at.flow)}
            y={pa(curves.at.pressure)}
            r={5}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  )
}

export default memo(FanChart)
