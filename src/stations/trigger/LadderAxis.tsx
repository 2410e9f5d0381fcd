import { usePlotArea, useXAxisScale, useYAxisInverseScale, useYAxisScale } from 'recharts'
import type { Job } from '@/core/job'
import type { MarkRule } from '@/core/margins'
import { type RunLadder, type RunMark } from '@/core/run'
import { format, type UnitSystem } from '@/core/units'
import { useCollar } from './use-collar'
import { say, spokenWord } from '@/core/words'

/** room for the ladder, left of what it is the axis of */
export const LADDER = { wide: 176, narrow: 118 } as const
const RAIL = 14

export const HALO = { paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: 4 } as const

export interface Sliding {
  readonly ladder: RunLadder
  readonly system: UnitSystem
  readonly narrow: boolean
  /** what the rules say of each mark */
  readonly rules: readonly MarkRule[]
  readonly onPreview: (change: (job: Job) => Job) => void
  readonly onSettle: (change: (job: Job) => Job) => void
}

interface CollarWordsProps {
  readonly collar: 'on' | 'off'
  readonly verdict: string
  readonly left: number
  readonly labelY: number
  readonly narrow: boolean
  readonly at: string
  /** where the other trace stands then */
  readonly other: string
}

function CollarWords({ collar, verdict, left, labelY, narrow, at, other }: CollarWordsProps) {
  return (
    <>
      <text x={left - 62} y={labelY + 1} textAnchor="end" fontSize={narrow ? 13.5 : 15} fontWeight={600}>
        {!narrow && verdict !== 'holds' && verdict !== 'open' && (
          <tspan fontSize={12} style={{ fill: `var(--${verdict})` }}>
            {spokenWord(verdict)}{' '}
          </tspan>
        )}
        {spokenWord(collar)} {narrow ? at.replace(/ .*/, '') : at}
      </text>
      {!narrow && (
        <text x={left - 62} y={labelY + 15} textAnchor="end" fontSize={11.5} style={{ fill: 'var(--soft)' }}>
          {other}
        </text>
      )}
    </>
  )
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
  const [at, then, around] = [
    format(mark.c, 'temperature', system),
    format(mark.otherC, 'temperature', system, 3),
    format(mark.airC, 'temperature', system, 3),
  ]
  const slider = useCollar({
    collar,
    at: mark.c,
    probe: ladder.probe!,
    says: say`${spokenWord(collar)} ${at} at the probe: ${spokenWord(ladder.other)} ${then} at ${around}`,
    kelvinPerPixel,
    onPreview,
    onSettle,
  })
  return (
    <g {...slider}>
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
      <CollarWords
        {...{ collar, verdict, left, labelY, narrow, at }}
        other={say`${spokenWord(ladder.other)} ${then} at ${around}`}
      />
    </g>
  )
}

/** Where things stand on the plot. */
interface Scale {
  /** left edge and right, px */
  readonly left: number
  readonly end: number
  readonly top: number
  readonly height: number
  readonly y: (c: number) => number
  readonly x: (s: number) => number
  readonly kelvinPerPixel: number
}

export function useScale(): Scale | null {
  const plot = usePlotArea()
  const yOf = useYAxisScale()
  const cOf = useYAxisInverseScale()
  const xOf = useXAxisScale()
  if (!plot || !yOf || !cOf || !xOf) return null
  return {
    left: plot.x,
    end: plot.x + plot.width,
    top: plot.y,
    height: plot.height,
    y: (c) => Math.min(plot.y + plot.height, Math.max(plot.y, yOf(c) ?? plot.y)),
    x: (s) => xOf(s / 60) ?? plot.x,
    kelvinPerPixel: Math.abs(Number(cOf(plot.y)) - Number(cOf(plot.y + plot.height))) / plot.height,
  }
}

/** Where the probe's trace first meets a collar. */
function Meets({ mark, scale: { left, x, y } }: { readonly mark: RunMark; readonly scale: Scale }) {
  if (mark.meetsS === null) return null
  const [cx, cy] = [x(mark.meetsS), y(mark.c)]
  return (
    <g>
      <line x1={left - 36} x2={cx} y1={cy} y2={cy} stroke="var(--cold)" strokeWidth={0.9} opacity={0.75} />
      <circle cx={cx} cy={cy} r={3.6} fill="var(--sheet)" stroke="var(--cold)" strokeWidth={1.6} />
    </g>
  )
}

