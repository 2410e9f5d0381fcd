'use client'

import { useRef } from 'react'
import type { Job } from '@/core/job'
import { type Ladder as LadderData } from '@/core/run'
import { format, type UnitSystem } from '@/core/units'
import { useCollar } from './use-collar'
import { say, spokenWord } from '@/core/words'

const TOP = 46
const HEIGHT = 420
const PROBE_X = 190
const COOLANT_X = 520
const RAIL = 16
const otherWord = { coolant: 'coolant', bay: 'bay' } as const
/** keeps a word readable where a line runs behind it */
const HALO = { paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: 5 } as const

interface Props {
  readonly ladder: LadderData
  readonly system: UnitSystem
  readonly onPreview: (change: (job: Job) => Job) => void
  readonly onSettle: (change: (job: Job) => Job) => void
}

interface CollarProps extends Props {
  readonly collar: 'on' | 'off'
  readonly yOf: (c: number) => number
  readonly kelvinPerPixel: () => number
}

/** One collar on the probe's rail: dragged by the pointer, moved by the keys. */
function Collar({ collar, ladder, system, yOf, kelvinPerPixel, onPreview, onSettle }: CollarProps) {
  const { onC, offC } = ladder.probe
  const at = collar === 'on' ? onC : offC
  const c = (x: number): string => format(x, 'temperature', system, 3)
  const joins = ladder.joins
    .filter((j) => j.mark === collar)
    .map((j) => say`${spokenWord(otherWord[ladder.other])} ${c(j.otherC)} at ${c(j.surroundingsC)}`)
  const says = say`${spokenWord(collar)} ${format(at, 'temperature', system)} at the probe: ${joins.join(', ')}`
  const y = yOf(at)
  const slider = useCollar({
    collar,
    at: at,
    probe: ladder.probe,
    says,
    kelvinPerPixel,
    onPreview,
    onSettle,
  })
  return (
    <g {...slider}>
      <rect x={PROBE_X - 120} y={y - 22} width={164} height={44} fill="transparent" />
      <rect
        x={PROBE_X - 8}
        y={y - 6}
        width={RAIL + 16}
        height={12}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <text x={PROBE_X - 16} y={y + 5} textAnchor="end" fontSize={16} fontWeight={600}>
        {spokenWord(collar)} {format(at, 'temperature', system)}
      </text>
    </g>
  )
}

interface MarksProps {
  readonly yOf: (c: number) => number
  readonly system: UnitSystem
}

/** Boiling, what is kept free of it, and the engine thermostat: they belong to the coolant's rail. */
function CoolantMarks({
  marks: { opensC, fullC, boilsC, keptFreeC },
  yOf,
  system,
}: MarksProps & { readonly marks: NonNullable<LadderData['coolant']> }) {
  return (
    <>
      <rect x={COOLANT_X} y={TOP} width={240} height={Math.max(0, yOf(boilsC) - TOP)} fill="url(#hatch-boils)" />
      <line
        x1={COOLANT_X}
        x2={COOLANT_X + 240}
        y1={yOf(boilsC)}
        y2={yOf(boilsC)}
        stroke="var(--short)"
        strokeWidth={2}
      />
      <text x={COOLANT_X + 30} y={yOf(boilsC) + 16} fontSize={13} fontWeight={600} style={{ fill: 'var(--short)' }}>
        {say`boils ${format(boilsC, 'temperature', system, 3)}`}
      </text>
      <line
        x1={COOLANT_X}
        x2={COOLANT_X + 240}
        y1={yOf(keptFreeC)}
        y2={yOf(keptFreeC)}
        stroke="var(--short)"
        strokeDasharray="2 4"
      />
      <text x={COOLANT_X + 30} y={yOf(keptFreeC) + 15} fontSize={12.5} style={{ fill: 'var(--short)' }}>
        {say`kept free below it`}
      </text>
      <line
        x1={COOLANT_X - 4}
        x2={COOLANT_X + RAIL + 8}
        y1={yOf(opensC)}
        y2={yOf(opensC)}
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <text x={COOLANT_X + 30} y={yOf(opensC) + 4} fontSize={12.5}>
        {say`thermostat opens ${format(opensC, 'temperature', system, 3)}`}
      </text>
      <line x1={COOLANT_X - 4} x2={COOLANT_X + RAIL + 8} y1={yOf(fullC)} y2={yOf(fullC)} stroke="var(--ink)" />
      <text x={COOLANT_X + 30} y={yOf(fullC) + 4} fontSize={12.5}>
        {say`full open ${format(fullC, 'temperature', system, 3)}`}
      </text>
    </>
  )
}

/** What the bay may get to: it belongs to the bay's rail. */
function BayMarks({ allowedC, yOf, system }: MarksProps & { readonly allowedC: number }) {
  return (
    <>
      <rect x={COOLANT_X} y={TOP} width={240} height={Math.max(0, yOf(allowedC) - TOP)} fill="url(#hatch-boils)" />
      <line
        x1={COOLANT_X}
        x2={COOLANT_X + 240}
        y1={yOf(allowedC)}
        y2={yOf(allowedC)}
        stroke="var(--short)"
        strokeWidth={2}
      />
      <text x={COOLANT_X + 30} y={yOf(allowedC) + 16} fontSize={13} fontWeight={600} style={{ fill: 'var(--short)' }}>
        {say`hottest it may get ${format(allowedC, 'temperature', system, 3)}`}
      </text>
    </>
  )
}

