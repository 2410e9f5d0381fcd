'use client'

import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Fit } from '@/core/run'
import { format, shown, type UnitSystem } from '@/core/units'
import { say } from '@/core/words'

/** Logged coolant as dots, the model before and after as lines. */
export default function FitChart({ fit, system }: { readonly fit: Fit; readonly system: UnitSystem }) {
  const apart = (k: number): string => format(k, 'temperatureDifference', system, 2)
  const data = fit.t.map((t, i) => ({
    m: t / 60,
    logged: fit.loggedC[i]!,
    before: fit.beforeC[i]!,
    fitted: fit.fittedC[i]!,
  }))
  return (
    <>
      <p className="legend small mt-2">
        <span>{say`· · · logged`}</span>
        <span>
          <b className="stroke stroke-present" />
          {say`model before`}
        </span>
        <span>
          <b className="stroke stroke-hot" />
          {say`model fitted`}
        </span>
      </p>
      <div
        role="img"
        aria-label={say`Coolant as logged and as the model runs: ${apart(fit.residualBeforeK)} apart before,
          ${apart(fit.residualK)} after the fit`}
        style={{ height: 260 }}
      >
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 6, right: 12, bottom: 2, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid vertical={false} stroke="var(--hair)" />
            <XAxis
              type="number"
              dataKey="m"
              domain={[0, 'dataMax']}
              unit=" min"
              tick={{ fill: 'var(--soft)', fontSize: 11.5 }}
              tickFormatter={(v: number) => String(Math.round(v))}
            />
            <YAxis
              width={44}
              domain={['auto', 'auto']}
              tickFormatter={(c: number) => shown(c, 'temperature', system, 3).number}
              tick={{ fill: 'var(--soft)', fontSize: 11.5 }}
              tickLine={false}
              axisLine={false}
            />
            <Line
              dataKey="before"
              stroke="var(--soft)"
              strokeDasharray="7 4"
              strokeWidth={1.6}
              dot={false}
              isAnimationActive={false}
            />
            <Line dataKey="fitted" stroke="var(--ink)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
            <Line
              dataKey="logged"
              stroke="none"
              dot={{ r: 1.7, fill: 'var(--cold)', stroke: 'none' }}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
    </>
  )
}
