import type { DayMark, NoMark } from '@/core/evidence'
import { seenInWords } from '@/core/evidence'
import { format, type UnitSystem } from '@/core/units'
import { HALO, useScale } from './LadderAxis'
import { say } from '@/core/words'

/** How a mark is called in the chart and in the list below it. */
const letter = (i: number): string => String.fromCharCode('a'.charCodeAt(0) + i)

const SIZE = 5.5
const diamond = `0,${-SIZE} ${SIZE},0 0,${SIZE} ${-SIZE},0`

/** What was seen, in the chart of the day: hollow as it came, full as fitted; with a foot where it stayed below. */
export function SeenMarks({ marks }: { readonly marks: readonly DayMark[] }) {
  const scale = useScale()
  if (!scale) return null
  return (
    <g className="seen-marks">
      {marks.map(({ seen, atS, c, below }, i) => (
        <g key={seen.id} transform={`translate(${scale.x(atS)} ${scale.y(c)})`}>
          <polygon
            points={diamond}
            fill={seen.state === 'as fitted' ? 'var(--ink)' : 'var(--sheet)'}
            stroke="var(--ink)"
            strokeWidth={1.6}
          />
          {below && (
            <path
              d={`M0 ${SIZE} V${SIZE + 9} M-4 ${SIZE + 5} L0 ${SIZE + 9} L4 ${SIZE + 5}`}
              stroke="var(--ink)"
              fill="none"
            />
          )}
          <text x={SIZE + 3} y={-4} fontSize={12} fontWeight={600} style={HALO}>
            {letter(i)}
          </text>
        </g>
      ))}
    </g>
  )
}

interface SeenBesideProps {
  readonly marks: readonly DayMark[]
  readonly apart: readonly NoMark[]
  readonly system: UnitSystem
}

/** The same in words: each mark beside the run as it stands there, and what has no place in this day. */
export function SeenBeside({ marks, apart, system }: SeenBesideProps) {
  if (!marks.length && !apart.length) return null
  return (
    <dl className="seen-beside small" aria-label={say`What was seen, on this day`}>
      {marks.map(({ seen, c, runC, below }, i) => (
        <div key={seen.id}>
          <dt>{letter(i)}</dt>
          <dd>
            {say`${seenInWords(seen, system)}: ${
              below ? say`not above` : say`at`
            } ${format(c, 'temperature', system, 3)}; the run there
              ${format(runC, 'temperature', system, 3)}`}
          </dd>
        </div>
      ))}
      {apart.map(({ seen, because, dayAirC }) => (
        <div key={seen.id}>
          <dt aria-hidden>–</dt>
          <dd className="soft">
            {say`${seenInWords(seen, system)}: not drawn, ${because}`}
            {dayAirC !== null && say`: on this day it is ${format(dayAirC, 'temperature', system, 3)}`}
          </dd>
        </div>
      ))}
    </dl>
  )
}
