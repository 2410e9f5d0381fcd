'use client'

import { memo, useMemo, useRef } from 'react'
import { useDrag } from '@use-gesture/react'
import {
  Area,
  AreaChart,
  CartesianGrid,
  ComposedChart,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  usePlotArea,
  useXAxisScale,
  useYAxisInverseScale,
  useYAxisScale,
  XAxis,
  YAxis,
} from 'recharts'
import type { Job } from '@/core/job'
import type { MarkRule } from '@/core/margins'
import { type ChartedRuns, type RunLadder, type RunMark, slideCollar } from '@/core/run'
import type { RunView } from '@/core/transient'
import { format, shown, type UnitSystem } from '@/core/units'
import { collarKeys } from './collar-keys'

/** room for the ladder, left of what it is the axis of */
const LADDER = { wide: 176, narrow: 118 } as const
const RIGHT = 12
const RAIL = 14

const HALO = { paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: 4 } as const

interface Sliding {
  readonly ladder: RunLadder
  readonly system: UnitSystem
  readonly narrow: boolean
  /** what the rules say of each mark */
  readonly rules: readonly MarkRule[]
  readonly onPreview: (change: (job: Job) => Job) => void
  readonly onSettle: (change: (job: Job) => Job) => void
}

interface CollarProps extends Sliding {
  readonly collar: 'on' | 'off'
  readonly mark: RunMark
  readonly y: number
  readonly labelY: number
  readonly left: number
  readonly kelvinPerPixel: () => number
}

/** One collar on the ladder: dragged by the pointer, moved by the keys; the run follows. */
function Collar({
  collar,
  mark,
  y,
  labelY,
  left,
  ladder,
  system,
  narrow,
  rules,
  kelvinPerPixel,
  onPreview,
  onSettle,
}: CollarProps) {
  const verdict = rules.find((r) => r.mark === collar)?.verdict ?? 'holds'
  const { lowestC, highestC, movable } = ladder.probe!
  const from = useRef(mark.c)
  const bind = useDrag(
    ({ first, last, movement: [, dy] }) => {
      if (first) from.current = mark.c
      const to = from.current - dy * kelvinPerPixel()
      const change = (job: Job): Job => slideCollar(job, collar, to)
      if (last) onSettle(change)
      else onPreview(change)
    },
    { enabled: movable, pointer: { keys: false }, filterTaps: true },
  )
  const keys = collarKeys(mark.c, ladder.probe!)
  const [at, then, around] = [
    format(mark.c, 'temperature', system),
    format(mark.otherC, 'temperature', system, 3),
    format(mark.airC, 'temperature', system, 3),
  ]
  return (
    <g
      {...bind()}
      className="collar"
      role="slider"
      tabIndex={movable ? 0 : -1}
      aria-orientation="vertical"
      aria-label={`${collar} collar`}
      aria-valuemin={lowestC}
      aria-valuemax={highestC}
      aria-valuenow={mark.c}
      aria-valuetext={`${collar} ${at} at the probe: ${ladder.other} ${then} at ${around}`}
      aria-disabled={!movable}
      style={{ cursor: movable ? 'ns-resize' : 'default', touchAction: 'none' }}
      onKeyDown={(e) => {
        const to = keys[e.key]
        if (to === undefined || !movable) return
        e.preventDefault()
        onSettle((job) => slideCollar(job, collar, to))
      }}
    >
      <rect
        x={0}
        y={Math.min(y, labelY) - 18}
        width={left - 34}
        height={40 + Math.abs(labelY - y)}
        fill="transparent"
      />
      <rect
        x={left - 56}
        y={y - 6}
        width={RAIL + 12}
        height={12}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <text x={left - 62} y={labelY + 1} textAnchor="end" fontSize={narrow ? 13.5 : 15} fontWeight={600}>
        {!narrow && verdict !== 'holds' && verdict !== 'open' && (
          <tspan fontSize={12} style={{ fill: `var(--${verdict})` }}>
            {verdict}{' '}
          </tspan>
        )}
        {collar} {narrow ? at.replace(/ .*/, '') : at}
      </text>
      {!narrow && (
        <text x={left - 62} y={labelY + 15} textAnchor="end" fontSize={11.5} style={{ fill: 'var(--soft)' }}>
          {ladder.other} {then} at {around}
        </text>
      )}
    </g>
  )
}

/**
 * The ladder at the left edge, and the marks that belong to each trace: on and off to the probe's, boiling and
 * thermostat to the other's.
 */
