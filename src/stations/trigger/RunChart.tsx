'use client'

import { memo, useMemo } from 'react'
import {
  Area,
  AreaChart,
  CartesianGrid,
  ComposedChart,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import { dayMarks } from '@/core/evidence'
import type { Job } from '@/core/job'
import type { ChartedRuns, WhatIf } from '@/core/run'
import type { RunView } from '@/core/transient'
import { format, shown } from '@/core/units'
import { LADDER, LadderAxis, type Sliding } from './LadderAxis'
import { SeenBeside, SeenMarks } from './SeenMarks'
import { say } from '@/core/words'

const RIGHT = 12

type Row = Readonly<Record<'m' | 'hot' | 'probe' | 'share' | 'charge' | 'metal', number>>
const rowsOf = ({ rows }: RunView): Row[] =>
  Array.from({ length: rows.rows }, (_, i) => ({
    m: rows.t[i]! / 60,
    hot: rows.hot[i]!,
    probe: rows.probe[i]!,
    metal: rows.metal[i]!,
    share: Math.max(0, ...rows.speed.map((s) => s[i]!)),
    charge: 100 * rows.charge[i]!,
  }))

const MARGIN = { left: 0, right: RIGHT, top: 6, bottom: 0 }
const timeAxis = (minutes: number) =>
  ({ type: 'number', dataKey: 'm', domain: [0, minutes], allowDataOverflow: true }) as const

interface StripProps {
  readonly data: Row[]
  readonly minutes: number
  /** of the ladder, left of it, px */
  readonly width: number
  /** the moment looked at, s */
  readonly at: number
}

/** How fast the fan turns, below the run. */
function FanStrip({ data, minutes, width, at }: StripProps) {
  return (
    <div className="run-strip" style={{ height: 32 }}>
      <span>{say`fan`}</span>
      <ResponsiveContainer width="100%" height="100%">
        <AreaChart data={data} margin={MARGIN} accessibilityLayer={false}>
          <XAxis {...timeAxis(minutes)} hide />
          <YAxis width={width} domain={[0, 1.15]} hide={false} tick={false} tickLine={false} axisLine={false} />
          <ReferenceLine y={0} stroke="var(--line)" />
          <Area
            type="stepAfter"
            dataKey="share"
            stroke="var(--cold)"
            fill="var(--cold)"
            fillOpacity={1}
            isAnimationActive={false}
          />
          <ReferenceLine x={at / 60} stroke="var(--ink)" strokeWidth={0.8} strokeDasharray="1 3" />
        </AreaChart>
      </ResponsiveContainer>
    </div>
  )
}

/** What is left in the battery, below the run. */
function BatteryStrip({ data, minutes, width, at }: StripProps) {
  const charge = data.map((d) => d.charge)
  const [low, high] = [
    Math.max(0, Math.floor(Math.min(...charge) - 2)),
    Math.min(100, Math.ceil(Math.max(...charge) + 1)),
  ]
  return (
    <div className="run-strip" style={{ height: 32 }}>
      <span>{say`battery`}</span>
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={data} margin={MARGIN} accessibilityLayer={false}>
          <XAxis {...timeAxis(minutes)} hide />
          <YAxis
            width={width}
            domain={[low, high]}
            ticks={[low, high]}
            tickFormatter={(v: number) => `${v} %`}
            tick={{ fill: 'var(--soft)', fontSize: 11, fontFamily: 'IBM Plex Mono' }}
            tickLine={false}
            axisLine={false}
          />
          <Line dataKey="charge" stroke="var(--ink)" strokeWidth={1.6} dot={false} isAnimationActive={false} />
          <ReferenceLine x={at / 60} stroke="var(--ink)" strokeWidth={0.8} strokeDasharray="1 3" />
        </LineChart>
      </ResponsiveContainer>
    </div>
  )
}

interface DayStripProps extends Pick<Sliding, 'system'> {
  readonly legs: RunView['legs']
  readonly width: number
}

/** The day's pieces, below the run. */
function DayStrip({ legs, system, width }: DayStripProps) {
  return (
    <div className="run-strip">
      <span>{say`day, min`}</span>
      <ol className="day-strip" style={{ marginLeft: width, marginRight: RIGHT }}>
        {legs
          .filter((l) => l.leg.seconds > 0)
          .map((l) => (
            <li
              key={l.fromS}
              style={{ flex: `${l.leg.seconds} 0 0` }}
              title={`${l.leg.name}, ${format(l.leg.seconds, 'minutes', system, 3)}`}
            >
              <span>
                {l.leg.name} {Math.round(l.leg.seconds / 60)}
              </span>
            </li>
          ))}
      </ol>
    </div>
  )
}

const still = { dot: false, isAnimationActive: false } as const

export interface RunChartProps extends Sliding {
  readonly runs: ChartedRuns
  readonly job: Job
  readonly whatIf: WhatIf
  readonly says: string
  /** the moment looked at, s */
  readonly at: number
  readonly onLook: (seconds: number) => void
}

/**
 * The run over its ladder: coolant bold, probe thin, without the fan dotted; below on the same time fan, battery and
 * the day.
 */
function RunChart({ job, runs, whatIf, ladder, system, narrow, says, at, onLook, ...sliding }: RunChartProps) {
  const { proposed, none, present } = runs
  const data = useMemo(() => rowsOf(proposed), [proposed])
  const without = useMemo(() => (none ? rowsOf(none) : []), [none])
  const before = useMemo(() => (present ? rowsOf(present) : []), [present])
  const seen = useMemo(() => dayMarks(job, runs, whatIf), [job, runs, whatIf])
  const minutes = Math.max(...[proposed, none, present].map((r) => (r?.lengthS ?? 0) / 60))
  const width = narrow ? LADDER.narrow : LADDER.wide
  const degree = (c: number): string => shown(c, 'temperature', system, 3).number
  const time = timeAxis(minutes)
  const strip = { data, minutes, width, at }
  return (
    <div className="run-chart">
      <div role="group" aria-label={says} style={{ height: narrow ? 290 : 276 }}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart
            data={data}
            margin={MARGIN}
            accessibilityLayer={false}
            onMouseMove={(e) => {
              if (e.activeLabel !== undefined) onLook(60 * Number(e.activeLabel))
            }}
          >
            <CartesianGrid vertical={false} stroke="var(--hair)" />
            <XAxis {...time} hide />
            <YAxis
              width={width}
              domain={[ladder.fromC, ladder.toC]}
              allowDataOverflow
              tickCount={Math.round((ladder.toC - ladder.fromC) / 10) + 1}
              interval={0}
              tickFormatter={degree}
              tick={{ fill: 'var(--soft)', fontSize: 11.5, fontFamily: 'IBM Plex Mono' }}
              tickLine={false}
              axisLine={false}
              tickMargin={2}
            />
            {without.length > 0 && (
              <Line
                data={without}
                dataKey="hot"
                stroke="var(--short)"
                strokeWidth={1.8}
                strokeDasharray="2 4"
                {...still}
                name={say`without the fan`}
              />
            )}
            {before.length > 0 && (
              <Line
                data={before}
                dataKey="hot"
                stroke="var(--soft)"
                strokeWidth={1.8}
                strokeDasharray="7 4"
                {...still}
                name={say`as it was`}
              />
            )}
            <Line dataKey="probe" stroke="var(--cold)" strokeWidth={1.3} {...still} name={say`what the probe shows`} />
            <Line dataKey="hot" stroke="var(--ink)" strokeWidth={2.8} {...still} name={ladder.other} />
            <ReferenceLine x={at / 60} stroke="var(--ink)" strokeWidth={0.8} strokeDasharray="1 3" />
            <LadderAxis ladder={ladder} system={system} narrow={narrow} {...sliding} />
            <SeenMarks marks={seen.marks} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <FanStrip {...strip} />
      <BatteryStrip {...strip} />
      <DayStrip legs={proposed.legs} system={system} width={width} />
      <SeenBeside {...seen} system={system} />
    </div>
  )
}

export default memo(RunChart)
