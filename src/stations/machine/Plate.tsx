'use client'

import { servingBattery } from '@/core/fan-circuit'
import type { Job } from '@/core/job'
import { format } from '@/core/units'
import { outlines } from '@/ui/Silhouette'
import { type Anchor, anchorsOf } from './anchors'
import { say } from '@/core/words'

interface CallOut {
  readonly at: Anchor
  readonly name: string
  readonly value: string
}

/** What is said of the machine, each at its place. */
function callOutsOf(job: Job): CallOut[] {
  const u = job.units
  const { cooling, engine, bay, trailer, charging } = job
  const battery = servingBattery(job)
  return [
    ...(cooling
      ? ([
          {
            at: 'core',
            name:
              cooling.cores > 1
                ? say`${cooling.cores} cores${cooling.coresJoined ? say`, joined` : say`, each fed by itself`}`
                : say`one core`,
            value:
              `${format(cooling.coreWidthM.value, 'length', u)} × ` +
              `${format(cooling.coreHeightM.value, 'length', u)}`,
          },
          {
            at: 'engine',
            name: say`coolant`,
            value: say`${format(cooling.volumeM3.value, 'volume', u, 3)}, cap
              ${format(cooling.capPa.value, 'pressure', u, 3)}`,
          },
        ] as const)
      : []),
    ...(engine
      ? ([
          {
            at: 'engine',
            name: engine.thermostatOpensC ? say`engine thermostat opens` : say`engine, rated`,
            value: engine.thermostatOpensC
              ? format(engine.thermostatOpensC.value, 'temperature', u)
              : format(engine.ratedPowerW.value, 'power', u),
          },
        ] as const)
      : []),
    ...(bay
      ? ([
          {
            at: 'bay',
            name: say`bay, hottest allowed`,
            value: `${format(bay.spaceM3.value, 'space', u)}, ${format(bay.allowedC.value, 'temperature', u)}`,
          },
        ] as const)
      : []),
    ...(trailer
      ? ([
          { at: 'plug', name: say`tow plug`, value: format(trailer.pinA.value, 'current', u) },
          { at: 'charging', name: say`charger`, value: format(trailer.chargerA.value, 'current', u) },
        ] as const)
      : ([
          {
            at: 'charging',
            name: say`charging`,
            value:
              charging.known === 'rating'
                ? say`${format(charging.ratedA.value, 'current', u)} at
                  ${format(charging.ratedRpm.value, 'engineSpeed', u)}`
                : say`measured with a clamp`,
          },
        ] as const)),
    {
      at: 'battery',
      name: say`battery`,
      value: `${format(battery.capacityAh.value, 'batteryCapacity', u)}, ${job.machine.systemV} V`,
    },
  ]
}

const SCALE = 3.3
const LEFT = 190
const WIDTH = LEFT * 2 + 112 * SCALE
const HEIGHT = 262
/** of a figure's letters, all of one width; what is long is lettered smaller, so that it stays on the plate */
const [LETTERING, WIDE] = [13, 0.61]
const sizeOf = (value: string): number => Math.min(LETTERING, (LEFT - 24) / (WIDE * value.length))

/** The machine as a plate: its outline, with what is known of it called out at its place. */
export function Plate({ job }: { readonly job: Job }) {
  const drawing = outlines[job.machine.kind]
  const anchors = anchorsOf[job.machine.kind]
  const all = callOutsOf(job).map((c) => ({ ...c, point: anchors[c.at] ?? ([56, 40] as const) }))
  const byX = [...all].sort((a, b) => a.point[0] - b.point[0])
  const half = Math.ceil(byX.length / 2)
  const columns = [byX.slice(0, half), byX.slice(half)].map((column) =>
    [...column].sort((a, b) => a.point[1] - b.point[1]),
  )
  return (
    <figure className="plate m-0">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        style={{ maxWidth: 780 }}
        role="img"
        aria-label={say`Outline of the machine: ${all.map((c) => `${c.name} ${c.value}`).join('; ')}`}
      >
        <g
          transform={`translate(${LEFT} 16) scale(${SCALE})`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.1}
          strokeLinejoin="round"
        >
          {drawing}
        </g>
        {columns.flatMap((column, side) =>
          column.map((c, i) => {
            const y = 34 + (i * (HEIGHT - 60)) / Math.max(1, column.length - 1 || 1)
            const x = side === 0 ? LEFT - 16 : WIDTH - LEFT + 16
            const [px, py] = [LEFT + c.point[0] * SCALE, 16 + c.point[1] * SCALE]
            return (
              <g key={c.name} className="call-out">
                <path d={`M${x} ${y} H${side === 0 ? x + 14 : x - 14} L${px} ${py}`} fill="none" stroke="var(--soft)" />
                <circle cx={px} cy={py} r={2.6} fill="var(--ink)" />
                <text
                  x={side === 0 ? x - 6 : x + 6}
                  y={y - 4}
                  fontSize={LETTERING}
                  textAnchor={side === 0 ? 'end' : 'start'}
                  style={{ fill: 'var(--soft)' }}
                >
                  {c.name}
                </text>
                <text
                  className="figure-text"
                  x={side === 0 ? x - 6 : x + 6}
                  y={y + 13}
                  fontSize={sizeOf(c.value)}
                  textAnchor={side === 0 ? 'end' : 'start'}
                >
                  {c.value}
                </text>
              </g>
            )
          }),
        )}
      </svg>
      <dl className="only-phone">
        {all.map((c) => [
          <dt key={c.name} className="fw-normal soft">
            {c.name}
          </dt>,
          <dd key={`${c.name}-`} className="figure-text mb-1">
            {c.value}
          </dd>,
        ])}
      </dl>
    </figure>
  )
}