function LadderAxis(props: Sliding) {
  const { ladder, system, narrow } = props
  const plot = usePlotArea()
  const yOf = useYAxisScale()
  const cOf = useYAxisInverseScale()
  const xOf = useXAxisScale()
  if (!plot || !yOf || !cOf || !xOf) return null
  const y = (c: number): number => Math.min(plot.y + plot.height, Math.max(plot.y, yOf(c) ?? plot.y))
  const x = (s: number): number => xOf(s / 60) ?? plot.x
  const left = plot.x
  const kelvinPerPixel = (): number => Math.abs(Number(cOf(plot.y)) - Number(cOf(plot.y + plot.height))) / plot.height
  const set = ladder.probe
  const [onY, offY] = set ? [y(set.on.c), y(set.off.c)] : [0, 0]
  // two names may not lie on each other where the band is narrow
  const apart = Math.max(0, 34 - (offY - onY)) / 2
  const firstBoil = ladder.most[0]!
  const end = plot.x + plot.width
  return (
    <g>
      <rect x={left - 50} y={plot.y} width={RAIL} height={plot.height} fill="url(#run-cold-to-hot)" />
      <text
        x={left - 62}
        y={plot.y + 12}
        textAnchor="end"
        fontSize={13}
        fontWeight={600}
        style={{ fill: 'var(--short)' }}
      >
        {narrow
          ? format(firstBoil.c, 'temperature', system, 3).replace(/ .*/, '')
          : `${ladder.other === 'bay' ? 'bay, hottest' : 'coolant boils'} ` +
            `${format(firstBoil.c, 'temperature', system, 3)}`}
      </text>
      {set && (
        <>
          {(
            [
              ['on', set.on],
              ['off', set.off],
            ] as const
          ).map(
            ([name, mark]) =>
              mark.meetsS !== null && (
                <g key={name}>
                  <line
                    x1={left - 36}
                    x2={x(mark.meetsS)}
                    y1={y(mark.c)}
                    y2={y(mark.c)}
                    stroke="var(--cold)"
                    strokeWidth={0.9}
                    opacity={0.75}
                  />
                  <circle
                    cx={x(mark.meetsS)}
                    cy={y(mark.c)}
                    r={3.6}
                    fill="var(--sheet)"
                    stroke="var(--cold)"
                    strokeWidth={1.6}
                  />
                </g>
              ),
          )}
          <rect x={left - 46} y={onY} width={6} height={Math.max(0, offY - onY)} fill="var(--ink)" />
          {set.fullC !== null && (
            <>
              <line
                x1={left - 56}
                x2={left - 30}
                y1={y(set.fullC)}
                y2={y(set.fullC)}
                stroke="var(--ink)"
                strokeWidth={2}
                strokeDasharray="3 2"
              />
              <text x={left - 62} y={y(set.fullC) + 4} textAnchor="end" fontSize={12}>
                full {format(set.fullC, 'temperature', system)}
              </text>
            </>
          )}
          <Collar
            {...props}
            collar="off"
            mark={set.off}
            y={offY}
            labelY={offY + apart}
            left={left}
            kelvinPerPixel={kelvinPerPixel}
          />
          <Collar
            {...props}
            collar="on"
            mark={set.on}
            y={onY}
            labelY={onY - apart}
            left={left}
            kelvinPerPixel={kelvinPerPixel}
          />
        </>
      )}
      {ladder.second &&
        (
          [
            ['second on', ladder.second.onC],
            ['second off', ladder.second.offC],
          ] as const
        ).map(([name, c]) => (
          <g key={name}>
            <line x1={left - 54} x2={left - 32} y1={y(c)} y2={y(c)} stroke="var(--ink)" strokeWidth={1.4} />
            <text x={left - 30} y={y(c) + 4} fontSize={11} style={HALO}>
              {name}
            </text>
          </g>
        ))}
      {ladder.opensC !== null && ladder.opensAtS !== null && (
        <g>
          <circle cx={x(ladder.opensAtS)} cy={y(ladder.opensC)} r={3.6} fill="var(--ink)" />
          <text x={x(ladder.opensAtS) + 8} y={y(ladder.opensC) + 14} fontSize={11.5} style={HALO}>
            engine thermostat opens {format(ladder.opensC, 'temperature', system, 3)}
          </text>
        </g>
      )}
      {ladder.most.map((m) => (
        <g key={m.fromS}>
          <rect
            x={x(m.fromS)}
            width={Math.max(0, Math.min(end, x(m.toS)) - x(m.fromS))}
            y={plot.y}
            height={Math.max(0, y(m.c) - plot.y)}
            fill="url(#hatch-boils)"
          />
          <line
            x1={x(m.fromS)}
            x2={Math.min(end, x(m.toS))}
            y1={y(m.c)}
            y2={y(m.c)}
            stroke="var(--short)"
            strokeWidth={2}
          />
          {ladder.keepK > 0 && (
            <line
              x1={x(m.fromS)}
              x2={Math.min(end, x(m.toS))}
              y1={y(m.c - ladder.keepK)}
              y2={y(m.c - ladder.keepK)}
              stroke="var(--short)"
              strokeDasharray="2 4"
            />
          )}
        </g>
      ))}
      {ladder.keepK > 0 && (
        <text
          x={end - 6}
          y={y(firstBoil.c - ladder.keepK) - 4}
          textAnchor="end"
          fontSize={11.5}
          style={{ ...HALO, fill: 'var(--short)' }}
        >
          {format(ladder.keepK, 'temperatureDifference', system, 2)} kept free
        </text>
      )}
    </g>
  )
}

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