/** What is set: both collars, the band between them, where a ramp is full. */
function SetMarks({ scale, ...props }: Sliding & { readonly scale: Scale }) {
  const { ladder, system } = props
  const set = ladder.probe
  if (!set) return null
  const { left, y, kelvinPerPixel } = scale
  const [onY, offY] = [y(set.on.c), y(set.off.c)]
  // two names may not lie on each other where the band is narrow
  const apart = Math.max(0, 34 - (offY - onY)) / 2
  const common = { ...props, left, kelvinPerPixel: () => kelvinPerPixel }
  return (
    <>
      <Meets mark={set.on} scale={scale} />
      <Meets mark={set.off} scale={scale} />
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
            {say`full ${format(set.fullC, 'temperature', system)}`}
          </text>
        </>
      )}
      <Collar {...common} collar="off" mark={set.off} y={offY} labelY={offY + apart} />
      <Collar {...common} collar="on" mark={set.on} y={onY} labelY={onY - apart} />
    </>
  )
}

/** The second fan's own points, where it has a controller of its own. */
function SecondMarks({ ladder, scale: { left, y } }: { readonly ladder: RunLadder; readonly scale: Scale }) {
  if (!ladder.second) return null
  const named = [
    ['second on', ladder.second.onC],
    ['second off', ladder.second.offC],
  ] as const
  return named.map(([name, c]) => (
    <g key={name}>
      <line x1={left - 54} x2={left - 32} y1={y(c)} y2={y(c)} stroke="var(--ink)" strokeWidth={1.4} />
      <text x={left - 30} y={y(c) + 4} fontSize={11} style={HALO}>
        {spokenWord(name)}
      </text>
    </g>
  ))
}

interface MostProps extends Pick<Sliding, 'ladder' | 'system'> {
  readonly scale: Scale
}

/** Where it boils, or the hottest that is allowed, leg by leg, and what is kept free below. */
function Most({ ladder: { most, keepK }, system, scale: { top, end, x, y } }: MostProps) {
  return (
    <>
      {most.map((m) => {
        const [x1, x2] = [x(m.fromS), Math.min(end, x(m.toS))]
        const [at, free] = [y(m.c), y(m.c - keepK)]
        return (
          <g key={m.fromS}>
            <rect x={x1} width={Math.max(0, x2 - x1)} y={top} height={Math.max(0, at - top)} fill="url(#hatch-boils)" />
            <line x1={x1} x2={x2} y1={at} y2={at} stroke="var(--short)" strokeWidth={2} />
            {keepK > 0 && <line x1={x1} x2={x2} y1={free} y2={free} stroke="var(--short)" strokeDasharray="2 4" />}
          </g>
        )
      })}
      {keepK > 0 && (
        <text
          x={end - 6}
          y={y(most[0]!.c - keepK) - 4}
          textAnchor="end"
          fontSize={11.5}
          style={{ ...HALO, fill: 'var(--short)' }}
        >
          {say`${format(keepK, 'temperatureDifference', system, 2)} kept free`}
        </text>
      )}
    </>
  )
}

/**
 * The ladder at the left edge, and the marks that belong to each trace: on and off to the probe's, boiling and
 * thermostat to the other's.
 */
export function LadderAxis(props: Sliding) {
  const { ladder, system, narrow } = props
  const scale = useScale()
  if (!scale) return null
  const { left, top, height, x, y } = scale
  const boils = format(ladder.most[0]!.c, 'temperature', system, 3)
  return (
    <g>
      <defs>
        <linearGradient id="run-cold-to-hot" x1="0" x2="0" y1="1" y2="0">
          <stop offset="0" stopColor="#2f6f8f" />
          <stop offset="0.35" stopColor="#8a8f63" />
          <stop offset="0.7" stopColor="#c9772b" />
          <stop offset="1" stopColor="#a8371c" />
        </linearGradient>
      </defs>
      <rect x={left - 50} y={top} width={RAIL} height={height} fill="url(#run-cold-to-hot)" />
      <text x={left - 62} y={top + 12} textAnchor="end" fontSize={13} fontWeight={600} style={{ fill: 'var(--short)' }}>
        {narrow
          ? boils.replace(/ .*/, '')
          : `${ladder.other === 'bay' ? say`bay, hottest` : say`coolant boils`} ${boils}`}
      </text>
      <SetMarks {...props} scale={scale} />
      <SecondMarks ladder={ladder} scale={scale} />
      {ladder.opensC !== null && ladder.opensAtS !== null && (
        <g>
          <circle cx={x(ladder.opensAtS)} cy={y(ladder.opensC)} r={3.6} fill="var(--ink)" />
          <text x={x(ladder.opensAtS) + 8} y={y(ladder.opensC) + 14} fontSize={11.5} style={HALO}>
            {say`engine thermostat opens ${format(ladder.opensC, 'temperature', system, 3)}`}
          </text>
        </g>
      )}
      <Most ladder={ladder} system={system} scale={scale} />
    </g>
  )
}
