'use client'

import { Bar, CartesianGrid, ComposedChart, Legend, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Flow } from '@/core/fan-circuit'
import { fixed } from '@/core/units'
import { say } from '@/core/words'

/** What each state takes, stacked, against what it charges there: the black line is the limit. */
export default function FlowChart({ flows }: { readonly flows: readonly Flow[] }) {
  const says = flows
    .map((f) => say`${f.name}: ${fixed(f.chargeA, 1)} A in, ${fixed(f.loadsA + f.fanA + f.controllerA, 1)} A out`)
    .join('; ')
  return (
    <div role="img" aria-label={says} style={{ height: 340 }}>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={[...flows]} margin={{ top: 8, right: 16, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke="var(--hair)" />
          <XAxis
            dataKey="name"
            tick={{ fill: 'var(--ink)', fontSize: 13 }}
            tickLine={false}
            axisLine={{ stroke: 'var(--ink)' }}
          />
          <YAxis unit=" A" width={52} tick={{ fill: 'var(--soft)', fontSize: 12 }} tickLine={false} axisLine={false} />
          <Legend
            wrapperStyle={{ fontSize: 13 }}
            formatter={(name: string) => <span style={{ color: 'var(--ink)' }}>{name}</span>}
          />
          <Bar
            dataKey="loadsA"
            name={say`other loads`}
            stackId="out"
            fill="var(--loads)"
            stroke="var(--ink)"
            isAnimationActive={false}
            barSize={58}
          />
          <Bar
            dataKey="fanA"
            name={say`fan`}
            stackId="out"
            fill="var(--cold)"
            stroke="var(--ink)"
            isAnimationActive={false}
            barSize={58}
          />
          <Bar
            dataKey="controllerA"
            name={say`controller`}
            stackId="out"
            fill="var(--ink)"
            isAnimationActive={false}
            barSize={58}
          />
          <Line
            dataKey="chargeA"
            name={say`charging, the limit`}
            stroke="var(--ink)"
            strokeWidth={2.2}
            dot={{ r: 4, fill: 'var(--sheet)', stroke: 'var(--ink)', strokeWidth: 2 }}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  )
}