/**
 * The two rails of the trigger: what the probe shows, and what the coolant, or the bay's air, is. Each mark belongs to
 * one rail; the slanting lines between them are the conversion at the coldest and at the hottest surroundings.
 */
export function Ladder(props: Props) {
  const { ladder, system } = props
  const svg = useRef<SVGSVGElement>(null)
  const { fromC, toC } = ladder.scale
  const yOf = (c: number): number => TOP + HEIGHT * (1 - (c - fromC) / (toC - fromC))
  const kelvinPerPixel = (): number => {
    const height = svg.current?.getBoundingClientRect().height || TOP + HEIGHT + 40
    return ((toC - fromC) / HEIGHT) * ((TOP + HEIGHT + 40) / height)
  }
  const rungs = Array.from({ length: Math.round((toC - fromC) / 10) + 1 }, (_, i) => fromC + i * 10)
  const colour = { coldest: 'var(--cold)', hottest: 'var(--warm)' } as const
  return (
    <svg
      ref={svg}
      viewBox={`0 0 780 ${TOP + HEIGHT + 40}`}
      width="100%"
      style={{ maxHeight: 540, userSelect: 'none' }}
      role="group"
      aria-label={say`Temperature ladder`}
    >
      <defs>
        <linearGradient id="cold-to-hot" x1="0" x2="0" y1="1" y2="0">
          <stop offset="0" stopColor="#2f6f8f" />
          <stop offset="0.35" stopColor="#8a8f63" />
          <stop offset="0.7" stopColor="#c9772b" />
          <stop offset="1" stopColor="#a8371c" />
        </linearGradient>
      </defs>
      <text x={PROBE_X + RAIL / 2} y={22} textAnchor="middle" fontSize={16} fontWeight={600}>
        {say`at the probe`}
      </text>
      <text x={COOLANT_X + RAIL / 2} y={22} textAnchor="middle" fontSize={16} fontWeight={600}>
        {ladder.other === 'bay' ? say`air of the bay` : say`coolant`}
      </text>
      {ladder.joins.map((j) => (
        <g key={`${j.mark}${j.season}`}>
          <line
            x1={PROBE_X + RAIL + 4}
            y1={yOf(j.probeC)}
            x2={COOLANT_X - 2}
            y2={yOf(j.otherC)}
            stroke={colour[j.season]}
            strokeWidth={j.mark === 'on' ? 1.8 : 1.1}
            strokeDasharray={j.mark === 'opens' || j.mark === 'allowed' ? '3 4' : undefined}
          />
        </g>
      ))}
      {rungs.map((c) => (
        <g key={c}>
          <line x1={PROBE_X + RAIL + 2} x2={PROBE_X + RAIL + 10} y1={yOf(c)} y2={yOf(c)} stroke="var(--soft)" />
          <line x1={COOLANT_X - 10} x2={COOLANT_X - 2} y1={yOf(c)} y2={yOf(c)} stroke="var(--soft)" />
          <text
            className="figure-text"
            x={PROBE_X + RAIL + 14}
            y={yOf(c) + 4}
            fontSize={11}
            style={{ ...HALO, fill: 'var(--soft)' }}
          >
            {format(c, 'temperature', system, 3).replace(/ .*/, '')}
          </text>
        </g>
      ))}
      {ladder.joins
        .filter((j) => j.mark === 'on')
        .map((j) => (
          <text
            key={j.season}
            x={COOLANT_X - 16}
            y={yOf(j.otherC) + (j.season === 'coldest' ? -6 : 15)}
            textAnchor="end"
            fontSize={12}
            style={HALO}
          >
            {say`${spokenWord(otherWord[ladder.other])} ${format(j.otherC, 'temperature', system, 3)} at
              ${format(j.surroundingsC, 'temperature', system, 3)}`}
          </text>
        ))}
      <rect x={PROBE_X} y={TOP} width={RAIL} height={HEIGHT} fill="url(#cold-to-hot)" />
      <rect x={COOLANT_X} y={TOP} width={RAIL} height={HEIGHT} fill="url(#cold-to-hot)" />
      {ladder.coolant && <CoolantMarks marks={ladder.coolant} yOf={yOf} system={system} />}
      {ladder.bay && <BayMarks allowedC={ladder.bay.allowedC} yOf={yOf} system={system} />}
      <rect
        x={PROBE_X + RAIL / 2 - 3}
        y={yOf(ladder.probe.onC)}
        width={6}
        height={Math.max(0, yOf(ladder.probe.offC) - yOf(ladder.probe.onC))}
        fill="var(--ink)"
      />
      <Collar {...props} collar="off" yOf={yOf} kelvinPerPixel={kelvinPerPixel} />
      <Collar {...props} collar="on" yOf={yOf} kelvinPerPixel={kelvinPerPixel} />
      <text x={20} y={TOP + HEIGHT + 30} fontSize={12.5} style={{ fill: 'var(--cold)' }}>
        {say`coldest day`}
      </text>
      <text x={150} y={TOP + HEIGHT + 30} fontSize={12.5} style={{ fill: 'var(--warm-text)' }}>
        {say`hottest day`}
      </text>
      <text x={290} y={TOP + HEIGHT + 30} fontSize={12.5}>
        {ladder.bay
          ? say`dotted: the hottest allowed, as the probe shows it`
          : say`dotted: the engine thermostat, as the probe shows it`}
      </text>
    </svg>
  )
}