export interface RunChartProps extends Sliding {
  readonly runs: ChartedRuns
  readonly says: string
  /** the moment looked at, s */
  readonly at: number
  readonly onLook: (seconds: number) => void
}

/**
 * The run over its ladder: coolant bold, probe thin, without the fan dotted; below on the same time fan, battery and
 * the day.
 */
function RunChart({ runs, ladder, system, narrow, says, at, onLook, ...sliding }: RunChartProps) {
  const { proposed, none, present } = runs
  const data = useMemo(() => rowsOf(proposed), [proposed])
  const without = useMemo(() => (none ? rowsOf(none) : []), [none])
  const before = useMemo(() => (present ? rowsOf(present) : []), [present])
  const minutes = Math.max(...[proposed, none, present].map((r) => (r?.lengthS ?? 0) / 60))
  const margin = { left: 0, right: RIGHT, top: 6, bottom: 0 }
  const width = narrow ? LADDER.narrow : LADDER.wide
  const charge = data.map((d) => d.charge)
  const [lowCharge, highCharge] = [
    Math.max(0, Math.floor(Math.min(...charge) - 2)),
    Math.min(100, Math.ceil(Math.max(...charge) + 1)),
  ]
  const degree = (c: number): string => shown(c, 'temperature', system, 3).number
  const time = { type: 'number', dataKey: 'm', domain: [0, minutes], allowDataOverflow: true } as const
  return (
    <div className="run-chart">
      <div role="group" aria-label={says} style={{ height: narrow ? 290 : 276 }}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart
            data={data}
            margin={margin}
            accessibilityLayer={false}
            onMouseMove={(e) => {
              if (e.activeLabel !== undefined) onLook(60 * Number(e.activeLabel))
            }}
          >
            <defs>
              <linearGradient id="run-cold-to-hot" x1="0" x2="0" y1="1" y2="0">
                <stop offset="0" stopColor="#2f6f8f" />
                <stop offset="0.35" stopColor="#8a8f63" />
                <stop offset="0.7" stopColor="#c9772b" />
                <stop offset="1" stopColor="#a8371c" />
              </linearGradient>
            </defs>
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
                dot={false}
                isAnimationActive={false}
                name="without the fan"
              />
            )}
            {before.length > 0 && (
              <Line
                data={before}
                dataKey="hot"
                stroke="var(--soft)"
                strokeWidth={1.8}
                strokeDasharray="7 4"
                dot={false}
                isAnimationActive={false}
                name="as it was"
              />
            )}
            <Line
              dataKey="probe"
              stroke="var(--cold)"
              strokeWidth={1.3}
              dot={false}
              isAnimationActive={false}
              name="what the probe shows"
            />
            <Line
              dataKey="hot"
              stroke="var(--ink)"
              strokeWidth={2.8}
              dot={false}
              isAnimationActive={false}
              name={ladder.other}
            />
            <ReferenceLine x={at / 60} stroke="var(--ink)" strokeWidth={0.8} strokeDasharray="1 3" />
            <LadderAxis ladder={ladder} system={system} narrow={narrow} {...sliding} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <div className="run-strip" style={{ height: 32 }}>
        <span>fan</span>
        <ResponsiveContainer width="100%" height="100%">
          <AreaChart data={data} margin={margin} accessibilityLayer={false}>
            <XAxis {...time} hide />
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
      <div className="run-strip" style={{ height: 32 }}>
        <span>battery</span>
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={margin} accessibilityLayer={false}>
            <XAxis {...time} hide />
            <YAxis
              width={width}
              domain={[lowCharge, highCharge]}
              ticks={[lowCharge, highCharge]}
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
      <div className="run-strip">
        <span>day, min</span>
        <ol className="day-strip" style={{ marginLeft: width, marginRight: RIGHT }}>
          {proposed.legs
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
    </div>
  )
}

export default memo(RunChart)
